import { makeBoard } from '../model/board';
import type { Offer, PlanCase } from '../model/case';
import { modulesEach, packsAtATime } from '../model/machines';
import { Places } from '../placement/placement';
import { careLevel } from '../rules/care';
import { type EffectiveLimits, effectiveLimits } from '../rules/effective-limits';
import { type OfferRefusal, refusalsOf } from '../rules/refuse-offer';
import { atLeastAsGood } from '../search/frontier';
import { keptSets } from '../search/kept-sets';
import type { Plan } from '../search/plan';
import { Planner } from '../search/planner';
import { brokenWishes, type Wish } from './broken-wishes';
import { type SetRefusal, setRefusals } from './set-refusals';

/** A code with what the module is like and what the machine takes, as far as they can be told in a number or word. */
export interface RefusedBecause {
  code: OfferRefusal;
  is: string | number | null;
  takes: string | number | null;
}

/** Why an offer is in no plan, or in which it is. */
export type OfferExplained =
  | { kind: 'in-plans'; plans: Plan[] }
  | { kind: 'refused'; because: RefusedBecause[] }
  | { kind: 'sold-out' }
  | { kind: 'left-out' }
  /** fewer in stock than the machines need at least to be fitted alike, packs */
  | { kind: 'too-few'; needed: number; stock: number }
  /** `modules`: at least so many in each machine; `free`: the most sockets that can be free for it */
  | { kind: 'no-room'; modules: number; free: number }
  /** what speaks against the set with it against which least speaks */
  | { kind: 'set-refused'; codes: SetRefusal[] }
  | { kind: 'no-gain' }
  /** the best plan with it is outside what is wished for */
  | { kind: 'outside-goal'; plan: Plan; broken: { wish: Wish; by: number }[] }
  /** the best plan with it, and a shown one that is as good in everything or better */
  | { kind: 'beaten'; own: Plan; by: Plan };

/** Why an offer cannot be in a machine, whatever is beside it, in the order of the rules; empty: it can. */
export function refusedBecause(planCase: PlanCase, offer: Offer): RefusedBecause[] {
  const force = effectiveLimits(makeBoard(planCase));
  const told = because(offer, planCase, force);
  return refusalsOf(offer.module, planCase.machine, force).map((code) => told[code]);
}

function because(
  { module }: Offer,
  { machine }: PlanCase,
  force: EffectiveLimits,
): Record<OfferRefusal, RefusedBecause> {
  const kindOf = (one: { buffering: string; ecc: boolean }) => `${one.buffering}${one.ecc ? ' ECC' : ''}`;
  const of = (code: OfferRefusal, is: RefusedBecause['is'], takes: RefusedBecause['takes']) => ({ code, is, takes });
  return {
    generation: of('generation', module.generation, machine.generations.join(', ')),
    form: of('form', module.form, machine.form),
    kind: of('kind', kindOf(module), machine.kinds.map(kindOf).join(', ')),
    voltage: of('voltage', module.voltagesMv.join(', '), machine.voltagesMv.join(', ')),
    'module-failed': of('module-failed', module.capacityMiB, null),
    'module-size': of(
      'module-size',
      module.capacityMiB,
      Math.max(force.module.official ?? 0, force.module.proven ?? 0),
    ),
    height: of('height', module.heightMm ?? null, machine.clearanceMm ?? null),
    density: of('density', module.deviceGbit ?? null, machine.maxDeviceGbit ?? null),
    width: of('width', module.deviceWidth ?? null, (machine.deviceWidths ?? []).join(', ')),
    rate: of('rate', module.rateMTs, force.boardRates[0] ?? null),
  };
}

const figures = (plan: Plan) => ({ ...plan, care: careLevel(plan.care) });

