import type { PlanCase } from '../model/case';
import { packsAtATime } from '../model/machines';
import { offerOf } from '../model/offer-of';
import { evaluateChoice, type PlanChoice } from '../search/evaluate-choice';
import type { Plan } from '../search/plan';
import { brokenWishes, type Wish } from './broken-wishes';
import { type RefusedBecause, refusedBecause, rivalsOf } from './explain-offer';
import { type SetRefusal, setRefusals } from './set-refusals';

/** Where a set that was put together by hand stands beside the ladder. */
export type Standing =
  /** it is on it */
  | { is: 'shown' }
  /** a plan on it is as good in everything; by so much cheaper it would be on it itself, minor units */
  | { is: 'beaten'; by: Plan; cheaperBy: number }
  /** it gives no more than today */
  | { is: 'no-gain' }
  /** it is not what is asked for */
  | { is: 'outside'; broken: { wish: Wish; by: number }[] }
  /** modules that have to stay are taken out, or stay though they have to go: their slots */
  | { is: 'locked'; slots: string[] };

/** What comes of a set that was put together by hand, or what speaks against it. */
export type HandMade =
  | { ok: true; plan: Plan; standing: Standing }
  /** a module or an offer of it is not in the case any more */
  | { ok: false; why: 'changed' }
  /** nothing is in the machine */
  | { ok: false; why: 'empty' }
  /** nothing is bought, and all stays */
  | { ok: false; why: 'today' }
  /** an offer does not fit, whatever is beside it */
  | { ok: false; why: 'refused'; offer: string; because: RefusedBecause[] }
  | { ok: false; why: 'sold-out'; offer: string; stock: number }
  /** packs of it can be shared out among the machines by so many at a time */
  | { ok: false; why: 'uneven'; offer: string; atATime: number }
  /** the modules cannot be together in this machine */
  | { ok: false; why: 'set-refused'; codes: SetRefusal[] };

/** The first offer of a set that cannot be had or used, with why; null: all can. */
function againstOffer(planCase: PlanCase, bought: PlanChoice['bought']): Exclude<HandMade, { ok: true }> | null {
  for (const { offer: id, count } of bought) {
    const offer = offerOf(planCase.offers, id);
    if (offer === undefined) return { ok: false, why: 'changed' };
    const because = refusedBecause(planCase, offer);
    if (because.length > 0) return { ok: false, why: 'refused', offer: id, because };
    if (count > (offer.stock ?? count)) return { ok: false, why: 'sold-out', offer: id, stock: offer.stock ?? 0 };
    const atATime = packsAtATime(planCase, offer);
    if (count % atATime !== 0) return { ok: false, why: 'uneven', offer: id, atATime };
  }
  return null;
}

/** Price of the cheapest plan of original parts with a total, of those that are shown; null: there is none. */
function originalCents(plans: readonly Plan[], totalMiB: number): number | null {
  const prices = plans.filter((one) => one.lane === 'original' && one.totalMiB === totalMiB);
  return prices.length === 0 ? null : Math.min(...prices.map(({ priceCents }) => priceCents));
}

const sameSet = (a: PlanChoice, b: PlanChoice): boolean =>
  a.kept.join('\n') === b.kept.join('\n') &&
  a.bought.length === b.bought.length &&
  a.bought.every(({ offer, count }) => b.bought.some((one) => one.offer === offer && one.count === count));

function standingOf(planCase: PlanCase, plan: Plan, todayMBs: number, plans: readonly Plan[]): Standing {
  const stays = new Set(plan.kept);
  const against = planCase.installed.filter(({ slot, keep }) => (stays.has(slot) ? keep === 'never' : keep === 'must'));
  if (against.length > 0) return { is: 'locked', slots: against.map(({ slot }) => slot) };
  if (plan.addedMiB < 0 || (plan.addedMiB === 0 && plan.bandwidthMBs <= todayMBs)) return { is: 'no-gain' };
  if (plans.some((one) => sameSet(one, plan))) return { is: 'shown' };
  const broken = brokenWishes({ maxOffers: 2, ...definedOf(planCase.goal) }, plan);
  if (broken.length > 0) return { is: 'outside', broken };
  const [by] = rivalsOf(plan, plans, { asDear: false }).sort((a, b) => a.priceCents - b.priceCents);
  // Nothing on the ladder beats it: the ladder was planned before this offer came.
  if (by === undefined || by.priceCents > plan.priceCents) return { is: 'shown' };
  return { is: 'beaten', by, cheaperBy: plan.priceCents - by.priceCents + 1 };
}

/** A goal's own wishes alone. */
const definedOf = (goal: PlanCase['goal']) =>
  Object.fromEntries(Object.entries(goal ?? {}).filter(([, wish]) => wish != null));

/** The ladder that a set stands beside. */
export interface BesideLadder {
  /** bandwidth of what is in the machine, MB/s */
  todayMBs: number;
  plans: readonly Plan[];
}

/**
 * What a set of modules that somebody put together gives in the machine, and where it stands beside the plans of the ladder.
 * Any set that the rules allow is a right choice, also one that a plan of the ladder beats.
 */
export function handMade(planCase: PlanCase, choice: PlanChoice, { todayMBs, plans }: BesideLadder): HandMade {
  const { installed, machine } = planCase;
  if (choice.kept.some((slot) => installed.every((one) => one.slot !== slot))) return { ok: false, why: 'changed' };
  if (choice.bought.length === 0) {
    // The same modules in other slots may be a plan.
    const isPlan = plans.some((plan) => sameSet(plan, choice));
    if (choice.kept.length === installed.length && !isPlan) return { ok: false, why: 'today' };
    if (choice.kept.length === 0 && machine.slots.every(({ soldered }) => soldered == null))
      return { ok: false, why: 'empty' };
  }
  const against = againstOffer(planCase, choice.bought);
  if (against !== null) return against;
  // What else could be bought makes no difference to the set.
  const wanted = new Set(choice.bought.map(({ offer }) => offer));
  const few = { ...planCase, offers: planCase.offers.filter(({ id }) => wanted.has(id)) };
  const kept = installed.flatMap(({ slot }, index) => (choice.kept.includes(slot) ? [index] : []));
  const bought = choice.bought.map(({ offer, count }) => ({
    offer: few.offers.findIndex(({ id }) => id === offer),
    count,
  }));
  const codes = setRefusals(few, kept, bought);
  if (codes.length > 0) return { ok: false, why: 'set-refused', codes };
  const evaluated = evaluateChoice(few, choice, (totalMiB) => originalCents(plans, totalMiB));
  if (!evaluated.ok) return { ok: false, why: 'changed' };
  const { plan } = evaluated;
  return { ok: true, plan, standing: standingOf(planCase, plan, todayMBs, plans) };
}
