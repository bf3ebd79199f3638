import { currencyDecimals } from './currency';

/** Making a format takes longer than a hundred uses of it: each is made once. */
const FORMATS = new Map<string, Intl.NumberFormat>();

function formatOf(currency: string, locale: string): Intl.NumberFormat {
  const key = `${locale} ${currency}`;
  const known = FORMATS.get(key);
  if (known !== undefined) return known;
  const format = new Intl.NumberFormat(locale, { style: 'currency', currency, currencyDisplay: 'narrowSymbol' });
  FORMATS.set(key, format);
  return format;
}

/**
 * An amount as people read it: `€1,234.50` by the locale's habits, with the currency's own number of decimals
 * (ISO 4217, as the platform's tables have it).
 *
 * @param minor integer minor units
 */
export function moneyText(minor: number, currency: string, locale = 'en'): string {
  return formatOf(currency, locale).format(minor / 10 ** currencyDecimals(currency));
}
