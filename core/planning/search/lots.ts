import type { PlanCase } from '../model/case';
import type { Origin } from '../model/lanes';
import type { Make } from '../placement/makes';

/** Some packs of one offer. */
export interface Lot {
  /** place in the case's offers */
  offer: number;
  origin: Origin;
  /** packs */
  count: number;
  modules: number;
  priceCents: number;
  make: Make;
}

/** Offers of one origin whose modules differ in speed alone. */
export interface Ware {
  nr: number;
  origin: Origin;
  /** the body's number */
  body: number;
  makes: readonly Make[];
  /** by number of modules: of each make the cheapest lots of different offers, the cheapest first */
  lots: readonly (readonly Lot[])[];
}

/** Cheaper first; of equally dear ones fewer packs, then the earlier offer. */
function compareLots(a: Lot, b: Lot): number {
  return a.priceCents - b.priceCents || a.count - b.count || a.offer - b.offer;
}

/** A usable offer with what the rules can tell of its modules. */
export interface Usable {
  offer: number;
  make: Make;
}

/**
 * The lots of one make: for each number of modules so many of the cheapest as there may be different offers in a plan. A
 * plan with any other lot is none the worse for having one of these in its place.
 */
function lotsOfMake(planCase: PlanCase, usable: readonly Usable[], sockets: number, offersInPlan: number): Lot[][] {
  const byModules: Lot[][] = [];
  for (const { offer, make } of usable) {
    const pack = planCase.offers[offer];
    if (pack === undefined) continue;
    const most = Math.min(Math.floor(sockets / pack.modules), pack.stock ?? Number.POSITIVE_INFINITY);
    for (let count = 1; count <= most; count++) {
      const modules = count * pack.modules;
      const lot = { offer, origin: pack.origin, count, modules, priceCents: count * pack.priceCents, make };
      byModules[modules] ??= [];
      keepCheapest(byModules[modules] ?? [], lot, offersInPlan);
    }
  }
  return byModules;
}

/** Puts a lot in its place among the cheapest, which are never more than `most`. */
function keepCheapest(lots: Lot[], lot: Lot, most: number): void {
  const last = lots[most - 1];
  if (last !== undefined && compareLots(lot, last) >= 0) return;
  const at = lots.findIndex((other) => compareLots(lot, other) < 0);
  lots.splice(at < 0 ? lots.length : at, 0, lot);
  if (lots.length > most) lots.pop();
}

function grouped<K>(items: readonly Usable[], keyOf: (item: Usable) => K): Usable[][] {
  const groups = new Map<K, Usable[]>();
  for (const item of items) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group === undefined) groups.set(key, [item]);
    else group.push(item);
  }
  return [...groups.values()];
}

/**
 * What can be bought, gathered by body and origin, each by make.
 *
 * @param apart place of an offer that is a ware of its own; null: none
 */
export function groupsOf(planCase: PlanCase, usable: readonly Usable[], apart: number | null = null): Usable[][][] {
  const originOf = ({ offer }: Usable) => planCase.offers[offer]?.origin ?? 'used';
  const alike = grouped(usable, ({ make }) => make.body).flatMap((one) => grouped(one, originOf));
  const groups = apart === null ? alike : alike.flatMap((one) => grouped(one, ({ offer }) => offer === apart));
  return groups.map((group) => grouped(group, ({ make }) => make));
}

/** @param group offers of one body and origin, by make */
export function wareOf(
  planCase: PlanCase,
  nr: number,
  group: readonly Usable[][],
  sockets: number,
  offersInPlan: number,
): Ware {
  const lots: Lot[][] = Array.from({ length: sockets + 1 }, () => []);
  for (const one of group) {
    for (const [modules, cheapest] of lotsOfMake(planCase, one, sockets, offersInPlan).entries()) {
      if (cheapest !== undefined) lots[modules]?.push(...cheapest);
    }
  }
  for (const some of lots) some.sort(compareLots);
  const makes = group.flatMap(([one]) => one?.make ?? []);
  const origin = planCase.offers[group[0]?.[0]?.offer ?? -1]?.origin ?? 'used';
  return { nr, origin, body: makes[0]?.body.nr ?? -1, makes, lots };
}
