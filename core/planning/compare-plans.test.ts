import { type Compared, listed, stepBetween } from './compare-plans';
import type { Plan } from './plan';

const GB = 1024;
const compared = (plan: Partial<Plan>, leadDays = 0): Compared => ({
  plan: {
    ...{ totalMiB: 16 * GB, priceCents: 5000, effectiveChannels: 1, rateMTs: 2400, openSlots: 0, care: 'heads-up' },
    ...{ kept: [] },
    ...plan,
  } as unknown as Plan,
  installed: 2,
  leadDays,
});

describe('what paying more buys', () => {
  it('is said figure by figure, the weightiest first', () => {
    const from = compared({}, 5);
    const to = compared({ priceCents: 6800, effectiveChannels: 2, openSlots: 1, care: 'clear' }, 1);
    expect(stepBetween(from, to)).toEqual({
      cents: 1800,
      gains: ['dual channel', 'a free slot', 'nothing to mind', 'here in 1 day instead of in 5 days'],
      losses: [],
    });
  });

  it('says what is given up as well', () => {
    const from = compared({ kept: ['A1', 'A2'], totalMiB: 12 * GB, rateMTs: 2666, openSlots: 3 });
    const to = compared({ priceCents: 4000, kept: ['A1'], openSlots: 1 }, 2);
    expect(stepBetween(from, to)).toEqual({
      cents: -1000,
      gains: ['4 GB more'],
      losses: [
        '2666 instead of 2400 MT/s',
        '2 more free slots',
        'all old modules stay',
        'here now instead of in 2 days',
      ],
    });
  });

  it('is nothing between plans that are alike', () => {
    expect(stepBetween(compared({}), compared({}))).toEqual({ cents: 0, gains: [], losses: [] });
  });

  it('is listed as a person would', () => {
    expect([listed([]), listed(['a']), listed(['a', 'b']), listed(['a', 'b', 'c'])]).toEqual([
      '',
      'a',
      'a and b',
      'a, b and c',
    ]);
  });
});
