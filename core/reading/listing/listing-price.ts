import { currencyDecimals } from '../../pricing/currency';
import { parseMoney } from '../../pricing/parse-money';
import type { ListingNotes } from './listing-notes';
import { type ListingText, probe } from './listing-text';

/** Signs and codes of currencies that sellers write (ISO 4217). A sign that several currencies share names none. */
const CURRENCIES: Record<string, string | null> = {
  '€': 'EUR',
  eur: 'EUR',
  euro: 'EUR',
  '£': 'GBP',
  gbp: 'GBP',
  $: null,
  us$: 'USD',
  usd: 'USD',
  chf: 'CHF',
  sek: 'SEK',
  nok: 'NOK',
  dkk: 'DKK',
  pln: 'PLN',
  czk: 'CZK',
  kr: null,
  aud: 'AUD',
  cad: 'CAD',
  '¥': null,
  jpy: 'JPY',
};

const SIGN = '(?:us\\$|€|£|\\$|¥|eur(?:o)?|gbp|usd|chf|sek|nok|dkk|pln|czk|kr|aud|cad|jpy)';
const SIGNS = Object.keys(CURRENCIES).map(probe);
const AMOUNT = "(?:\\d{1,3}(?:[ .,'’]\\d{3})+|\\d{1,6})(?:[.,]\\d{2}(?!\\d))?";
const PRICES = [
  new RegExp(`(?<![a-z0-9])(?<sign>${SIGN})\\.? ?(?<amount>${AMOUNT})(?![\\d]|[.,]\\d| ?(?:gb|mb|x))`, 'g'),
  new RegExp(`(?<![\\d.,a-z-])(?<amount>${AMOUNT})(?:,-| ?-)? ?(?<sign>${SIGN})(?![a-z0-9])`, 'g'),
];

/** The last of the marks parts the decimals where two digits follow it; all others group thousands. */
function plainAmount(text: string): string {
  const decimals = /[.,](\d{2})$/.exec(text);
  const whole = (decimals === null ? text : text.slice(0, -3)).replace(/[ .,'’]/g, '');
  return decimals === null ? whole : `${whole}.${decimals[1]}`;
}

/** A price with its currency. */
export function readPrice(text: ListingText, notes: ListingNotes): void {
  if (!text.hasAny(SIGNS)) return;
  for (const pattern of PRICES) {
    text.each(pattern, (match, span) => {
      const { sign = '', amount = '' } = match.groups ?? {};
      const currency = CURRENCIES[sign] ?? null;
      const cents = parseMoney(plainAmount(amount), currency === null ? 2 : currencyDecimals(currency));
      if (cents === null || cents <= 0) return false;
      notes.note('priceCents', cents, span);
      if (currency !== null) notes.note('currency', currency, span);
      return true;
    });
  }
}
