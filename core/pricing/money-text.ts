/**
 * An amount as people read it: `1,234.50 EUR` by the locale's habits, with the currency's own number of decimals
 * (ISO 4217, as the platform's tables have it).
 *
 * @param minor integer minor units
 */
export function moneyText(minor: number, currency: string, locale = 'en'): string {
  const format = new Intl.NumberFormat(locale, { style: 'currency', currency, currencyDisplay: 'narrowSymbol' });
  return format.format(minor / 10 ** (format.resolvedOptions().maximumFractionDigits ?? 2));
}
