import { type CountingGround, countedPrice, type PriceStep } from '../pricing/counted-price';
import type { ListedRow } from './read-row';

/** The largest amount that is kept, minor units. */
const MOST_CENTS = 2_000_000_000;

/** What a row comes to for the shop, minor units of its currency, or why its price cannot be counted, where that can be said. */
export type RowCost =
  | { ok: true; costCents: number /** where there is more than the printed price */; steps: PriceStep[] | null }
  | { ok: false; sentence: string | null };

/** Counts a row's price by its seller's terms; one in another currency than theirs is not counted. */
export function rowCost(
  { printedCents, currency, modules }: Pick<ListedRow, 'printedCents' | 'currency' | 'modules'>,
  ground: CountingGround,
): RowCost {
  if (printedCents === null || (currency !== null && currency !== ground.terms.currency)) {
    return { ok: false, sentence: null };
  }
  const counted = countedPrice({ cents: printedCents, coupon: null, modules, units: 1 }, ground.terms, ground);
  if (!counted.ok) return counted;
  const { costCents, steps } = counted;
  if (costCents <= 0 || costCents > MOST_CENTS) return { ok: false, sentence: null };
  return { ok: true, costCents, steps: steps.length > 1 ? steps : null };
}
