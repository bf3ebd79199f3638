interface Money {
  format: Intl.NumberFormat;
  /** minor units in one of the currency */
  unit: number;
}

/** Making a format takes longer than a hundred uses of it: each is made once. */
const FORMATS = new Map<string, Money>();

function moneyOf(currency: string, locale: string): Money {
  const key = `${locale} ${currency}`;
  const known = FORMATS.get(key);
  if (known !== undefined) return known;
  const format = new Intl.NumberFormat(locale, { style: 'currency', currency, currencyDisplay: 'narrowSymbol' });
  const money = { format, unit: 10 ** (format.resolvedOptions().maximumFractionDigits ?? 2) };
  FORMATS.set(key, money);
  return money;
}

/**
 * An amount as people read it: `1,234.50 EUR` by the locale's habits, with the currency's own number of decimals
 * (ISO 4217, as the platform's tables have it).
 *
 * @param minor integer minor units
 */
export function moneyText(minor: number, currency: string, locale = 'en'): string {
  const { format, unit } = moneyOf(currency, locale);
  return format.format(minor / unit);
}
