import type { OfferSort } from '@/core/market/offer-sort';
import type { Buffering } from '@/core/memory/module';
import { kindWords } from '@/core/memory/module-words';

export const SORT_TEXTS: Record<OfferSort, string> = {
  price: 'price',
  'per-gib': 'cost of a GB',
  size: 'size',
  rate: 'rate',
  latency: 'latency',
  height: 'height',
  stock: 'stock',
  delivery: 'delivery',
  seller: 'seller',
  rating: 'rating',
};

export interface ShelfLabel {
  generation: string;
  form: string;
  buffering: string;
  ecc: boolean;
}

/** A kind of module in words, such as `DDR4 SO-DIMM` or `DDR4 DIMM, registered ECC`. */
export function shelfText(label: ShelfLabel | null): string {
  if (label === null) return 'What fits the machine';
  const kind = kindWords(label.buffering as Buffering, label.ecc);
  return `${label.generation} ${label.form}${kind === '' ? '' : `, ${kind}`}`;
}

/** How soon something is here: days, or that it is. */
export const deliveryText = (leadDays: number | null): string =>
  leadDays === null || leadDays === 0 ? 'here' : leadDays === 1 ? '1 day' : `${leadDays} days`;

/** A seller's rating as it is spoken of, such as `4.2 of 5 by 310`. */
export const ratingText = (rating: number, count: number): string => `${(rating / 100).toFixed(1)} of 5 by ${count}`;
