import type { Plan } from '../../planning/search/plan';
import type { QuoteOption } from '../snapshot';
import { driftOf, nextEqual, type OfferNow } from './drift';

const option = {
  place: 2,
  lane: 'third-party',
  care: 'heads-up',
  totalMiB: 16384,
  rateMTs: 2400,
  openSlots: 1,
  shop: {
    bought: [
      { offer: 'a', count: 2, costCents: 1_000, seller: 'Quayside Components' },
      { offer: 'b', count: 1, costCents: 500, seller: 'Fennimore Parts' },
    ],
    marginCents: 900,
  },
} as unknown as QuoteOption;
const there = (costCents: number | null, stock: number | null = null, withdrawn = false): OfferNow => ({
  costCents,
  stock,
  withdrawn,
});
const drift = (a: OfferNow | undefined, b: OfferNow | undefined = there(500)) =>
  driftOf(option, (offer) => (offer === 'a' ? a : b));

describe('what moved behind a sent option', () => {
  it('is nothing while offers stand as they stood', () => {
    expect(drift(there(1_000, 2))).toBeNull();
  });

  it('is told for each part, with what it does to what is left', () => {
    expect(drift(there(1_150), there(450))).toEqual({
      place: 2,
      parts: [
        { offer: 'a', seller: 'Quayside Components', count: 2, wasCents: 1_000, nowCents: 1_150, what: 'dearer' },
        { offer: 'b', seller: 'Fennimore Parts', count: 1, wasCents: 500, nowCents: 450, what: 'cheaper' },
      ],
      leftCents: 900,
      // Two at 150 more, one at 50 less.
      leavesCents: 650,
    });
  });

  it('is a part that cannot be had: sold out, too few, withdrawn, without a price, gone', () => {
    const what = (now: OfferNow | undefined) => drift(now)?.parts.map((part) => part.what);
    expect(what(there(1_000, 1))).toEqual(['sold-out']);
    expect(what(there(1_000, 0))).toEqual(['sold-out']);
    expect(what(there(1_000, null, true))).toEqual(['withdrawn']);
    expect(what(there(null))).toEqual(['withdrawn']);
    expect(what(undefined)).toEqual(['withdrawn']);
    expect(drift(undefined)?.leavesCents).toBeNull();
  });
});

describe('the next best equal plan', () => {
  const plan = (more: Partial<Plan>): Plan =>
    ({
      lane: 'third-party',
      care: 'clear',
      totalMiB: 16384,
      rateMTs: 2400,
      openSlots: 1,
      priceCents: 5_000,
      ...more,
    }) as Plan;

  it('is the cheapest that promises no less', () => {
    const best = plan({ priceCents: 4_000, rateMTs: 2666 });
    const worse: Partial<Plan>[] = [
      { totalMiB: 8192 },
      { totalMiB: 32768 },
      { lane: 'used' },
      { rateMTs: 2133 },
      { openSlots: 0 },
      { care: 'off-book' },
    ];
    expect(nextEqual(option, [plan({}), best, ...worse.map((one) => plan({ ...one, priceCents: 1 }))])).toBe(best);
    for (const one of worse) expect(nextEqual(option, [plan({ ...one, priceCents: 1 })])).toBeNull();
  });
});
