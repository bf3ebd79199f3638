import type { Offer } from './case';

/** Offers by their id, of each list that was asked for. */
const INDEXES = new WeakMap<readonly Offer[], ReadonlyMap<string, Offer>>();

/** The offer of that id; undefined: there is none. Quick in a list of thousands, which must not change afterwards. */
export function offerOf(offers: readonly Offer[], id: string | undefined): Offer | undefined {
  if (id === undefined) return undefined;
  let index = INDEXES.get(offers);
  if (index === undefined) {
    // Of several with one id the first counts.
    index = new Map([...offers].reverse().map((offer) => [offer.id, offer]));
    INDEXES.set(offers, index);
  }
  return index.get(id);
}
