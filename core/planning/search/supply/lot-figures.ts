import type { Lot } from './lots';

/** What lots cost together, minor units. */
export function sumOf(lots: readonly Lot[]): number {
  let sum = 0;
  for (const { priceCents } of lots) sum += priceCents;
  return sum;
}

/** The board rate that the slowest of some lots would allow, MT/s. */
export function slowestOf(lots: readonly Lot[]): number {
  let least = Number.POSITIVE_INFINITY;
  for (const { moduleClass } of lots) least = Math.min(least, moduleClass.boardMTs ?? 0);
  return least;
}

/** The same lots, the earlier offer first. They are a few: nothing general is quicker. */
export function byOffer(lots: readonly Lot[]): Lot[] {
  const sorted: Lot[] = [];
  for (const lot of lots) {
    let at = sorted.length;
    sorted.push(lot);
    for (; at > 0 && (sorted[at - 1] as Lot).offer > lot.offer; at--) sorted[at] = sorted[at - 1] as Lot;
    sorted[at] = lot;
  }
  return sorted;
}

export function sameLots(a: readonly Lot[], b: readonly Lot[]): boolean {
  for (let at = 0; at < a.length; at++) if (a[at] !== b[at]) return false;
  return true;
}
