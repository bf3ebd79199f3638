import type { CareReason } from '../planning/care';
import { type Cover, coverNotice } from '../planning/cover';
import type { Lane } from '../planning/lanes';

/** Reasons that a customer has to agree to: the maker does not vouch for what is fitted, or something that works today is lost. */
const AGREED: ReadonlySet<CareReason> = new Set<CareReason>([
  'ecc-lost',
  'module-off-book',
  'total-off-book',
  'total-unknown',
]);

/** Is it for the customer to agree to before such a plan is fitted? */
export const isAgreed = (reason: CareReason): boolean => AGREED.has(reason);

/** What a customer reads of a plan while the machine is covered; null: nothing. */
export function coverStatement(lane: Lane, cover: Cover): string | null {
  if (coverNotice(lane, cover) === null) return null;
  return cover === 'warranty'
    ? 'Your machine is under warranty. Its maker may ask for the old modules if something has to be claimed: keep them.'
    : 'Your machine has a support contract. Whoever supports it may ask for the maker’s own parts: please ask them first.';
}