/** The shown plans that are at least as good as another in all, or in all but the price, and are held against it. */
export function rivalsOf(plan: Plan, shown: readonly Plan[], { asDear }: { asDear: boolean }): Plan[] {
  const own = figures(plan);
  return shown.filter(
    (other) =>
      (plan.lane === 'mixed' || (other.lane === plan.lane && other.reuse === plan.reuse)) &&
      atLeastAsGood(figures(other), asDear ? own : { ...own, priceCents: other.priceCents }),
  );
}

/** The shown plan that beats one of an offer's, of all such pairs the one in which the least money is between them. */
function closestBeaten(own: readonly Plan[], shown: readonly Plan[]): { own: Plan; by: Plan } | null {
  const pairs = own.flatMap((plan) => rivalsOf(plan, shown, { asDear: true }).map((by) => ({ own: plan, by })));
  const between = (pair: { own: Plan; by: Plan }) => pair.own.priceCents - pair.by.priceCents;
  return pairs.sort((a, b) => between(a) - between(b))[0] ?? null;
}

/** Why no set with an offer counts, whatever is wished for. */
function whyNone(planCase: PlanCase, nr: number): OfferExplained {
  const board = makeBoard(planCase);
  const places = new Places(board, effectiveLimits(board), planCase.offers);
  const offer = planCase.offers[nr] as Offer;
  const sets = keptSets(planCase, board, places.moduleClasses);
  const free = Math.max(0, ...sets.map(({ kept }) => board.sockets.length - kept.length));
  const step = packsAtATime(planCase, offer);
  const least = modulesEach(planCase, offer, step);
  if (least > free) return { kind: 'no-room', modules: least, free };
  if (step > (offer.stock ?? step)) return { kind: 'too-few', needed: step, stock: offer.stock ?? 0 };
  const refused = sets.flatMap(({ kept }) => {
    const room = Math.floor((board.sockets.length - kept.length) / least);
    const most = Math.min(room, Math.floor((offer.stock ?? room * step) / step));
    return Array.from({ length: most }, (_, at) =>
      setRefusals(planCase, kept, [{ offer: nr, count: (at + 1) * step }]),
    );
  });
  // What can be placed and still is no plan gives no more than there is today.
  if (refused.some((codes) => codes.length === 0)) return { kind: 'no-gain' };
  const [fewest] = refused.sort((a, b) => a.length - b.length);
  return { kind: 'set-refused', codes: fewest ?? [] };
}

/** The best plan with an offer that a goal shuts out: it breaks the fewest wishes, and costs least of such. */
function nearestOutside(planner: Planner, goal: PlanCase['goal'], id: string): OfferExplained | null {
  planner.change({ goal: { maxOffers: goal?.maxOffers ?? null } });
  const plans = planner.plansWith(id).map((plan) => ({ plan, broken: brokenWishes(goal ?? {}, plan) }));
  const [nearest] = plans.sort((a, b) => a.broken.length - b.broken.length || a.plan.priceCents - b.plan.priceCents);
  return nearest === undefined ? null : { kind: 'outside-goal', ...nearest };
}

/** Explains an offer of a case; null where the case has no such offer. */
export function explainOffer(planCase: PlanCase, id: string): OfferExplained | null {
  const nr = planCase.offers.findIndex((offer) => offer.id === id);
  const offer = planCase.offers[nr];
  if (offer === undefined) return null;
  const planner = new Planner(planCase);
  const { goal } = planCase;
  const refused = refusedBecause(planCase, offer);
  if (refused.length > 0) return { kind: 'refused', because: refused };
  if (offer.stock === 0) return { kind: 'sold-out' };
  if (goal?.without?.includes(id)) return { kind: 'left-out' };
  const { plans } = planner.answer();
  const having = plans.filter(({ bought }) => bought.some((one) => one.offer === id));
  if (having.length > 0) return { kind: 'in-plans', plans: having };
  const pair = closestBeaten(planner.plansWith(id), plans);
  if (pair !== null) return { kind: 'beaten', ...pair };
  return nearestOutside(planner, goal, id) ?? whyNone(planCase, nr);
}
