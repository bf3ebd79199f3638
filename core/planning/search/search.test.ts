import type { Offer, PlanCase } from '../model/case';
import { countedSpeed } from '../model/counted-speed';
import { GB, makeCase, offer, placesOf, stick } from '../testing/small-case';
import type { Candidate } from './candidates';
import { Ranking } from './frontier';
import { keptSets } from './kept-sets';
import { PriceFloor } from './price-floor';
import { groupsOf, type Lot, offerClassOf } from './supply/lots';
import { cheapestWay } from './supply/pick-lots';

describe('what is kept', () => {
  const kept = (planCase: PlanCase) => {
    const { board, places } = placesOf(planCase);
    return keptSets(planCase, board, places.moduleClasses).map((set) => set.kept);
  };

  it('honours what must stay and what goes in any case', () => {
    const installed = (['may', 'must', 'never'] as const).map((keep, nr) => ({
      slot: `S${nr + 1}`,
      keep,
      module: { ...stick, casLatency: 15 + nr },
    }));
    expect(kept(makeCase({ installed }))).toEqual([[1], [0, 1]]);
  });

  it('tells one way to keep so many of equal modules: those that bring the least credit', () => {
    const installed = [500, 200, 200, 900].map((creditCents, nr) => ({
      slot: `S${nr + 1}`,
      module: stick,
      creditCents,
    }));
    expect(kept(makeCase({ installed }))).toEqual([[], [1], [1, 2], [0, 1, 2], [0, 1, 2, 3]]);
  });

  it('tells equal modules apart where one is too large for the slot that it is in', () => {
    const slots = makeCase().machine.slots.map((slot, nr) => ({ ...slot, maxMiB: nr === 0 ? 4 * GB : null }));
    const installed = [1, 2].map((nr) => ({ slot: `S${nr}`, module: stick }));
    expect(kept(makeCase({ installed }, { slots })).length).toBe(4);
  });
});

describe('lots', () => {
  const lots = (offers: Offer[], sockets: number, offersInPlan: number) => {
    const planCase = makeCase({ offers });
    const { places } = placesOf(planCase);
    const usable = offers.map(({ module }, nr) => ({
      offer: nr,
      moduleClass: places.moduleClasses.of({ module, speed: countedSpeed(module, false) }),
    }));
    return groupsOf(planCase, usable).map((group, nr) =>
      offerClassOf(planCase, nr, group, { sockets, offersInPlan, before: null, isOld: () => true }).lots.map((some) =>
        some.map((lot) => `${lot.count}x${offers[lot.offer]?.id}`),
      ),
    );
  };

  it('keep to stock and sockets, the cheapest first, as many as there may be offers in a plan', () => {
    const offers = [offer('dear', 900), offer('few', 500, { stock: 1 }), offer('kit', 1300, { modules: 2 })];
    expect(lots(offers, 3, 2)).toEqual([[[], ['1xfew', '1xdear'], ['1xkit', '2xdear'], ['3xdear']]]);
  });

  it('are kept apart by origin and by what a rule may look at', () => {
    const other = { ...stick, ecc: true };
    const offers = [offer('a', 1), offer('b', 1, { origin: 'used' }), offer('c', 1, { module: other })];
    expect(lots(offers, 1, 1).length).toBe(3);
  });

  it('are none where a plan may have no offer', () => {
    expect(lots([offer('a', 1)], 2, 0)).toEqual([[[], [], []]]);
  });
});

describe('the cheapest way', () => {
  const moduleClass = { nr: 0 } as Lot['moduleClass'];
  const lot = (nr: number, priceCents: number, count = 1): Lot => ({
    offer: nr,
    origin: 'used',
    count,
    modules: count,
    priceCents,
    moduleClass,
  });
  const anything = () => true;

  it('takes no offer twice', () => {
    const list = [lot(1, 10), lot(2, 30)];
    expect(cheapestWay([list, list], anything)?.map((one) => one.offer)).toEqual([1, 2]);
    expect(cheapestWay([[lot(1, 10)], [lot(1, 10)]], anything)).toBeNull();
  });

  it('takes what is allowed, though it is dearer', () => {
    const way = cheapestWay([[lot(1, 10), lot(2, 30)], [lot(3, 5)]], (lots) => lots[0]?.offer !== 1);
    expect(way?.map((one) => one.offer)).toEqual([2, 3]);
  });

  it('takes fewer packs, then earlier offers, then more of the earlier of them, of equally dear ones', () => {
    expect(cheapestWay([[lot(1, 10, 2), lot(4, 10)]], anything)?.[0]?.offer).toBe(4);
    expect(cheapestWay([[lot(4, 10), lot(2, 10)]], anything)?.[0]?.offer).toBe(2);
    const counts = cheapestWay(
      [
        [lot(1, 10, 1), lot(1, 10, 2)],
        [lot(2, 20, 3), lot(2, 20, 2)],
      ],
      anything,
    );
    expect(counts?.map((one) => one.count)).toEqual([1, 2]);
  });
});

