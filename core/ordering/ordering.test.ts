import fc from 'fast-check';
import type { SellerTerms } from '../pricing/seller-terms';
import { faultsOf } from '../quoting/testing/ubl-schema';
import { orderHints, orderSum } from './order-hints';
import { orderTotal, type PartOrderPaper } from './part-order';
import { countParts, mostNews, PART_NEWS, partState } from './part-state';
import { ublOrder } from './ubl-order';

const TERMS: SellerTerms = {
  currency: 'EUR',
  withTax: false,
  taxBp: 0,
  taxBack: true,
  shipping: { kind: 'flat', cents: 490, freeFromCents: 10_000 },
};
const line = (quantity: number, eachCents: number, printedCents: number | null = eachCents) => ({
  quantity,
  eachCents,
  printedCents,
});

describe('what a seller asks of an order', () => {
  it('says how much is missing to free shipping, and how many of the cheapest reach it', () => {
    const [hint] = orderHints([line(2, 2_500), line(1, 2_000)], { terms: TERMS, leastCents: null }, 'EUR');
    expect(hint).toEqual({ what: 'free-shipping', fromCents: 10_000, missingCents: 3_000, currency: 'EUR', more: 2 });
  });

  it('says when a threshold is reached, and the least order first', () => {
    const hints = orderHints([line(5, 2_500)], { terms: TERMS, leastCents: 5_000 }, 'EUR');
    expect(hints.map(({ what, missingCents, more }) => [what, missingCents, more])).toEqual([
      ['least-order', 0, null],
      ['free-shipping', 0, null],
    ]);
  });

  it('counts in the seller’s money, and says nothing where it cannot', () => {
    const abroad = { ...TERMS, currency: 'SEK' };
    expect(orderSum([line(2, 1_000, 11_000)], abroad, 'EUR')).toEqual({ currency: 'SEK', cents: 22_000 });
    expect(orderSum([line(2, 1_000, null)], abroad, 'EUR')).toEqual({ currency: 'EUR', cents: 2_000 });
    expect(orderHints([line(2, 1_000, null)], { terms: abroad, leastCents: 5_000 }, 'EUR')).toEqual([]);
    expect(orderHints([line(2, 1_000)], { terms: null, leastCents: 5_000 }, 'EUR')).toHaveLength(1);
  });

  it('so many more are enough, and one fewer is not', () => {
    expect(
      fc.check(
        fc.property(fc.array(fc.integer({ min: 1, max: 20_000 }), { minLength: 1, maxLength: 6 }), (prices) => {
          const lines = prices.map((price) => line(1, price));
          const [hint] = orderHints(lines, { terms: TERMS, leastCents: null }, 'EUR');
          if (hint === undefined || hint.more === null) return (hint?.missingCents ?? -1) === 0;
          const least = Math.min(...prices);
          const withMore = orderSum([...lines, line(hint.more, least)], TERMS, 'EUR').cents;
          return withMore >= 10_000 && withMore - least < 10_000;
        }),
      ),
    ).toMatchObject({ failed: false });
  });
});

describe('what became of a line', () => {
  it('waits, comes in parts, and has come', () => {
    const states = [[], [1], [1, 2]].map((came) =>
      partState(
        countParts(
          3,
          came.map((quantity) => ({ kind: 'arrived' as const, quantity })),
        ),
      ),
    );
    expect(states).toEqual(['waiting', 'partly', 'arrived']);
  });

  it('one that came and is dead is missing, whether its coming was noted or not', () => {
    const noted = countParts(2, [
      { kind: 'arrived', quantity: 2 },
      { kind: 'dead', quantity: 1 },
    ]);
    expect(noted).toEqual({ quantity: 2, arrived: 1, faulty: 1, never: 0, waiting: 0 });
    expect(partState(noted)).toBe('amiss');
    const unnoted = countParts(2, [{ kind: 'wrong', quantity: 1 }]);
    expect(unnoted).toMatchObject({ arrived: 0, faulty: 1, waiting: 1 });
  });

  it('never counts more than was ordered, as long as no more is noted than may be', () => {
    const news = fc.array(fc.record({ kind: fc.constantFrom(...PART_NEWS), quantity: fc.integer({ min: 1, max: 4 }) }));
    expect(
      fc.check(
        fc.property(fc.integer({ min: 1, max: 6 }), news, (quantity, wanted) => {
          const kept: typeof wanted = [];
          for (const one of wanted) if (one.quantity <= mostNews(countParts(quantity, kept), one.kind)) kept.push(one);
          const counts = countParts(quantity, kept);
          const { arrived, faulty, never, waiting } = counts;
          return arrived + faulty + never + waiting === quantity;
        }),
      ),
    ).toMatchObject({ failed: false });
  });
});

const ORDER: PartOrderPaper = {
  number: 'PO-2026-0001',
  orderedOn: '2026-11-26',
  note: 'Leave it with the chandler',
  currency: 'EUR',
  language: 'en',
  shop: { name: 'Petrel Street Repair Co-op', town: 'Skerrow', contact: 'counter' },
  seller: 'Quayside Components',
  lines: [
    { sellerPart: 'QC-1', title: '16 GB & more', quantity: 2, modules: 1, eachCents: 2_150, job: 3 },
    { sellerPart: null, title: 'kit of 2', quantity: 1, modules: 2, eachCents: 4_000, job: 4 },
  ],
};

describe('an order as UBL', () => {
  it('has its elements in the order of the schema, and its lines add up', () => {
    expect(faultsOf(ublOrder(ORDER))).toEqual([]);
    expect(orderTotal(ORDER)).toBe(8_300);
    expect(JSON.stringify(ublOrder(ORDER))).toContain('"83.00"');
    const bare = { ...ORDER, note: '', lines: ORDER.lines.slice(0, 1) };
    expect(faultsOf(ublOrder(bare))).toEqual([]);
    expect(faultsOf(ublOrder({ ...ORDER, lines: [] }))).not.toEqual([]);
  });
});
