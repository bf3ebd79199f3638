import type { ReadMachine, ReadModule } from '../reading/reading';
import { jobSlotsSchema } from './job-slot';
import { GB, known, slot } from './samples';
import { slotsOfModel, slotsOfReading } from './slots-of-reading';

const readModule: ReadModule = {
  ...known,
  configuredRateMTs: null,
  deviceWidth: null,
  heightMm: null,
  makerId: null,
  serial: null,
  soldered: false,
};
function readMachine(slots: ReadMachine['memory']['slots']): ReadMachine {
  return {
    maker: null,
    model: null,
    serial: null,
    board: { maker: null, model: null },
    firmware: { version: null, date: null },
    cpus: [],
    os: null,
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

  it('are the reading’s own where the model has another number of them', () => {
    const machine = readMachine([{ locator: 'DIMM_A1', bank: null, installed: readModule }]);
    expect(slotsOfReading(machine, model)).toMatchObject([
      { name: 'DIMM_A1', channel: 'A', bank: 1, placeSource: 'inferred' },
    ]);
  });

  it('count as one channel where the names do not tell, and are told apart by number', () => {
    const machine = readMachine([
      { locator: 'DIMM', bank: null, installed: readModule },
      { locator: 'DIMM', bank: null, installed: null },
    ]);
    const slots = slotsOfReading(machine, null);
    expect(slots.map(({ channel, bank }) => [channel, bank])).toEqual([
      ['A', 0],
      ['A', 1],
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
