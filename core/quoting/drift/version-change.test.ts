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
    ).toBe('Option 1 is €1.50 more.');
    expect(change({ options: [option(1, { totalCents: 4800 }), option(3)] })).toBe(
      'Option 1 is €5.00 less; option 3 is new; option 2 is gone.',
    );
    const other = { after: [{ slot: 'A1', capacityMiB: 8192, text: '8 GB', fate: 'new' }] } as Partial<QuoteOption>;
    expect(change({ options: [option(1, other), option(2, { totalMiB: 32_768, totalCents: 12_000 })] })).toBe(
      'Option 1 is made of other parts; option 2 is 32 GB third-party instead of 16 GB original, €17.00 more.',
    );
  });

  it('and by what is agreed beside them', () => {
    expect(
      change({ suggested: 2, validUntil: '2026-12-20', language: 'de', exempt: 'public body', note: 'Thank you.' }),
    ).toBe(
      'Option 2 is suggested; prices hold until 20 December 2026; it is in Deutsch; no tax is charged; the word to the customer is another.',
    );
    expect(change({ suggested: null })).toBe('None is suggested.');
    expect(change({})).toBe('Nothing but its number and its day.');
  });
});
