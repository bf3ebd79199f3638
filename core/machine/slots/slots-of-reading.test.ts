import { NOTHING_TOLD, type ReadMachine, type ReadModule, UNTOLD_MACHINE } from '../../reading/reading';
import { GB, known, slot } from '../samples';
import { jobSlotsSchema } from './job-slot';
import { placeSlots, slotsOfModel, slotsOfReading } from './slots-of-reading';

const readModule: ReadModule = {
  ...NOTHING_TOLD,
  ...known,
  deviceWidth: null,
  heightMm: null,
  soldered: false,
};
function readMachine(slots: ReadMachine['memory']['slots']): ReadMachine {
  return {
    ...UNTOLD_MACHINE,
    memory: { slotCount: slots.length, maxCapacityMiB: null, errorCorrection: null, slots },
  };
}
describe('a job’s slots', () => {
  const model = [
    { name: 'A1', channel: 'A', bank: 1, maxMiB: null, soldered: null },
    { name: 'B1', channel: 'B', bank: 1, maxMiB: 16 * GB, soldered: null },
  ];

  it('come from the model, and the modules from the reading, by name', () => {
    const machine = readMachine([
      { locator: 'b1', bank: null, installed: readModule },
      { locator: 'A-1', bank: null, installed: null },
    ]);
    const slots = slotsOfReading(machine, model);
    expect(slots.map(({ name, module, placeSource }) => [name, module?.capacityMiB ?? null, placeSource])).toEqual([
      ['A1', null, 'model'],
      ['B1', 8 * GB, 'model'],
    ]);
    expect(slots[1]?.maxMiB).toBe(16 * GB);
  });

  it('go by order where no name agrees and the counts do', () => {
    const machine = readMachine([
      { locator: 'Bottom', bank: null, installed: readModule },
      { locator: 'Top', bank: null, installed: null },
    ]);
    expect(slotsOfReading(machine, model).map((one) => one.module?.capacityMiB ?? null)).toEqual([8 * GB, null]);
  });

  it('are the model’s also where the reading names fewer or others, and modules go into what fits them', () => {
    const one = readMachine([{ locator: 'DIMM_X1', bank: null, installed: readModule }]);
    expect(
      placeSlots(one, model).map(({ slot, read, sure }) => [slot.name, slot.module?.capacityMiB ?? null, read, sure]),
    ).toEqual([
      ['A1', 8 * GB, 0, 'guess'],
      ['B1', null, null, null],
    ]);
    const soldered = [{ name: 'ON', channel: 'A', bank: 1, maxMiB: null, soldered: known }, ...model];
    const mixed = readMachine([
      { locator: 'Slot 1', bank: null, installed: readModule },
      { locator: 'Board', bank: null, installed: { ...readModule, soldered: true, capacityMiB: 4 * GB } },
    ]);
    expect(placeSlots(mixed, soldered).map(({ slot }) => [slot.name, slot.module?.capacityMiB ?? null])).toEqual([
      ['ON', 4 * GB],
      ['A1', 8 * GB],
      ['B1', null],
    ]);
  });

  it('are the reading’s own where the model has no room for its modules', () => {
    const installed = readModule;
    const three = ['DIMM_A1', 'DIMM_B1', 'DIMM_C1'].map((locator) => ({ locator, bank: null, installed }));
    expect(slotsOfReading(readMachine(three), model)).toMatchObject([
      { name: 'DIMM_A1', channel: 'A', bank: 1, placeSource: 'inferred' },
      { name: 'DIMM_B1', channel: 'B' },
      { name: 'DIMM_C1', channel: 'C' },
    ]);
  });

  it('of two sockets are likely two channels where the names do not tell, and are told apart by number', () => {
    const machine = readMachine([
      { locator: 'DIMM', bank: null, installed: readModule },
      { locator: 'DIMM', bank: null, installed: null },
    ]);
    const slots = slotsOfReading(machine, null);
    expect(slots.map(({ channel, bank }) => [channel, bank])).toEqual([
      ['A', 0],
      ['B', 0],
    ]);
    expect(new Set(slots.map((one) => one.name)).size).toBe(2);
    expect(jobSlotsSchema.safeParse(slots).success).toBe(true);
  });

  it('keep what is soldered', () => {
    const [built] = slotsOfModel([{ name: 'ON', channel: 'A', bank: 0, maxMiB: null, soldered: known }]);
    expect(built).toMatchObject({ soldered: true, module: { capacityMiB: 8 * GB } });
    const machine = readMachine([{ locator: 'U1', bank: null, installed: { ...readModule, soldered: true } }]);
    expect(slotsOfReading(machine, null)[0]?.soldered).toBe(true);
  });

  it('are refused with a name twice, or soldered without a module', () => {
    expect(jobSlotsSchema.safeParse([slot('A1'), slot('A1')]).success).toBe(false);
    expect(jobSlotsSchema.safeParse([slot('A1', null, { soldered: true })]).success).toBe(false);
    expect(jobSlotsSchema.safeParse([slot('A1', null, { creditCents: -1 })]).success).toBe(false);
  });
});
