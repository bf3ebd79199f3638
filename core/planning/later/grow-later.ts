import type { Installed, Offer, PlanCase } from '../model/case';
import { offerOf } from '../model/offer-of';
import { careLevel, HEADS_UP } from '../rules/care';
import { answer } from '../search/answer';
import type { Plan } from '../search/plan';

/** A step up is felt from half as much again on. */
const STEP = 1.5;

/** What the next step up from a plan would be. */
export type Growth =
  /** nothing on offer takes the machine further from there; so many slots stay free all the same */
  | { is: 'end'; openSlots: number }
  | {
      is: 'step';
      totalMiB: number;
      /** what it costs at today's prices, work included, minor units */
      priceCents: number;
      /** modules of one machine that the plan buys, and how many of them that step keeps */
      boughtNow: number;
      boughtKept: number;
      /** modules of one machine that it takes out, whoever bought them */
      out: number;
    };

/** The module that a plan puts in a slot; null: none that the case has. */
function moduleIn({ installed, offers }: PlanCase, seat: Plan['placement'][string]): Installed['module'] | null {
  if ('kept' in seat) return installed.find(({ slot }) => slot === seat.kept)?.module ?? null;
  return offerOf(offers, seat.offer)?.module ?? null;
}

/** What there is of an offer once a plan has taken its part. */
const stockAfter = (offer: Offer, { bought }: Plan): Offer => {
  const taken = bought.find((one) => one.offer === offer.id)?.count ?? 0;
  return offer.stock == null || taken === 0 ? offer : { ...offer, stock: Math.max(0, offer.stock - taken) };
};

/**
 * The case of a machine in which a plan was fitted: its modules stand where the plan puts them, and what it bought is gone from
 * stock. Nothing has to stay any more, nothing is taken back, and of what is wished for only which offers and rates.
 */
export function caseAfter(planCase: PlanCase, plan: Plan): PlanCase {
  const { lanes, without, minRateMTs, maxOffers } = planCase.goal ?? {};
  return {
    ...planCase,
    installed: planCase.machine.slots.flatMap(({ id }) => {
      const seat = plan.placement[id];
      const module = seat === undefined ? null : moduleIn(planCase, seat);
      return module === null ? [] : [{ slot: id, module }];
    }),
    offers: planCase.offers.map((offer) => stockAfter(offer, plan)),
    goal: {
      ...(lanes != null && { lanes }),
      ...(without != null && { without }),
      ...(minRateMTs != null && { minRateMTs }),
      ...(maxOffers != null && { maxOffers }),
    },
  };
}

/** Of several steps to one total: the cheapest, of equally dear ones that which takes least out. */
const cheaper = (a: Plan, b: Plan): number => a.priceCents - b.priceCents || b.kept.length - a.kept.length;

/**
 * What the next step up would cost today from a machine in which a plan was fitted, and how much of what is bought now it would
 * keep: by planning from there. The next step is the least total that is half as much again or more, where none is so
 * large the largest of all. Steps that the operating system does not see are none, and
 * steps above what is known to work neither, unless the plan goes there itself.
 */
export function growLater(planCase: PlanCase, plan: Plan): Growth {
  const most = Math.max(careLevel(plan.care), HEADS_UP);
  const { plans } = answer(caseAfter(planCase, plan));
  const visible = planCase.machine.os?.visibleMiB ?? Number.POSITIVE_INFINITY;
  const seen = ({ totalMiB }: Plan): number => Math.min(totalMiB, visible);
  const larger = plans.filter((one) => seen(one) > seen(plan) && careLevel(one.care) <= most);
  if (larger.length === 0) return { is: 'end', openSlots: plan.openSlots };
  const totals = larger.map(({ totalMiB }) => totalMiB);
  const felt = totals.filter((totalMiB) => totalMiB >= plan.totalMiB * STEP);
  const totalMiB = felt.length > 0 ? Math.min(...felt) : Math.max(...totals);
  const [step] = larger.filter((one) => one.totalMiB === totalMiB).sort(cheaper);
  if (step === undefined) return { is: 'end', openSlots: plan.openSlots };
  const fitted = Object.entries(plan.placement);
  const bought = fitted.filter(([, seat]) => 'offer' in seat).map(([slot]) => slot);
  return {
    is: 'step',
    totalMiB,
    priceCents: step.priceCents,
    boughtNow: bought.length,
    boughtKept: bought.filter((slot) => step.kept.includes(slot)).length,
    out: fitted.length - step.kept.length,
  };
}
