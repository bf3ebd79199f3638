import { currencyDecimals } from './currency';

/**
 * Money as people type it, in minor units: `49`, `49.5`, `49,50`, `1 249.00`. Null where it is no amount.
 *
 * @param decimals decimals of the currency (ISO 4217 exponent)
 */
export function parseMoney(text: string, decimals: number): number | null {
  const plain = text.replace(/[\s'’]/g, '').replace(/^[^\d-]+|[^\d]+$/g, '');
  const found = /^(-?)(\d{1,9})(?:[.,](\d{1,4}))?$/.exec(plain);
  if (found === null) return null;
  const fraction = found[3] ?? '';
  if (fraction.length > decimals) return null;
  const minor = Number(found[2]) * 10 ** decimals + Number(fraction.padEnd(decimals, '0') || '0');
  return found[1] === '-' ? -minor : minor;
}

/** Money as people type it, in minor units of a currency (ISO 4217); null where it is no amount of it. */
export const parseMoneyIn = (text: string, currency: string): number | null =>
  parseMoney(text, currencyDecimals(currency));
