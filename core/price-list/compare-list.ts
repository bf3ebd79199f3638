import type { ListedRow } from './read-row';

/** An offer of the seller as it stands: its price as printed, or, where that was never noted, what it costs. */
export interface StandingOffer {
  offerId: number;
  sku: string;
  modules: number;
  printedCents: number;
}

/** Why a price that moved should be looked at before it counts. */
export type Suspicion = 'decimal-slip' | 'kit-or-single' | 'jump' | 'currency' | 'twice';

export type RowFate =
  | { row: ListedRow; fate: 'new' | 'same' | 'doubtful'; offerId: number | null; suspicion: Suspicion | null }
  | { row: ListedRow; fate: 'up' | 'down'; offerId: number; fromCents: number; suspicion: Suspicion | null };

export interface ComparedList {
  fates: RowFate[];
  /** offers of the seller that the list no longer names */
  gone: StandingOffer[];
}

/** May a person say that it is right after all? Another currency is not counted, and of one number only one row is. */
export const isAcceptable = (suspicion: Suspicion): boolean => suspicion !== 'currency' && suspicion !== 'twice';

/** Prices that moved by more than half are looked at. */
const JUMP = 0.5;

const near = (ratio: number, target: number): boolean => ratio > target * 0.85 && ratio < target * 1.15;

/** What is odd about a price beside the one it had. */
export function suspicionOf(fromCents: number, toCents: number, modules: number): Suspicion | null {
  const ratio = toCents / fromCents;
  if ([10, 100, 1000].some((power) => near(ratio, power) || near(ratio, 1 / power))) return 'decimal-slip';
  if (modules > 1 && (near(ratio, modules) || near(ratio, 1 / modules))) return 'kit-or-single';
  return Math.abs(ratio - 1) > JUMP ? 'jump' : null;
}

/**
 * What a list would change: each row new, the same, dearer or cheaper, or doubtful; what is odd about it; and what the
 * list no longer has.
 *
 * @param currency what the seller prints in
 */
export function compareList(
  rows: readonly ListedRow[],
  standing: readonly StandingOffer[],
  currency: string,
): ComparedList {
  const known = new Map(standing.map((offer) => [offer.sku.toLowerCase(), offer]));
  const seen = new Set<string>();
  const fates = rows.map((row): RowFate => {
    const key = row.sku.toLowerCase();
    const twice = key !== '' && seen.has(key);
    seen.add(key);
    const offer = known.get(key) ?? null;
    const foreign = row.currency !== null && row.currency !== currency;
    const odd: Suspicion | null = twice ? 'twice' : foreign ? 'currency' : null;
    if (row.doubts.length > 0 || row.printedCents === null) {
      return { row, fate: 'doubtful', offerId: offer?.offerId ?? null, suspicion: odd };
    }
    if (offer === null) return { row, fate: 'new', offerId: null, suspicion: odd };
    if (offer.printedCents === row.printedCents) return { row, fate: 'same', offerId: offer.offerId, suspicion: odd };
    return {
      row,
      fate: row.printedCents > offer.printedCents ? 'up' : 'down',
      offerId: offer.offerId,
      fromCents: offer.printedCents,
      suspicion: odd ?? suspicionOf(offer.printedCents, row.printedCents, offer.modules),
    };
  });
  return { fates, gone: standing.filter(({ sku }) => !seen.has(sku.toLowerCase())) };
}
