import { daysFrom } from '../day-count';
import type { QuoteTerms } from './terms-schema';

/** Nothing but what is usual. */
export const PLAIN_TERMS: QuoteTerms = {
  discount: null,
  extras: [],
  deposit: null,
  validUntil: null,
  language: null,
  note: '',
};

/** The most days that prices are promised for. */
export const MOST_DAYS = 365;

/** What is wrong with a last day, seen from today; null: nothing. Days as `YYYY-MM-DD`. */
export function validityFault(validUntil: string | null, today: string): string | null {
  if (validUntil === null) return null;
  if (validUntil < today) return 'The prices cannot be valid until a day in the past.';
  return daysFrom(today, validUntil) > MOST_DAYS ? 'The prices can be valid for at most a year.' : null;
}
