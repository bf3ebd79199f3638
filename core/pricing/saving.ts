/**
 * A saving in whole percent of what the original would cost, rounded towards zero so that it is never overstated.
 *
 * @returns null where nothing is saved or the original costs nothing
 */
export function savingPercent(savingCents: number, priceCents: number): number | null {
  const original = savingCents + priceCents;
  return savingCents <= 0 || original <= 0 ? null : Math.floor((savingCents * 100) / original);
}
