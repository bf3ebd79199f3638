import type { PlanCase } from '../../model/case';
import { ORIGINS, type Origin } from '../../model/lanes';
import { machinesOf, modulesEach, packsAtATime } from '../../model/machines';
import type { ModuleClass } from '../../placement/module-classes';

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
  /** the same by module class */
  lotsOf: Lot[][][];
}

/** What lots are worked out for. */
interface LotsAsked {
  sockets: number;
  /** different offers in one plan, at most */
  offersInPlan: number;
  /** the offer class before some prices changed; null: it is new */
  before: OfferClass | null;
  /** has a price of these changed? */
  isOld: (moduleClass: readonly Usable[]) => boolean;
}

/** Cheaper first; of equally dear ones fewer packs, then the earlier offer. */
export function compareLots(a: Lot, b: Lot): number {
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
  /** by modules in a pack: offers without end that were looked at, all of them cheaper than what comes */
  const endless: number[] = [];
  for (const { offer, moduleClass } of cheapestFirst(planCase, usable)) {
    const pack = planCase.offers[offer];
    if (pack === undefined) continue;
    const cheaper = endless[pack.modules] ?? 0;
    if (cheaper >= offersInPlan) continue;
    if (pack.stock == null) endless[pack.modules] = cheaper + 1;
    // Nearly always there is one machine, and there are many offers: nothing is divided then.
    const step = machines === 1 ? 1 : packsAtATime(planCase, pack);
    const least = machines === 1 ? pack.modules : modulesEach(planCase, pack, step);
    const most = Math.min(Math.floor(sockets / least) * step, pack.stock ?? Number.POSITIVE_INFINITY);
    for (let count = step, modules = least; count <= most; count += step, modules += least) {
      byModules[modules] ??= [];
      const cheapest = byModules[modules] as Lot[];
      const priceCents = count * pack.priceCents;
      // Most are dearer than those that are known.
      if (priceCents > (cheapest[offersInPlan - 1]?.priceCents ?? Number.POSITIVE_INFINITY)) continue;
      keepCheapest(cheapest, { offer, origin: pack.origin, count, modules, priceCents, moduleClass }, offersInPlan);
    }
  }
  return byModules;
}

/** Of equally dear ones the earlier offer. */
function cheapestFirst({ offers }: PlanCase, usable: readonly Usable[]): readonly Usable[] {
  if (usable.length < 2) return usable;
  const priceOf = ({ offer }: Usable) => offers[offer]?.priceCents ?? 0;
  return [...usable].sort((a, b) => priceOf(a) - priceOf(b) || a.offer - b.offer);
}

/** Puts a lot in its place among the cheapest, which are never more than `most`. */
function keepCheapest(lots: Lot[], lot: Lot, most: number): void {
  let at = lots.length;
  while (at > 0 && compareLots(lot, lots[at - 1] as Lot) < 0) at--;
  if (at === most) return;
  lots.splice(at, 0, lot);
  if (lots.length > most) lots.pop();
}

function grouped<T, K>(items: readonly T[], keyOf: (item: T) => K): T[][] {
  const groups = new Map<K, T[]>();
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
  const { offers } = planCase;
  // In one pass to what is alike in all: of those there are few, and they are gathered by one of each.
  const alike = new Map<number, Usable[]>();
  for (const one of usable) {
    const origin = ORIGINS.indexOf(offers[one.offer]?.origin ?? 'used');
    const key = 2 * (one.moduleClass.nr * ORIGINS.length + origin) + (one.offer === apart ? 1 : 0);
    const known = alike.get(key);
    if (known === undefined) alike.set(key, [one]);
    else known.push(one);
  }
  const firstOf = ([first]: Usable[]) => first as Usable;
  const groups = grouped([...alike.values()], (some) => firstOf(some).moduleClass.placementClass)
    .flatMap((some) => grouped(some, (one) => offers[firstOf(one).offer]?.origin))
    .flatMap((some) => grouped(some, (one) => firstOf(one).offer === apart));
  return groups;
}

/** @param group offers of one placement class and origin, by module class */
export function offerClassOf(
  planCase: PlanCase,
  nr: number,
  group: readonly Usable[][],
  { sockets, offersInPlan, before, isOld }: LotsAsked,
): OfferClass {
  const lots: Lot[][] = Array.from({ length: sockets + 1 }, () => []);
  const lotsOf: Lot[][][] = [];
  for (const [at, one] of group.entries()) {
    const known = before?.lotsOf[at];
    const own = known !== undefined && !isOld(one) ? known : lotsOfClass(planCase, one, sockets, offersInPlan);
    lotsOf.push(own);
    for (let modules = 1; modules <= sockets; modules++) lots[modules]?.push(...(own[modules] ?? []));
  }
  for (const some of lots) some.sort(compareLots);
  const moduleClasses = group.flatMap(([one]) => one?.moduleClass ?? []);
  const origin = planCase.offers[group[0]?.[0]?.offer ?? -1]?.origin ?? 'used';
  return { nr, origin, placementClass: moduleClasses[0]?.placementClass.nr ?? -1, moduleClasses, lots, lotsOf };
}
