import { agoText, dayText, moneyText, shortMoneyText } from './amounts';
import { localeHere, noteLocale } from './locale-here';

const PLACE = Symbol.for('fenbrik.work-context');

/** As on the server, where a request has a language. */
function within<T>(work: () => T): T {
  const all = globalThis as { [PLACE]?: unknown };
  const request = {};
  all[PLACE] = { getStore: () => request };
  try {
    return work();
  } finally {
    delete all[PLACE];
  }
}

test('amounts, days and times are written as the language of the page writes them', () => {
  within(() => {
    noteLocale('de');
    expect(moneyText(123_450, 'EUR')).toBe('1.234,50\u00a0€');
    expect([shortMoneyText(9000, 'EUR'), shortMoneyText(9050, 'EUR'), shortMoneyText(500, 'JPY')]).toEqual([
      '90\u00a0€',
      '90,50\u00a0€',
      '500\u00a0¥',
    ]);
    expect(dayText('2026-12-09')).toBe('9. Dezember 2026');
    expect(agoText(new Date(0), new Date(300_000))).toBe('vor 5 Minuten');
  });
});

test('without a page it is English', () => {
  expect(localeHere()).toBe('en');
  noteLocale('de');
  expect([moneyText(123_450, 'EUR'), shortMoneyText(9000, 'EUR'), dayText('2026-12-09')]).toEqual([
    '€1,234.50',
    '€90',
    '9 December 2026',
  ]);
});
