import { compareLists } from '../model/compare-lists';
import type { Lot } from './lots';

const offersOf = (lots: readonly Lot[]): number[] => lots.map(({ offer }) => offer).sort((a, b) => a - b);

function countsOf(lots: readonly Lot[]): number[] {
  return [...lots].sort((a, b) => a.offer - b.offer).map(({ count }) => -count);
}

/** Of equally dear ways to buy from as many offers, which is taken; below 0: `a`. */
function compareWays(a: readonly Lot[], b: readonly Lot[]): number {
  const packs = (lots: readonly Lot[]) => lots.reduce((sum, { count }) => sum + count, 0);
  return packs(a) - packs(b) || compareLists(offersOf(a), offersOf(b)) || compareLists(countsOf(a), countsOf(b));
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
