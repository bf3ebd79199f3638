import type { Plan } from '../search/plan';
import { english } from '../testing/english';
import { type Compared, type Step, stepBetween, stepText } from './compare-plans';
import { listed } from './plan-say';

const GB = 1024;
const compared = (plan: Partial<Plan>, leadDays = 0): Compared => ({
  plan: {
    totalMiB: 16 * GB,
    priceCents: 5000,
    effectiveChannels: 1,
    rateMTs: 2400,
    openSlots: 0,
    care: 'heads-up',
    kept: [],
    ...plan,
  } as unknown as Plan,
  installed: 2,
  leadDays,
});

describe('what paying more buys', () => {
  it('is said figure by figure, the weightiest first', () => {
    const from = compared({}, 5);
    const to = compared({ priceCents: 6800, effectiveChannels: 2, openSlots: 1, care: 'clear' }, 1);
    expect(stepBetween(english, from, to)).toEqual({
      cents: 1800,
      gains: ['dual channel', 'a free slot', 'nothing to note'],
      losses: [],
      laterDays: -4,
    });
  });

  it('says what is given up as well', () => {
    const from = compared({ kept: ['A1', 'A2'], totalMiB: 12 * GB, rateMTs: 2666, openSlots: 3 });
    const to = compared({ priceCents: 4000, kept: ['A1'], openSlots: 1 }, 2);
    expect(stepBetween(english, from, to)).toEqual({
      cents: -1000,
      gains: ['4 GB more'],
      losses: ['runs at 2400 instead of 2666 MT/s', 'leaves 2 free slots less', 'takes out one more old module'],
      laterDays: 2,
    });
  });

  it('is old modules too, counted, or all of them', () => {
    const gains = (from: string[], to: string[], installed = 2) =>
      stepBetween(
        english,
        { ...compared({ kept: from }), installed },
        { ...compared({ kept: to, priceCents: 6000 }), installed },
      ).gains;
    expect(gains([], ['A1', 'A2'])).toEqual(['all old modules kept']);
    expect(gains([], ['A1'], 1)).toEqual(['the old module kept']);
    expect(gains([], ['A1'])).toEqual(['one more old module kept']);
    expect(gains([], ['A1', 'A2'], 3)).toEqual(['2 more old modules kept']);
  });

  it('is nothing between plans that are alike', () => {
    expect(stepBetween(english, compared({}), compared({}))).toEqual({ cents: 0, gains: [], losses: [], laterDays: 0 });
  });

  it('is said in a sentence', () => {
    const said = (step: Partial<Step>) =>
      stepText(
        { ...english, money: (cents) => (cents / 100).toFixed(2) },
        { cents: 1800, gains: [], losses: [], laterDays: 0, ...step },
      );
    expect(said({ gains: ['dual channel', 'a free slot'] })).toBe('+18.00 buys dual channel and a free slot.');
    expect(said({ gains: ['4 GB more'], losses: ['leaves one free slot less'], laterDays: 5 })).toBe(
      '+18.00 buys 4 GB more, but leaves one free slot less and comes 5 days later.',
    );
    expect(said({ laterDays: -1 })).toBe('+18.00 buys a day less to wait.');
    expect(said({ losses: ['leaves one free slot less'] })).toBe('+18.00 buys nothing: it leaves one free slot less.');
    expect(
      said({ gains: ['4 GB more'], losses: ['is off-book instead of clear', 'has single channel instead of dual'] }),
    ).toBe('+18.00 buys 4 GB more, but is off-book instead of clear and has single channel instead of dual.');
    expect(said({ cents: 0 })).toBe('For the same price: alike in everything else.');
    expect(said({ cents: -100, gains: ['4 GB more'] })).toBe('−1.00 buys 4 GB more.');
  });

  it('is listed as a person would', () => {
    expect([
      listed(english.t, []),
      listed(english.t, ['a']),
      listed(english.t, ['a', 'b']),
      listed(english.t, ['a', 'b', 'c']),
    ]).toEqual(['', 'a', 'a and b', 'a, b and c']);
  });
});
