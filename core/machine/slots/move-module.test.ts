import { GB, known, slot } from '../samples';
import { jobSlotsSchema } from './job-slot';
import { cycleKeep, emptySocket, moveModule } from './move-module';

const big = { ...known, capacityMiB: 16 * GB };
const slots = [
  slot('A1', known, { keep: 'must', creditCents: 300 }),
  slot('B1', big),
  slot('C1'),
  slot('D1', null, { maxMiB: 4 * GB }),
  slot('E1', null, { blocked: true }),
  slot('ON', known, { soldered: true }),
];
const sizes = (all: typeof slots) => all.map(({ module }) => module?.capacityMiB ?? null);

describe('moving a module', () => {
  it('takes along what may become of it, and never puts two into one socket', () => {
    const moved = moveModule(slots, 'A1', 'C1');
    expect(moved.ok && moved.slots[2]).toMatchObject({
      module: known,
      keep: 'must',
      creditCents: 300,
      moduleSource: 'typed',
    });
    expect(moved.ok && moved.slots[0]).toMatchObject({ module: null, keep: 'may', creditCents: 0 });
    const swapped = moveModule(slots, 'A1', 'B1');
    expect(swapped.ok && sizes(swapped.slots).slice(0, 2)).toEqual([16 * GB, 8 * GB]);
    expect(moved.ok && jobSlotsSchema.safeParse(moved.slots).success).toBe(true);
  });

  test.each([
    ['C1', 'A1', 'empty', 'C1'],
    ['ON', 'C1', 'soldered-in', 'ON'],
    ['A1', 'ON', 'target-soldered', 'ON'],
    ['A1', 'E1', 'target-blocked', 'E1'],
    ['A1', 'D1', 'too-large', 'D1'],
  ])('from %s to %s is refused: %s, for %s', (from, to, why, slotName) => {
    expect(moveModule(slots, from, to)).toEqual({ ok: false, why, slot: slotName });
  });

  it('onto itself or to nowhere changes nothing', () => {
    expect(moveModule(slots, 'A1', 'A1')).toEqual({ ok: true, slots });
    expect(moveModule(slots, 'A1', 'Z9')).toEqual({ ok: true, slots });
  });
});

describe('what may become of a module', () => {
  it('goes round: may, must, never', () => {
    const keeps = [0, 1, 2].reduce((all) => [...all, cycleKeep(all.at(-1) ?? slots, 'B1')], [slots]);
    expect(keeps.map((all) => all[1]?.keep)).toEqual(['may', 'must', 'never', 'may']);
    expect(cycleKeep(slots, 'C1')).toEqual(slots);
    expect(cycleKeep(slots, 'ON')).toEqual(slots);
  });

  it('is forgotten with the module', () => {
    expect(emptySocket(slots, 'A1')[0]).toMatchObject({ module: null, keep: 'may', creditCents: 0 });
    expect(emptySocket(slots, 'ON')).toEqual(slots);
  });

  it('a blocked socket holds none', () => {
    expect(jobSlotsSchema.safeParse([slot('A1', known, { blocked: true })]).success).toBe(false);
  });
});
