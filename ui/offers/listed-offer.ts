import type { MemoryModule } from '@/core/memory/module';
import type { PriceStep } from '@/core/pricing/counted-price';
import type { Coupon } from '@/core/pricing/seller-terms';
import type { ShelfLabel } from './market/market-words';

/** An offer as the market shows it. Money minor units: cost without tax, sell price with it. */
export interface MarketOffer {
  id: number;
  title: string;
  origin: 'original' | 'third-party' | 'used';
  modules: number;
  module: MemoryModule;
  stock: number | null;
  sellerId: number | null;
  sellerName: string | null;
  marketplace: boolean;
  /** what its buyers say of it, and of its seller: hundredths of a star, and how many gave them */
  rating: number | null;
  ratingCount: number | null;
  sellerRating: number | null;
  sellerRatingCount: number | null;
  /** address of its own page; null: none is known */
  page: string | null;
  leadDays: number | null;
  /** models that it is made for; empty: for none in particular */
  madeFor: string[];
  /** whose original it is; null: nobody’s, or it is not told */
  originalOf: string | null;
  /** made for every model of that maker */
  everyModel: boolean;
  /** null: the person who looks may not see it */
  costCents: number | null;
  sellCents: number;
  pricedAt: string;
  /** what it cost, the oldest first; empty where that may not be seen */
  history: number[];
}

/** Offers of one kind of module; kind 0: all that fit a machine. */
export interface ShownFamily {
  familyId: number;
  label: ShelfLabel | null;
  offers: number;
}

/** A price of an offer as it was noted. */
export interface ShownPrice {
  at: string;
  costCents: number;
  cameFrom: string;
  /** what the seller printed, where that was noted */
  printedCents: number | null;
  coupon: Coupon | null;
  units: number | null;
  steps: PriceStep[] | null;
}
