import type { Goal, PlanCase } from '../model/case';
import { CASE_LIMITS } from '../model/case-limits';
import { machinesOf } from '../model/machines';
import { offerOf } from '../model/offer-of';
import { Planner } from '../search/planner';
import type { Wish } from './broken-wishes';
import type { OfferExplained } from './explain-offer';

/** What would have to change for an offer to be in a plan. */
export type Remedy =
  /** the pack would have to cost no more than this, minor units */
  | { what: 'price'; cents: number }
  /** the goal would have to be this; `wishes` are those that are widened */
  | { what: 'goal'; goal: Goal; wishes: Wish[] }
  /** there would have to be so many of it */
  | { what: 'stock'; count: number }
  /** these installed modules would have to be allowed to go */
  | { what: 'unlock'; slots: string[] }
  /** modules of this size would have to be seen working in the machine, MiB */
  | { what: 'prove'; mib: number };

/** The case with a change made. */
export function withRemedy(planCase: PlanCase, id: string, remedy: Remedy): PlanCase {
  const { machine, offers, installed } = planCase;
  const offerWith = (change: object) => offers.map((offer) => (offer.id === id ? { ...offer, ...change } : offer));
  switch (remedy.what) {
    case 'price':
      return { ...planCase, offers: offerWith({ priceCents: remedy.cents }) };
    case 'stock':
      return { ...planCase, offers: offerWith({ stock: remedy.count }) };
    case 'goal':
      return { ...planCase, goal: remedy.goal };
    case 'unlock':
      return {
        ...planCase,
        installed: installed.map((one) => (remedy.slots.includes(one.slot) ? { ...one, keep: 'may' } : one)),
      };
    case 'prove': {
      const module = machine.ceilings?.moduleMiB;
      const proven = Math.max(remedy.mib, module?.proven ?? 0);
      const failed = (module?.failed ?? []).filter((mib) => mib !== remedy.mib);
      const ceilings = { ...machine.ceilings, moduleMiB: { ...module, proven, failed } };
      return { ...planCase, machine: { ...machine, ceilings } };
    }
  }
}

const isIn = (planner: Planner, id: string): boolean =>
  planner.answer().plans.some(({ bought }) => bought.some(({ offer }) => offer === id));

/** The most that a pack may cost to be in a plan; null: it is in none at any price. */
function highestPrice(planCase: PlanCase, id: string): number | null {
  const offer = offerOf(planCase.offers, id);
  if (offer === undefined) return null;
  const planner = new Planner(planCase);
  const isInAt = (cents: number): boolean => {
    planner.change({ prices: { [id]: cents } });
    return isIn(planner, id);
  };
  if (!isInAt(0)) return null;
  // At its own price it is in none; the cheaper, the sooner it is in one.
  let [low, high] = [0, offer.priceCents];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (isInAt(middle)) low = middle;
    else high = middle;
  }
  return low;
}

function widened(goal: Goal, { plan, broken }: Extract<OfferExplained, { kind: 'outside-goal' }>): Goal {
  const to: { [W in Wish]?: () => Partial<Goal> } = {
    minMiB: () => ({ minMiB: plan.totalMiB }),
    maxPriceCents: () => ({ maxPriceCents: plan.priceCents }),
    minOpenSlots: () => ({ minOpenSlots: plan.openSlots }),
    minRateMTs: () => ({ minRateMTs: plan.rateMTs }),
    lanes: () => ({ lanes: [...(goal.lanes ?? []), plan.lane] }),
    without: () => ({ without: (goal.without ?? []).filter((id) => plan.bought.every(({ offer }) => offer !== id)) }),
    maxOffers: () => ({ maxOffers: Math.min(plan.bought.length, CASE_LIMITS.offersInPlan) }),
  };
  return Object.assign({}, goal, ...broken.map(({ wish }) => to[wish]?.()));
}

/** What might help, before it is tried. */
function candidates(planCase: PlanCase, id: string, explained: OfferExplained): Remedy[] {
  const goal = planCase.goal ?? {};
  const offer = offerOf(planCase.offers, id);
  const locked = planCase.installed.filter(({ keep }) => keep === 'must').map(({ slot }) => slot);
  const unlock: Remedy[] = locked.length === 0 ? [] : [{ what: 'unlock', slots: locked }];
  if (offer === undefined) return [];
  switch (explained.kind) {
    case 'in-plans':
    case 'no-gain':
      return [];
    case 'refused': {
      const isSize = explained.because.every(({ code }) => code === 'module-size' || code === 'module-failed');
      return isSize ? [{ what: 'prove', mib: offer.module.capacityMiB }] : [];
    }
    case 'sold-out':
      return [{ what: 'stock', count: machinesOf(planCase) * planCase.machine.slots.length }];
    case 'too-few':
      return [{ what: 'stock', count: explained.needed }];
    case 'left-out': {
      const without = (goal.without ?? []).filter((one) => one !== id);
      return [{ what: 'goal', goal: { ...goal, without }, wishes: ['without'] }];
    }
    case 'no-room':
    case 'set-refused':
      return unlock;
    case 'outside-goal': {
      const wishes = explained.broken.map(({ wish }) => wish);
      return [{ what: 'goal', goal: widened(goal, explained), wishes }];
    }
    case 'beaten': {
      const cents = highestPrice(planCase, id);
      return cents === null ? unlock : [{ what: 'price', cents }, ...unlock];
    }
  }
}

/** What would bring an offer into a plan: each was tried by planning again, and those that do not help are left out. */
export function remediesFor(planCase: PlanCase, id: string, explained: OfferExplained): Remedy[] {
  return candidates(planCase, id, explained).filter((remedy) =>
    // The price was found by planning again.
    remedy.what === 'price' ? true : isIn(new Planner(withRemedy(planCase, id, remedy)), id),
  );
}
