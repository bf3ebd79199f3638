import { makeBoard } from '../model/board';
import type { PlanCase } from '../model/case';
import { laneOf, reuseOf } from '../model/lane-and-reuse';
import { packsAtATime } from '../model/machines';
import { planPriceCents } from '../model/price';
import { boughtModules } from '../placement/bought-modules';
import { Places } from '../placement/placement';
import { effectiveLimits } from '../rules/effective-limits';
import { refusalsOf } from '../rules/refuse-offer';
import { mixRefusals } from '../rules/refuse-set';
import { answer } from './answer';
import { asPlan, type Plan, stayOf } from './plan';

/** A plan by what it keeps (slots) and buys (offers), as a quote remembers it. */
export interface PlanChoice {
  kept: readonly string[];
  bought: readonly { offer: string; count: number }[];
}

export type Evaluated = { ok: true; plan: Plan } | { ok: false; code: 'changed' | 'sold-out' | 'refused' };

/** The cheapest plan of original parts that ends at exactly this total; null where there is none. */
function cheapestOriginal(planCase: PlanCase, totalMiB: number): number | null {
  const { plans } = answer({ ...planCase, goal: { lanes: ['original'], minMiB: totalMiB } });
  const prices = plans.filter((plan) => plan.totalMiB === totalMiB).map((plan) => plan.priceCents);
  return prices.length === 0 ? null : Math.min(...prices);
}

/**
 * The figures of a chosen plan in a case as it stands now, whatever the goal.
 *
 * `changed`: a module to keep or an offer is no longer in the case; `sold-out`: fewer in stock than wanted;
 * `refused`: a rule now speaks against it.
 *
 * @param originalOf price of the cheapest plan of original parts with a total, null where there is none; else it is planned for
 */
export function evaluateChoice(
  planCase: PlanCase,
  choice: PlanChoice,
  originalOf: (totalMiB: number) => number | null = (totalMiB) => cheapestOriginal(planCase, totalMiB),
): Evaluated {
  const kept = choice.kept
    .map((slot) => planCase.installed.findIndex((one) => one.slot === slot))
    .sort((a, b) => a - b);
  const bought = choice.bought
    .map(({ offer, count }) => ({ offer: planCase.offers.findIndex(({ id }) => id === offer), count }))
    .sort((a, b) => a.offer - b.offer);
  if (kept.includes(-1) || bought.some(({ offer }) => offer < 0)) return { ok: false, code: 'changed' };
  if (bought.some(({ offer, count }) => count > (planCase.offers[offer]?.stock ?? count))) {
    return { ok: false, code: 'sold-out' };
  }
  const board = makeBoard(planCase);
  const force = effectiveLimits(board);
  const unfit = bought.some(({ offer, count }) => {
    const pack = planCase.offers[offer];
    if (pack === undefined || count % packsAtATime(planCase, pack) !== 0) return true;
    return refusalsOf(pack.module, planCase.machine, force).length > 0;
  });
  if (unfit) return { ok: false, code: 'refused' };
  const places = new Places(board, force, planCase.offers);
  const modules = boughtModules(planCase, places, bought);
  const stay = places.moduleClassesOf(kept);
  const placementClasses = [...stay, ...modules.map(({ moduleClass }) => moduleClass)].map(
    ({ placementClass }) => placementClass,
  );
  const openSlots = modules.reduce((free, one) => free - one.modules, board.sockets.length - kept.length);
  const stayMiB = stay.reduce((sum, { placementClass }) => sum + placementClass.capacityMiB, 0);
  const totalMiB = modules.reduce(
    (sum, one) => sum + one.modules * one.moduleClass.placementClass.capacityMiB,
    stayMiB,
  );
  const fits = openSlots >= 0 && mixRefusals(placementClasses, totalMiB, force).length === 0;
  const placed = fits ? places.best(kept, modules) : null;
  if (placed === null) return { ok: false, code: 'refused' };
  const chosen = {
    lane: laneOf(bought.flatMap(({ offer }) => planCase.offers[offer] ?? [])),
    reuse: reuseOf(board.installed.length, kept.length, bought.length),
    kept,
    bought,
    totalMiB,
    openSlots,
    priceCents: planPriceCents(planCase, kept, bought),
  };
  const original = originalOf(totalMiB) ?? undefined;
  return { ok: true, plan: asPlan(planCase, force, chosen, stayOf(planCase, board, kept), placed, original) };
}
