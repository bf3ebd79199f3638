import { byOffer } from './lot-figures';
import type { Lot } from './lots';

const packsOf = (lots: readonly Lot[]): number => lots.reduce((sum, { count }) => sum + count, 0);

/** Of equally dear ways to buy from as many offers, which is taken; below 0: `a`. */
function compareWays(a: readonly Lot[], b: readonly Lot[]): number {
  const packs = packsOf(a) - packsOf(b);
  if (packs !== 0) return packs;
  const [one, other] = [byOffer(a), byOffer(b)];
  let counts = 0;
  for (let at = 0; at < one.length; at++) {
    const [lot, beside] = [one[at] as Lot, other[at] as Lot];
    if (lot.offer !== beside.offer) return lot.offer - beside.offer;
    if (counts === 0) counts = beside.count - lot.count;
  }
  return counts;
}

/**
 * The cheapest way to take one lot of each list, no offer twice; null where there is none.
 *
 * @param lists each the cheapest first
 * @param allowed which ways count
 */
export function cheapestWay(
  lists: readonly (readonly Lot[])[],
  allowed: (lots: readonly Lot[]) => boolean,
): readonly Lot[] | null {
  // What the lists from each on cost at least.
  const least = lists.map(() => 0);
  for (let nr = lists.length - 1; nr >= 0; nr--) {
    least[nr] = (lists[nr]?.[0]?.priceCents ?? Number.POSITIVE_INFINITY) + (least[nr + 1] ?? 0);
  }
  let best: readonly Lot[] | null = null;
  let bestCents = Number.POSITIVE_INFINITY;
  const taken: Lot[] = [];
  const take = (nr: number, cents: number): void => {
    const list = lists[nr];
    if (list === undefined) {
      if (!allowed(taken)) return;
      if (best !== null && cents === bestCents && compareWays(taken, best) >= 0) return;
      best = [...taken];
      bestCents = cents;
      return;
    }
    for (const lot of list) {
      const sum = cents + lot.priceCents;
      if (sum + (least[nr + 1] ?? 0) > bestCents) return;
      if (taken.some(({ offer }) => offer === lot.offer)) continue;
      taken.push(lot);
      take(nr + 1, sum);
      taken.pop();
    }
  };
  take(0, 0);
  return best;
}
