import { type AgedPrice, agedPrice, priceDays } from '../../../core/market/aged-price';
import type { PlanCase } from '../../../core/planning/model/case';
import { caseFor } from '../../../core/planning/model/parts-only';
import type { JobWith } from '../slices/slice';
import type { OfferRating } from './offers-for-job';

/** Where an offer's modules come from. */
export interface OfferSupply {
  seller: string;
  leadDays: number | null;
  /** why its price may not hold any more; null: nothing speaks against it */
  aged: AgedPrice | null;
  /** days since its price was noted; null: it is the shop's own */
  priceDays: number | null;
  /** lists of tested parts of this model that name it */
  testedBy: string[];
  /** what buyers say of it itself; left out: nothing */
  rated?: OfferRating;
  /** address of its own page; left out: none is known */
  page?: string;
  /** how long its maker or seller answers for it, months; left out: nobody says */
  guaranteeMonths?: number;
}

/** What of a job is as large as its market. */
export interface MarketView {
  planCase: PlanCase | null;
  supplies: Record<string, OfferSupply>;
  /** what is said of the sellers of these, by name: once, since one sells thousands */
  sellersRated: Record<string, OfferRating>;
}

/** The case that the ladder is planned from: with fitting, or of parts to take home; null: something is still asked. */
export const ladderCase = ({ jobCase, job }: JobWith<'market'>): PlanCase | null =>
  jobCase.ok ? caseFor(jobCase.planCase, job.partsOnly) : null;

/** The planning case, and where its offers come from: sellers' names and days, and nothing of what offers cost. */
export function marketView(state: JobWith<'market'>): MarketView {
  const { market } = state;
  const now = new Date();
  return {
    planCase: ladderCase(state),
    sellersRated: Object.fromEntries(
      [...market.supplies.values()].flatMap(({ seller, sellerRated }) =>
        sellerRated === null ? [] : [[seller, sellerRated]],
      ),
    ),
    supplies: Object.fromEntries(
      [...market.supplies].map(([offer, supply]) => {
        const { seller, leadDays, testedBy, rated, page, guaranteeMonths } = supply;
        const aged = agedPrice(supply, now);
        return [
          offer,
          {
            ...{ seller, leadDays, testedBy, aged, priceDays: priceDays(supply, now) },
            ...(rated !== null && { rated }),
            ...(page !== null && { page }),
            ...(guaranteeMonths !== null && { guaranteeMonths }),
          },
        ];
      }),
    ),
  };
}
