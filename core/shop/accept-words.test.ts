import { acceptWordsIn, MOST_ACCEPT_LETTERS } from './accept-words';
import { COUNTRIES } from './countries';

test('the button says that the customer has to pay where the Union prescribes it, and the usual word elsewhere', () => {
  expect(acceptWordsIn('DE').de).toBe('Zahlungspflichtig bestellen');
  expect(acceptWordsIn('FR').fr).toBe('Commande avec obligation de paiement');
  expect(acceptWordsIn('IE').en).toBe('Order with obligation to pay');
  for (const country of ['GB', 'CH', 'US', '']) expect(acceptWordsIn(country)).toEqual({});
});

test('what it begins with fits the button', () => {
  for (const words of Object.values(acceptWordsIn('AT'))) expect(words.length).toBeLessThanOrEqual(MOST_ACCEPT_LETTERS);
});

test('all member states of which we know what is usual are among them', () => {
  const euro = COUNTRIES.filter(({ currency, timeZone }) => currency === 'EUR' && timeZone.startsWith('Europe/'));
  expect(euro.length).toBeGreaterThan(10);
  const outside = euro.filter(({ country }) => Object.keys(acceptWordsIn(country)).length === 0);
  // Small states that use the euro without being members.
  expect(outside.filter(({ country }) => !['AD', 'MC', 'SM', 'VA', 'ME', 'XK'].includes(country))).toEqual([]);
});
