const DECIMALS = new Map<string, number>();

/**
 * Decimals of a currency: its exponent by ISO 4217, which ECMA-402 takes its digits from (EUR 2, JPY 0, BHD 3).
 *
 * @param currency ISO 4217 code
 * @throws RangeError where it has not three letters
 */
export function currencyDecimals(currency: string): number {
  const known = DECIMALS.get(currency);
  if (known !== undefined) return known;
  const format = new Intl.NumberFormat('en', { style: 'currency', currency });
  const decimals = format.resolvedOptions().maximumFractionDigits ?? 2;
  DECIMALS.set(currency, decimals);
  return decimals;
}

/** An amount as it is typed where nobody minds the decimals: `90`, `49.5`. */
export const shortMoney = (minor: number, currency: string): string => String(Number(plainMoney(minor, currency)));

/** An amount as it is typed and as files carry it: `1234.50`, with all decimals of the currency, no mark and no group. */
export function plainMoney(minor: number, currency: string): string {
  const decimals = currencyDecimals(currency);
  const digits = String(Math.abs(minor)).padStart(decimals + 1, '0');
  const whole = digits.slice(0, digits.length - decimals);
  const fraction = decimals === 0 ? '' : `.${digits.slice(-decimals)}`;
  return `${minor < 0 ? '-' : ''}${whole}${fraction}`;
}
