import type { MemoryModule } from '@/core/memory/module';
import type { Coupon } from '@/core/pricing/seller-terms';

/** An offer as it is listed. Money minor units: cost without tax, sell price with it. */
export interface ListedOffer {
  id: number;
  title: string;
  origin: string;
  modules: number;
  module: MemoryModule;
  stock: number | null;
  sellerId: number | null;
  seller: string;
  costCents: number;
  sellCents: number;
  /** what the seller printed, where that was noted */
  printedCents: number | null;
  coupon: Coupon | null;
  units: number | null;
  history: { at: string; costCents: number }[];
}
