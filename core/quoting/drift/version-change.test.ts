import type { QuoteOption, QuoteSnapshot } from '../snapshot';
import { versionChange } from './version-change';

const option = (place: number, more: Partial<QuoteOption> = {}): QuoteOption =>
  ({
    place,
    lane: 'third-party',
    totalMiB: 16_384,
    rateMTs: 2400,
    totalCents: 5300,
    after: [{ slot: 'A1', capacityMiB: 16_384, text: '16 GB', fate: 'new' }],
    ...more,
  }) as QuoteOption;

const quote = (more: Partial<QuoteSnapshot> = {}): QuoteSnapshot =>
  ({
    currency: 'EUR',
    validUntil: '2026-12-10',
    suggested: 1,
    language: 'en',
    options: [option(1), option(2, { lane: 'original', totalCents: 10_300 })],
    ...more,
  }) as QuoteSnapshot;

const change = (more: Partial<QuoteSnapshot>) => versionChange(quote(), quote(more));

describe('what a version changes', () => {
  it('is told option by option, by price and by what is fitted', () => {
    expect(
      change({ options: [option(1, { totalCents: 5450 }), option(2, { lane: 'original', totalCents: 10_300 })] }),
    ).toEqual([{ what: 'price', place: 1, moreCents: 150 }]);
    expect(change({ options: [option(1, { totalCents: 4800 }), option(3)] })).toEqual([
      { what: 'price', place: 1, moreCents: -500 },
      { what: 'new', place: 3 },
      { what: 'gone', place: 2 },
    ]);
    const other = { after: [{ slot: 'A1', capacityMiB: 8192, text: '8 GB', fate: 'new' }] } as Partial<QuoteOption>;
    expect(change({ options: [option(1, other), option(2, { totalMiB: 32_768, totalCents: 12_000 })] })).toEqual([
      { what: 'parts', place: 1, moreCents: 0 },
      {
        what: 'build',
        place: 2,
        before: { totalMiB: 16_384, lane: 'original' },
        now: { totalMiB: 32_768, lane: 'third-party' },
        moreCents: 1700,
      },
    ]);
  });

  it('and by what is agreed beside them', () => {
    expect(
      change({ suggested: 2, validUntil: '2026-12-20', language: 'de', exempt: 'public body', note: 'Thank you.' }),
    ).toEqual([
      { what: 'suggested', place: 2 },
      { what: 'until', day: '2026-12-20' },
      { what: 'language', language: 'de' },
      { what: 'no-tax' },
      { what: 'note' },
    ]);
    expect(change({ suggested: null })).toEqual([{ what: 'suggested', place: null }]);
    expect(change({})).toEqual([]);
  });
});
