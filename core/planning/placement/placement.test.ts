import type { Offer, PlanCase } from '../model/case';
import { countedSpeed } from '../model/counted-speed';
import { GB, makeCase, offer, placesOf, stick } from '../testing/small-case';
import type { Bought } from './bought';

/** S1 and S3 are channel A, S2 and S4 channel B; filled in the order S1, S2, S3, S4. */
function setUp(planCase: PlanCase) {
  const { board, places } = placesOf(planCase);
  const best = (kept: number[], ...bought: [offer: number, modules: number][]) => {
    const lots = bought.map(([nr, modules]): Bought => {
      const { module } = planCase.offers[nr] as Offer;
      return {
        offer: nr,
        modules,
        moduleClass: places.moduleClasses.of({ module, speed: countedSpeed(module, false) }),
      };
    });
    const placed = places.best(kept, lots);
    if (placed === null) return null;
    const { seating, ...rest } = placed;
    const named = (slots: readonly number[]) => slots.map((slot) => planCase.machine.slots[slot]?.id);
    return { ...rest, kept: named(seating.kept), bought: seating.bought.map(named), order: seating.order };
  };
  return { board, best };
}

const installed = (...slots: string[]) => slots.map((slot) => ({ slot, module: stick }));

describe('the placement to use', () => {
  it('moves nothing where less care and more bandwidth do not ask for it', () => {
    const { best } = setUp(makeCase({ installed: installed('S4'), offers: [offer('a', 1)] }));
    expect(best([0], [0, 1])).toMatchObject({ kept: ['S4'], bought: [['S1']], rateMTs: 2400, care: 1 });
  });

  it('moves a module where both channels work only so', () => {
    const { best } = setUp(makeCase({ installed: installed('S1', 'S3') }));
    // Two in one channel today: one goes to the other.
    expect(best([0, 1])).toMatchObject({ kept: ['S1', 'S2'], bandwidthMBs: 2 * 2400 * 8 });
  });

  it('follows the fill order, and seats the earlier offer first', () => {
    const offers = [offer('a', 1), offer('b', 1)];
    const { best } = setUp(makeCase({ offers }));
    expect(best([], [0, 1], [1, 1])?.bought).toEqual([['S1'], ['S2']]);
    expect(best([], [0, 2], [1, 2])?.bought).toEqual([
      ['S1', 'S2'],
      ['S3', 'S4'],
    ]);
  });

  it('tells why it is to be minded, alphabetically, and the highest care of it', () => {
    const other = { ...stick, casLatency: 15, capacityMiB: 16 * GB };
    const ceilings = { totalMiB: { official: 16 * GB } };
    const { best } = setUp(
      makeCase({ installed: installed('S1'), offers: [offer('a', 1, { module: other })] }, { ceilings }),
    );
    expect(best([0], [0, 1])).toMatchObject({
      care: 2,
      reasons: ['mixed-latency', 'total-off-book', 'uneven-channels'],
    });
  });

  it('is none where every placement is refused', () => {
    const slots = makeCase().machine.slots.map((slot) => ({ ...slot, maxMiB: 4 * GB }));
    const { best } = setUp(makeCase({ offers: [offer('a', 1)] }, { slots }));
    expect(best([], [0, 1])).toBeNull();
  });

  it('is none where a module runs at no rate of the board', () => {
    const slow = { ...stick, rateMTs: 1600 };
    const { best } = setUp(makeCase({ offers: [offer('a', 1, { module: slow })] }));
    expect(best([], [0, 1])).toBeNull();
  });

  it('leaves a module where it is that is too large for its slot, and seats none like it there', () => {
    const slots = makeCase().machine.slots.map((slot, nr) => ({ ...slot, maxMiB: nr === 0 ? 4 * GB : null }));
    const { best } = setUp(makeCase({ installed: installed('S1'), offers: [offer('a', 1)] }, { slots }));
    expect(best([0], [0, 1])).toMatchObject({ kept: ['S1'], bought: [['S2']] });
    expect(best([], [0, 2])?.bought).toEqual([['S2', 'S3']]);
  });
});
