/** What a price cell says: minor units and the currency where it is told; or why it is no price. */
export type ListPrice =
  | { ok: true; cents: number; currency: string | null }
  | { ok: false; why: 'empty' | 'date' | 'no-price' | 'not-positive' | 'on-request' };

const SIGNS: Record<string, string> = { '€': 'EUR', $: 'USD', '£': 'GBP' };
const DATE = /^\d{1,4}[./-]\d{1,2}[./-]\d{1,4}$/;
/** Dearer than any unit of memory: it is no price, minor units. */
const MOST_CENTS = 100_000_000;
const ON_REQUEST = /\b(request|call|tba|tbd|anfrage|demande|poa)\b/i;

/**
 * Figures with marks between thousands and before decimals, as lists write them either way: the last mark is the
 * decimal one where one or two figures follow it, or where the marks differ.
 *
 * @returns minor units; null where it is no number
 */
function centsOf(figures: string, decimals: number): number | null {
  const plain = figures.replace(/[\s'’\u00a0\u202f]/g, '');
  if (!/^-?\d[\d.,]*$/.test(plain)) return null;
  const negative = plain.startsWith('-');
  const body = negative ? plain.slice(1) : plain;
  const marks = [...body].filter((letter) => letter === '.' || letter === ',');
  const last = Math.max(body.lastIndexOf('.'), body.lastIndexOf(','));
  const behind = last < 0 ? 0 : body.length - last - 1;
  // Where a currency has three decimals, three figures behind the only mark, or behind another one, are these.
  const isThree = decimals === 3 && behind === 3 && (marks.length === 1 || new Set(marks).size === 2);
  const decimal = last >= 0 && (behind <= 2 || isThree || (marks.length === 1 && behind === 4));
  const grouped = decimal ? body.slice(0, last) : body;
  if (!/^(\d+|\d{1,3}([.,]\d{3})+)$/.test(grouped)) return null;
  const whole = grouped.replace(/[.,]/g, '');
  const fraction = decimal ? body.slice(last + 1) : '';
  if (!/^\d{1,9}$/.test(whole) || !/^\d{0,4}$/.test(fraction)) return null;
  const unit = 10 ** decimals;
  const cents = Number(whole) * unit + Math.round(Number(`0.${fraction || '0'}`) * unit);
  return negative ? -cents : cents;
}

/** As most prices are written. */
const PLAIN = /^\d{1,7}[.,]\d\d$/;

const plainPrice = (cents: number): ListPrice =>
  cents > 0 ? { ok: true, cents, currency: null } : { ok: false, why: 'not-positive' };

/**
 * A cell of a price column. Never guesses: a date, a word or nothing is told as that.
 *
 * @param decimals of the seller's currency (ISO 4217)
 */
export function listPrice(cell: string, decimals = 2): ListPrice {
  const text = cell.trim();
  if (decimals === 2 && PLAIN.test(text)) return plainPrice(Number(text.replace(/[.,]/, '')));
  if (text === '' || text === '-' || text === '–') return { ok: false, why: 'empty' };
  if (ON_REQUEST.test(text)) return { ok: false, why: 'on-request' };
  if (DATE.test(text) && text.split(/[./-]/).length === 3 && !/^\d{1,3}([.,]\d{3})+$/.test(text)) {
    return { ok: false, why: 'date' };
  }
  const sign = /[€$£]/.exec(text)?.[0];
  const code = /\b[A-Z]{3}\b/.exec(text)?.[0];
  const cents = centsOf(
    text
      .replace(/[€$£]/g, '')
      .replace(/\b[A-Z]{3}\b/g, '')
      .replace(/,-+$|\.-+$/, '')
      .trim(),
    decimals,
  );
  if (cents === null || cents > MOST_CENTS) return { ok: false, why: 'no-price' };
  if (cents <= 0) return { ok: false, why: 'not-positive' };
  return { ok: true, cents, currency: code ?? (sign === undefined ? null : (SIGNS[sign] ?? null)) };
}