describe('the price floor', () => {
  it('knows the least price of what is as good or better in everything else', () => {
    const floor = new PriceFloor(64 * GB, 1, 4, [2133, 2400]);
    floor.put(1, 2400, 2, 32 * GB, 900);
    expect(floor.least(1, 2400, 2, 32 * GB)).toBe(900);
    expect(floor.least(2, 2000, 0, 8 * GB)).toBe(900);
    for (const [care, rate, open, mib] of [
      [0, 2400, 2, 32 * GB],
      [1, 2666, 2, 32 * GB],
      [1, 2400, 3, 32 * GB],
      [1, 2400, 2, 33 * GB],
    ] as const) {
      expect(floor.least(care, rate, open, mib)).toBe(Number.POSITIVE_INFINITY);
    }
    floor.put(1, 2400, 2, 32 * GB, 1000);
    expect(floor.least(1, 2133, 1, 16 * GB)).toBe(900);
  });

  it('counts a bandwidth between two rates as the lower, when it is put in, and as the higher, when it is asked for', () => {
    const floor = new PriceFloor(64 * GB, 1, 4, [2133, 2400]);
    floor.put(0, 2300, 1, 8 * GB, 500);
    expect(floor.least(0, 2133, 1, 8 * GB)).toBe(500);
    expect(floor.least(0, 2134, 1, 8 * GB)).toBe(Number.POSITIVE_INFINITY);
  });
});

describe('the frontier', () => {
  const plan = (own: Partial<Candidate>): Candidate => ({
    lane: 'used',
    reuse: 'add',
    totalMiB: 16 * GB,
    priceCents: 1000,
    bandwidthMBs: 100,
    care: 0,
    openSlots: 1,
    kept: [],
    bought: [],
    ...own,
  });
  const shown = (plans: Candidate[], goal = {}) => new Ranking(plans).shown(goal).map((one) => plans.indexOf(one));

  it('shows what nothing of the same lane and reuse dominates, in any of the five figures', () => {
    const base = plan({});
    const better = [
      { totalMiB: 17 * GB },
      { priceCents: 999 },
      { bandwidthMBs: 101 },
      { openSlots: 2 },
    ] satisfies Partial<Candidate>[];
    for (const own of better) expect(shown([base, plan(own)])).toEqual([1]);
    expect(shown([plan({ care: 1 }), base])).toEqual([1]);
    expect(shown([base, plan({ totalMiB: 17 * GB, priceCents: 1001 })]).sort()).toEqual([0, 1]);
    expect(shown([base, plan({ lane: 'original', priceCents: 1 })]).sort()).toEqual([0, 1]);
    expect(shown([base, plan({ reuse: 'swap', priceCents: 1 })]).sort()).toEqual([0, 1]);
  });

  it('shows a mixed plan only where no plan at all dominates it; an equal one does not', () => {
    const mixed = plan({ lane: 'mixed' });
    expect(shown([mixed, plan({})]).sort()).toEqual([0, 1]);
    expect(shown([mixed, plan({ reuse: 'replace', priceCents: 999 })])).toEqual([1]);
    expect(shown([mixed, plan({ priceCents: 999 })], { lanes: ['mixed'] })).toEqual([0]);
  });

  it('shows of equal plans the one whose offers come first', () => {
    const of = (...offers: number[]) => offers.map((nr) => ({ offer: nr, count: 1 }) as Lot);
    expect(shown([plan({ bought: of(3) }), plan({ bought: of(1, 2) }), plan({ bought: of(2) })])).toEqual([2]);
  });

  it('looks at a goal before anything is compared', () => {
    const plans = [plan({ priceCents: 500, openSlots: 0 }), plan({ priceCents: 900, openSlots: 0, totalMiB: 15 * GB })];
    expect(shown(plans, { minOpenSlots: 1 })).toEqual([]);
    expect(shown(plans, { maxPriceCents: 400 })).toEqual([]);
    expect(shown(plans, { minMiB: 16 * GB })).toEqual([0]);
  });
});
