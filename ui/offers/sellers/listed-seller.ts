import type { SellerTerms } from '@/core/pricing/seller-terms';

export interface ListedSeller {
  id: number;
  name: string;
  leadDays: number;
  terms: SellerTerms | null;
  trust: 'own-stock' | 'marketplace';
  returns: string;
  orderContact: string;
  orderMail: string;
  /** minor units of its currency */
  leastOrderCents: number | null;
  rating: number | null;
  ratingCount: number | null;
  /** the maker whose own parts it sells; null: none */
  partsOf: string | null;
  /** nothing is bought there any more */
  retired: boolean;
  offers: number;
}
