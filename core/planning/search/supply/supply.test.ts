import type { Goal, Offer, PlanCase } from '../../model/case';
import { countedSpeed } from '../../model/counted-speed';
import { makeCase, offer, placesOf, stick } from '../../testing/small-case';
import type { OfferClass, Usable } from './lots';
import { PriceBoard } from './price-board';
import { Supplies } from './supply';

function setUp(offers: Offer[], goal: Goal | null = null) {
  const planCase: PlanCase = { ...makeCase({ offers }), goal };
  const { board, places } = placesOf(planCase);
  const usable = offers.map(({ module }, nr): Usable => {
    return { offer: nr, moduleClass: places.moduleClasses.of({ module, speed: countedSpeed(module, false) }) };
  });
  return { planCase, supplies: new Supplies(usable, board.sockets.length) };
}

const fast = { ...stick, rateMTs: 3200, casLatency: 22 };
const slow = { ...stick, rateMTs: 2133, casLatency: 15 };

const offersOf = (offerClasses: readonly OfferClass[]) =>
  offerClasses.map(({ lots }) => [...new Set(lots.flatMap((some) => some.map((lot) => lot.offer)))].sort());

describe('what may be bought', () => {
  const offers = [
    offer('a', 100, { module: slow }),
    offer('b', 200, { module: fast }),
    offer('c', 50, { origin: 'used' }),
    offer('d', 400, { module: { ...stick, capacityMiB: 16384 } }),
  ];

  it('is gathered by size and origin', () => {
    const { planCase, supplies } = setUp(offers);
    expect(offersOf(supplies.of(planCase).offerClasses)).toEqual([[0, 1], [2], [3]]);
    expect(supplies.of(planCase).offersInPlan).toBe(2);
  });

  it('leaves out what the goal leaves out, and lanes that it does not want unless they may be mixed', () => {
    const { planCase, supplies } = setUp(offers);
    const wanted = (goal: Goal) => offersOf(supplies.of({ ...planCase, goal }).offerClasses);
    expect(wanted({ without: ['a'] })).toEqual([[1], [2], [3]]);
    expect(wanted({ lanes: ['used'] })).toEqual([[2]]);
    expect(wanted({ lanes: ['used', 'mixed'] })).toEqual([[0, 1], [2], [3]]);
  });

  it('stays as it is while the goal changes in other things', () => {
    const { planCase, supplies } = setUp(offers);
    const before = supplies.of(planCase);
    expect(supplies.of({ ...planCase, goal: { minMiB: 1, maxPriceCents: 2, minRateMTs: 3 } }).prices).toBe(
      before.prices,
    );
    expect(supplies.of({ ...planCase, goal: { maxOffers: 1 } }).prices).not.toBe(before.prices);
  });

  it('is calculated again only where a price changed', () => {
    const { planCase, supplies } = setUp(offers);
    const before = supplies.of(planCase);
    const dearer = { ...planCase, offers: offers.map((one) => (one.id === 'c' ? { ...one, priceCents: 75 } : one)) };
    supplies.change(2);
    const after = supplies.of(dearer);
    expect(after.offerClasses.map((offerClass, nr) => offerClass === before.offerClasses[nr])).toEqual([
      true,
      false,
      true,
    ]);
    expect(after.offerClasses[1]?.lots[2]?.[0]?.priceCents).toBe(150);
    expect(supplies.of(dearer).prices).toBe(after.prices);
  });

  it('can have one offer apart, which leaves what is known alone', () => {
    const { planCase, supplies } = setUp(offers);
    const before = supplies.of(planCase);
    expect(offersOf(supplies.apart(planCase, 1).offerClasses)).toEqual([[0], [1], [2], [3]]);
    expect(supplies.of(planCase).prices).toBe(before.prices);
  });
});

describe('the price board', () => {
  const offers = [
    offer('slow', 100, { module: slow }),
    offer('fast', 300, { module: fast }),
    offer('kit', 450, { module: fast, modules: 2 }),
  ];
  const { planCase, supplies } = setUp(offers);
  const { prices, offerClasses } = supplies.of(planCase);
  const [offerClass] = offerClasses as [OfferClass];

  it('knows the rates of the board that anything on offer allows', () => {
    // The board runs at 2133 and 2400: one of 3200 allows the latter.
    expect(prices.rates).toEqual([2133, 2400]);
  });

  it('tells the cheapest that allow a rate, as many as there may be offers in a plan', () => {
    const cheapest = (rate: number, modules: number) =>
      prices.cheapest(offerClass, rate, modules).map((lot) => lot.offer);
    expect(cheapest(0, 1)).toEqual([0, 1]);
    expect(cheapest(1, 1)).toEqual([1]);
    expect(cheapest(0, 2)).toEqual([0, 2]);
    expect(cheapest(1, 2)).toEqual([2, 1]);
    expect(cheapest(1, 5)).toEqual([]);
  });

  it('tells all lots of just one rate, or of no slower, that may stand beside what is kept', () => {
    const any = () => true;
    const asked = (rateMTs: number, exactly: boolean) =>
      prices.asked(offerClass, { rateMTs, exactly }, 1, '', any).map((lot) => lot.offer);
    expect(asked(2133, true)).toEqual([0]);
    expect(asked(2133, false)).toEqual([0, 1]);
    const beside = prices.asked(
      offerClass,
      { rateMTs: 2133, exactly: false },
      1,
      '2133/15',
      (moduleClass) => moduleClass.rateMTs !== 2133,
    );
    expect(beside.map((lot) => lot.offer)).toEqual([1]);
  });

  it('lists the largest bodies first, each with the numbers of modules that can be had', () => {
    const large = { ...stick, capacityMiB: 16384 };
    const more = setUp([offer('one', 10, { stock: 1 }), offer('large', 90, { module: large, modules: 2 })]);
    const board = new PriceBoard(more.supplies.of(more.planCase).offerClasses, 2);
    expect(board.shelves.map(({ placementClass, sizes }) => [placementClass.capacityMiB, sizes])).toEqual([
      [16384, [2, 4]],
      [8192, [1]],
    ]);
  });
});
