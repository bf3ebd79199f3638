import type { Limits } from '../../../core/machine/limits/resolve-claims';
import type { WidestBounds } from '../../../core/machine/limits/widest-bounds';
import { partKey } from '../../../core/machine/models/model';
import { CUSTOMER_NAME, STOCK_NAME } from '../../../core/market/stock-name';
import type { Offer } from '../../../core/planning/model/case';
import { offerPrice, type PricingRule } from '../../../core/pricing/pricing-rule';
import type { MarkUp } from '../../../core/pricing/sell-price';
import type { OptionSupply } from '../../../core/quoting/option';
import { listTestedParts } from '../../../store/library/tested-parts';
import { listFeeds } from '../../../store/market/feeds';
import type { StoredOffer } from '../../../store/market/offers';
import {
  listMisfits,
  listOffersFor,
  type OfferToPlan,
  type SocketWish,
} from '../../../store/market/offers-for-planning';
import { listLastTold } from '../../../store/market/sellers';
import type { Queryable } from '../../../store/queryable';

const KEY = 'offer-';

/** What an offer is called in a planning case. */
export const offerKey = (id: number): string => `${KEY}${id}`;

/** The offer that is called so; NaN: none. */
export const offerOfKey = (key: string): number => Number(key.startsWith(KEY) ? key.slice(KEY.length) : Number.NaN);

/** How the shop makes its prices, and how tax lies on them. */
export interface Prices {
  markUp: MarkUp;
  pricing: PricingRule;
}

function asOffer({ markUp, pricing }: Prices, offer: StoredOffer): Offer {
  return {
    id: offerKey(offer.id),
    label: offer.title,
    origin: offer.origin,
    modules: offer.modules,
    module: offer.module,
    priceCents: offer.ownPart ? 0 : offerPrice(offer.costCents, markUp, pricing),
    stock: offer.stock,
  };
}

/** Where an offer comes from, and which lists of tested parts of the job's model name its modules. */
export interface TestedSupply extends OptionSupply {
  testedBy: string[];
  /** when its price was noted, or last told again by its seller; null: it is the shop's own */
  pricedAt: Date | null;
  /** where its seller's feed is sick: when its price was last known to hold, null: never; undefined: it is well */
  sickSince?: Date | null;
  /** what buyers say of it, and of its seller; null: nothing */
  rated: OfferRating | null;
  sellerRated: OfferRating | null;
  /** address of its own page; null: none is known */
  page: string | null;
  guaranteeMonths: number | null;
}

/** Hundredths of a star, and how many gave them. */
export interface OfferRating {
  rating: number;
  ratingCount: number;
}

const ratingOf = (rating: number | null, ratingCount: number | null): OfferRating | null =>
  rating === null || ratingCount === null ? null : { rating, ratingCount };

export interface Market {
  offers: Offer[];
  supplies: Map<string, TestedSupply>;
}

const later = (one: Date, other: Date | undefined): Date => (other === undefined || one > other ? one : other);

/**
 * What can be bought for a job's machine, at sell prices, with what it costs the shop kept apart; and of what goes into
 * such sockets but not into this machine the cheapest of each kind and size, so that it can be said why.
 */
export async function marketFor(
  db: Queryable,
  prices: Prices,
  limits: Limits,
  {
    modelId,
    ...widest
  }: WidestBounds & Pick<SocketWish, 'modelId' | 'makerKey' | 'sockets' | 'jobId' | 'chosen' | 'wanted' | 'inDays'>,
): Promise<Market> {
  const generations = limits.generations?.value ?? [];
  const form = limits.form?.value ?? '';
  const wish = { generations, form, modelId, ...widest };
  const known = generations.length > 0 && form !== '';
  const [fitting, misfits, tested, feeds, told] = await Promise.all([
    known ? listOffersFor(db, wish) : [],
    known ? listMisfits(db, wish) : [],
    modelId === null ? [] : listTestedParts(db, modelId),
    listFeeds(db),
    listLastTold(db),
  ]);
  const stored: (StoredOffer & Partial<OfferToPlan>)[] = [...fitting, ...misfits];
  const testedBy = (part: string | null | undefined): string[] =>
    part == null ? [] : tested.filter(({ key }) => key === partKey(part)).map(({ list }) => list);
  const sick = new Map(feeds.filter(({ failures }) => failures > 0).map(({ sellerId, goodAt }) => [sellerId, goodAt]));
  return {
    offers: stored.map((offer) => asOffer(prices, offer)),
    supplies: new Map(
      stored.map((offer) => [
        offerKey(offer.id),
        {
          costCents: offer.costCents,
          seller: offer.ownPart ? CUSTOMER_NAME : (offer.sellerName ?? STOCK_NAME),
          leadDays: offer.leadDays,
          testedBy: testedBy(offer.module.part),
          rated: ratingOf(offer.rating, offer.ratingCount),
          sellerRated: ratingOf(offer.sellerRating ?? null, offer.sellerRatingCount ?? null),
          page: offer.page,
          guaranteeMonths: offer.guaranteeMonths,
          pricedAt: offer.sellerId === null ? null : later(offer.pricedAt, told.get(offer.sellerId)),
          ...(offer.sellerId !== null && sick.has(offer.sellerId) && { sickSince: sick.get(offer.sellerId) ?? null }),
        },
      ]),
    ),
  };
}
