import type { VersionChange } from '@/core/quoting/drift/version-change';
import { staffWords } from '@/words/staff-words';
import { versionText } from './version-words';

const said = (changes: VersionChange[]) =>
  (['en', 'de'] as const).map((language) =>
    versionText(changes, { t: staffWords(language, 'quote'), tTrade: staffWords(language, 'trade'), currency: 'EUR' }),
  );

describe('what a version changes, in words', () => {
  it('names options by price and by what is fitted', () => {
    const [en, de] = said([
      { what: 'price', place: 1, moreCents: -500 },
      { what: 'new', place: 3 },
      { what: 'gone', place: 2 },
    ]);
    expect(en).toBe('Option 1 is €5.00 less; option 3 is new; option 2 is gone.');
    expect(de).toMatch(/^Vorschlag 1 ist .*5.00.* günstiger; Vorschlag 3 ist neu; Vorschlag 2 entfällt\.$/);
    const build = { totalMiB: 16_384, lane: 'original' } as const;
    expect(
      said([
        { what: 'parts', place: 1, moreCents: 0 },
        { what: 'build', place: 2, before: build, now: { totalMiB: 32_768, lane: 'third-party' }, moreCents: 1700 },
      ])[0],
    ).toBe('Option 1 is made of other parts; option 2 is 32 GB third-party instead of 16 GB original, €17.00 more.');
  });

  it('and what is agreed beside them; nothing is said so', () => {
    expect(
      said([
        { what: 'suggested', place: 2 },
        { what: 'language', language: 'de' },
        { what: 'no-tax' },
        { what: 'note' },
      ]),
    ).toEqual([
      'Option 2 is suggested; it is in Deutsch; no tax is charged; the message to the customer is different.',
      'Vorschlag 2 ist empfohlen; die Sprache ist Deutsch; keine Steuer wird berechnet; die Nachricht an den Kunden ist anders.',
    ]);
    expect(said([{ what: 'suggested', place: null }])[0]).toBe('None is suggested.');
    expect(said([])).toEqual(['Nothing but its number and date.', 'Nur Nummer und Datum.']);
  });
});
