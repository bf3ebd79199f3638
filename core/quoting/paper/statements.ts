import { type Cover, coverNotice } from '../../planning/filters/cover';
import type { Lane } from '../../planning/model/lanes';
import type { Fitting } from '../words/paper-words';
import type { TextKey } from '../words/shop-texts';

/**
 * Texts that a customer has to agree to: the maker does not vouch for what is fitted, something that works today is lost, or
 * a cover is at stake.
 */
const AGREED: ReadonlySet<TextKey> = new Set<TextKey>([
  'ecc-lost',
  'module-off-book',
  'total-off-book',
  'total-unknown',
  'cover-warranty',
  'cover-support',
  'parts-only',
  'if-not',
  'own-part',
]);

/** Is it for the customer to agree to before such a plan is fitted? */
export const isAgreed = (key: TextKey): boolean => AGREED.has(key);

/** The text that a customer reads of a plan while the machine is covered; null: none. */
export function coverText(lane: Lane, cover: Cover): 'cover-warranty' | 'cover-support' | null {
  if (coverNotice(lane, cover) === null) return null;
  return cover === 'warranty' ? 'cover-warranty' : 'cover-support';
}

/** How many of these options the shop fits. */
export function fittingOf(options: readonly { partsOnly?: true | undefined }[]): Fitting {
  const home = options.filter(({ partsOnly }) => partsOnly === true).length;
  return home === 0 ? 'all' : home === options.length ? 'none' : 'some';
}
