import type { OfferSort } from '@/core/market/offer-sort';
import type { Buffering } from '@/core/memory/module';
import { kindWords } from '@/core/memory/module-words';
import type { StaffWords } from '@/words/staff-words';

export const SORT_TEXTS = {
  price: 'sort.price',
  'per-gib': 'sort.perGb',
  size: 'sort.size',
  rate: 'sort.rate',
  latency: 'sort.latency',
  height: 'sort.height',
  stock: 'sort.stock',
  delivery: 'sort.delivery',
  seller: 'sort.seller',
  rating: 'sort.rating',
} as const satisfies Record<OfferSort, string>;

export interface ShelfLabel {
  generation: string;
  form: string;
  buffering: string;
  ecc: boolean;
}

/** A kind of module in words, such as `DDR4 SO-DIMM` or `DDR4 DIMM, registered ECC`. */
export function shelfText(t: StaffWords<'offers'>, label: ShelfLabel | null): string {
  if (label === null) return t('sort.fits');
  const kind = kindWords(label.buffering as Buffering, label.ecc);
  return `${label.generation} ${label.form}${kind === '' ? '' : `, ${kind}`}`;
}

/** How soon something is here: days, or that it is. */
export const offerDeliveryText = (t: StaffWords<'offers'>, leadDays: number | null): string =>
  leadDays === null || leadDays === 0 ? t('offer.here') : t('offer.days', { leadDays });

interface Rated {
  sellerName: string | null;
  rating: number | null;
  ratingCount: number | null;
  sellerRating: number | null;
  sellerRatingCount: number | null;
}

/** What is said of an offer's seller, and of the offer itself: ` (4.2 of 5 by 310) · this offer: 4.8 of 5 by 12`. */
export function ratingsText(t: StaffWords<'offers'>, offer: Rated): string {
  const { rating, ratingCount, sellerRating, sellerRatingCount } = offer;
  const ofSeller =
    sellerRating === null || sellerRatingCount === null ? '' : ` (${ratingText(t, sellerRating, sellerRatingCount)})`;
  const own =
    rating === null || ratingCount === null
      ? ''
      : ` · ${t('offer.ownRating', { rating: ratingText(t, rating, ratingCount) })}`;
  return `${ofSeller}${own}`;
}

/** A rating as it is spoken of, such as `4.2 of 5 by 310`. */
export const ratingText = (t: StaffWords<'offers'>, rating: number, count: number): string =>
  t('offer.rating', { value: (rating / 100).toFixed(1), count });
