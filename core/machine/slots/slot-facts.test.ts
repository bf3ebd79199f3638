import { dumpFile, dumpTable } from '../../../demo/smbios-dump';
import { sampleDdr4 } from '../../../demo/spd-image';
import { read } from '../../reading/read';
import type { JobSlot } from './job-slot';
import { type JobReading, joinReadings } from './join-readings';
import { type Fact, machineFacts, slotFacts } from './slot-facts';
import { derivedSlots } from './slots-of-job';

const MODULE = { mib: 8192, rate: 2400, configured: 2400, maker: 'Vellamo', part: 'VE4S8-2666', form: 13 } as const;
const dump = (serial = 'TC4-0042', rate = 2400) =>
  dumpFile(
    dumpTable({
      maker: 'Tarnholt',
      product: 'Counter 4',
      serial,
      cpu: 'Ostrin Q5',
      maxGb: 32,
      devices: [
        { ...MODULE, rate, locator: 'DIMM_A1', serial: '01020304' },
        { locator: 'DIMM_B1', mib: 'empty' },
      ],
    }),
  );
const SPD = sampleDdr4({ part: 'VE4S8-2666', serial: [1, 2, 3, 4], makerId: [2, 0xa7], heightMm: 30 });

function reading(id: number, name: string, input: Uint8Array): JobReading {
  const result = read(input);
  if (!result.ok) throw new Error(`${name}: ${result.code}`);
  return { id, name, reading: result.reading };
}
const joined = joinReadings([reading(1, 'dump.bin', dump()), reading(2, 'a1.bin', SPD)]);
const derived = derivedSlots(joined, null);
const slots = derived.map(({ slot }) => slot);
const factsOf = (changed: readonly JobSlot[] = slots) => slotFacts(changed, derived, joined);
const fact = (facts: readonly Fact[] | undefined, label: string) => facts?.find((one) => one.label === label);

describe('what is known of a slot', () => {
  it('is every value in words, with who says it first and who says the same', () => {
    const { values } = factsOf().DIMM_A1 ?? { values: [] };
    expect(fact(values, 'Capacity')).toMatchObject({ text: '8 GB', against: [] });
    const said = fact(values, 'Capacity');
    expect([said?.by, ...(said?.also ?? [])].join()).toContain('dump.bin');
    expect([said?.by, ...(said?.also ?? [])].join()).toContain('a1.bin');
    expect(fact(values, 'Voltage')?.text).toBe('1.2 V');
    expect(fact(values, 'ECC')?.text).toBe('no');
    expect(fact(values, 'Height')?.text).toMatch(/^up to \d+ mm$/);
    expect(fact(values, 'Chip width')?.text).toMatch(/^x\d+$/);
    expect(fact(values, 'Part')?.text).toBe('VE4S8-2666');
  });

  it('holds what others say against it, with their own words', () => {
    const { values } = factsOf().DIMM_A1 ?? { values: [] };
    const rate = fact(values, 'Rate');
    expect(rate?.text).toBe('2666 MT/s');
    expect(rate?.by).toContain('a1.bin');
    expect(rate?.also).toEqual([]);
    expect(rate?.against.map(({ text, by }) => [text, by.includes('dump.bin')])).toEqual([['2400 MT/s', true]]);
  });

  it('is nothing of an empty slot but its place', () => {
    expect(factsOf().DIMM_B1?.values).toEqual([]);
    expect(factsOf().DIMM_B1?.place).toMatch(/^channel B, position \d+, by its name$/);
  });

  it('says where the place comes from', () => {
    const from = (placeSource: JobSlot['placeSource']) =>
      factsOf(slots.map((slot) => ({ ...slot, placeSource }))).DIMM_A1?.place;
    expect(from('typed')).toMatch(/, typed here$/);
    expect(from('model')).toMatch(/, from the model library$/);
    const unknown = { ...(slots[0] as JobSlot), name: 'added by hand', placeSource: 'inferred' as const };
    expect(factsOf([unknown])['added by hand']?.place).toMatch(/, a guess: nothing names its channel$/);
  });

  it('is what somebody typed, above what was read', () => {
    const typed = slots.map((slot) =>
      slot.name === 'DIMM_A1' && slot.module !== null
        ? { ...slot, moduleSource: 'typed' as const, module: { ...slot.module, capacityMiB: 16_384 } }
        : slot,
    );
    const capacity = fact(factsOf(typed).DIMM_A1?.values, 'Capacity');
    expect(capacity?.text).toBe('16 GB');
    expect(capacity?.against.map(({ text }) => text)).toContain('8 GB');
  });
});

describe('what is known of the machine', () => {
  it('is each value with the inputs that say it', () => {
    const facts = machineFacts(joined.machineObservations);
    expect(fact(facts, 'Maker')).toMatchObject({ text: 'Tarnholt', also: [], against: [] });
    expect(fact(facts, 'Serial')?.text).toBe('TC4-0042');
    expect(fact(facts, 'CPU')?.by).toContain('dump.bin');
    expect(fact(facts, 'System')).toBeUndefined();
  });
});
