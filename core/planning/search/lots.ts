import type { PlanCase } from '../model/case';
import type { Origin } from '../model/lanes';
import { machinesOf, modulesEach, packsAtATime } from '../model/machines';
import type { ModuleClass } from '../placement/module-classes';

/** Some packs of one offer. */
export interface Lot {
  /** place in the case's offers */
  offer: number;
  origin: Origin;
  /** packs for all machines */
  count: number;
  /** modules in each machine */
  modules: number;
  priceCents: number;
  moduleClass: ModuleClass;
}

/** Offers of one origin whose modules differ in speed alone. */
export interface OfferClass {
  nr: number;
  origin: Origin;
  /** the placement class’s number */
  placementClass: number;
  moduleClasses: readonly ModuleClass[];
  /** by number of modules in a machine: of each module class the cheapest lots of different offers, the cheapest first */
  lots: readonly (readonly Lot[])[];
}

/** Cheaper first; of equally dear ones fewer packs, then the earlier offer. */
function compareLots(a: Lot, b: Lot): number {
  return a.priceCents - b.priceCents || a.count - b.count || a.offer - b.offer;
}

/** A usable offer with what the rules can tell of its modules. */
export interface Usable {
  offer: number;
  moduleClass: ModuleClass;
}

/**
 * The lots of one module class: for each number of modules so many of the cheapest as there may be different offers in a plan. A
 * plan with any other lot is none the worse for having one of these in its place.
 */
function lotsOfClass(planCase: PlanCase, usable: readonly Usable[], sockets: number, offersInPlan: number): Lot[][] {
  const byModules: Lot[][] = [];
  const machines = machinesOf(planCase);
  for (const { offer, moduleClass } of usable) {
    const pack = planCase.offers[offer];
    if (pack === undefined) continue;
    // Nearly always there is one machine, and there are many offers: nothing is divided then.
    const step = machines === 1 ? 1 : packsAtATime(planCase, pack);
    const least = machines === 1 ? pack.modules : modulesEach(planCase, pack, step);
    const most = Math.min(Math.floor(sockets / least) * step, pack.stock ?? Number.POSITIVE_INFINITY);
    for (let count = step, modules = least; count <= most; count += step, modules += least) {
      const lot = { offer, origin: pack.origin, count, modules, priceCents: count * pack.priceCents, moduleClass };
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
 * What can be bought, gathered by placement class and origin, each by module class.
 *
 * @param apart place of an offer that is an offer class of its own; null: none
 */
export function groupsOf(planCase: PlanCase, usable: readonly Usable[], apart: number | null = null): Usable[][][] {
  const originOf = ({ offer }: Usable) => planCase.offers[offer]?.origin ?? 'used';
  const alike = grouped(usable, ({ moduleClass }) => moduleClass.placementClass).flatMap((one) =>
    grouped(one, originOf),
  );
  const groups = apart === null ? alike : alike.flatMap((one) => grouped(one, ({ offer }) => offer === apart));
  return groups.map((group) => grouped(group, ({ moduleClass }) => moduleClass));
}

/** @param group offers of one placement class and origin, by module class */
export function offerClassOf(
  planCase: PlanCase,
  nr: number,
  group: readonly Usable[][],
  sockets: number,
  offersInPlan: number,
): OfferClass {
  const lots: Lot[][] = Array.from({ length: sockets + 1 }, () => []);
  for (const one of group) {
    for (const [modules, cheapest] of lotsOfClass(planCase, one, sockets, offersInPlan).entries()) {
      if (cheapest !== undefined) lots[modules]?.push(...cheapest);
    }
  }
  for (const some of lots) some.sort(compareLots);
  const moduleClasses = group.flatMap(([one]) => one?.moduleClass ?? []);
  const origin = planCase.offers[group[0]?.[0]?.offer ?? -1]?.origin ?? 'used';
  return { nr, origin, placementClass: moduleClasses[0]?.placementClass.nr ?? -1, moduleClasses, lots };
}
