import type { PlanCase } from './case';

/** Units bought of one offer, by its place in the case. */
export interface Purchase {
  offer: number;
  count: number;
}

/** The installed modules that stay, as places in `installed`, ascending: all ways the locks allow. */
export function keptSets(installed: PlanCase['installed']): number[][] {
  return installed.reduce<number[][]>(
    (sets, { keep }, index) => {
      const rule = keep ?? 'may';
      const without = rule === 'must' ? [] : sets;
      const withIt = rule === 'never' ? [] : sets.map((set) => [...set, index]);
      return [...without, ...withIt];
    },
    [[]],
  );
}

/**
 * Every way to buy from the given offers into `sockets` empty sockets: whole packs, within stock, at most
 * `maxOffers` different offers. Buying nothing is the first of them.
 */
export function* purchases(
  offers: PlanCase['offers'],
  usable: readonly number[],
  sockets: number,
  maxOffers: number,
): Generator<readonly Purchase[]> {
  yield [];
  if (maxOffers === 0) return;
  for (const [place, offer] of usable.entries()) {
    const pack = offers[offer];
    if (pack === undefined) continue;
    const most = Math.min(Math.floor(sockets / pack.modules), pack.stock ?? Number.POSITIVE_INFINITY);
    for (let count = 1; count <= most; count++) {
      const rest = purchases(offers, usable.slice(place + 1), sockets - count * pack.modules, maxOffers - 1);
      for (const more of rest) yield [{ offer, count }, ...more];
    }
  }
}
