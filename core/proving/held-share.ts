import { capacityText } from '../memory/capacity';

/** What graphics, devices and firmware hold back at least that is believed of any machine, MiB. */
const LEAST_MIB = 512;
/** No usual machine's graphics take more than an eighth of its memory, and hardly more than this beside. MiB. */
const USUAL_MOST_MIB = 2_304;
/** Known shares move by a few MiB between firmwares. */
const STEP_MIB = 64;

/**
 * The most of a machine's memory that its graphics, devices and firmware may hold back before it counts as missing, MiB: an
 * eighth of it, at least 512 MiB and at most 2304 MiB; where earlier proofs of the model tell of a share, the largest of
 * these rounded up to 64 MiB.
 *
 * @param known shares that earlier proofs of this model found, MiB
 */
export function mostHeld(installedMiB: number, known: readonly number[]): number {
  if (known.length > 0) return Math.ceil(Math.max(...known) / STEP_MIB) * STEP_MIB;
  return Math.min(USUAL_MOST_MIB, Math.max(LEAST_MIB, Math.floor(installedMiB / 8)));
}

/** A share in words, and whether it may be that large. */
export function shareWords(heldMiB: number, mostMiB: number): string {
  if (heldMiB <= 0) return '';
  return heldMiB <= mostMiB
    ? `${capacityText(heldMiB)} held by graphics, devices and firmware, of at most ${capacityText(mostMiB)} in this model.`
    : `${capacityText(heldMiB)} missing: graphics, devices and firmware of this model hold ${capacityText(mostMiB)} at most.`;
}

/**
 * Do some of these modules add up to a total that a screen shows?
 *
 * @param heldMiB what may be held back of it, MiB; 0: the screen counts the modules themselves
 */
export function isSomeTotal(totalMiB: number, modules: readonly number[], heldMiB: number): boolean {
  const sums = new Set([0]);
  for (const mib of modules) for (const one of [...sums]) sums.add(one + mib);
  return [...sums].some((one) => one > 0 && totalMiB <= one && totalMiB >= one - heldMiB);
}

/** A total as screens show it, `15.9 GB`, `16096 MB`, `15,9`; a bare number is GB. In MiB; null: it is none. */
export function parseShown(text: string): number | null {
  const match = /^\s*(\d{1,7}(?:[.,]\d{1,3})?)\s*(g|gb|gib|m|mb|mib|t|tb|tib)?\s*$/i.exec(text);
  if (match === null) return null;
  const value = Number((match[1] ?? '').replace(',', '.'));
  const unit = (match[2] ?? 'g').toLowerCase()[0];
  const mib = Math.round(value * (unit === 'm' ? 1 : unit === 't' ? 1024 * 1024 : 1024));
  return mib > 0 && mib <= 67_108_864 ? mib : null;
}
