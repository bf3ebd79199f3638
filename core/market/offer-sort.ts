/** Ways of sorting offers; each is followed by the price. */
export const OFFER_SORTS = [
  'price',
  'per-gib',
  'rate',
  'latency',
  'height',
  'size',
  'seller',
  'stock',
  'delivery',
  'rating',
] as const;
export type OfferSort = (typeof OFFER_SORTS)[number];
