import type { SellerTerms } from '../core/pricing/seller-terms';

/** Who sells in Skerrow, and how dear each is. */
export const DEMO_SELLERS = [
  { name: 'Quayside Components', leadDays: 1, slug: 'quayside', dear: 1.06 },
  { name: 'Fennimore Parts', leadDays: 3, slug: 'fennimore', dear: 0.97 },
  { name: 'Marrow Lane Memory', leadDays: 5, slug: 'marrow-lane', dear: 0.91 },
] as const;

/** What the numbers of some sellers mean; the others' are what the shop pays. */
interface DemoTerms {
  terms: SellerTerms;
  trust: 'own-stock' | 'marketplace';
  returns: string;
  /** hundredths of a star, and how many gave them */
  rating: number;
  ratingCount: number;
  orderMail: string;
  /** minor units of its currency */
  leastOrderCents?: number;
}

export const DEMO_TERMS: Record<string, DemoTerms> = {
  'Fennimore Parts': {
    terms: {
      currency: 'EUR',
      withTax: true,
      taxBp: 2000,
      taxBack: true,
      shipping: { kind: 'flat', cents: 490, freeFromCents: 5000 },
    },
    trust: 'own-stock',
    returns: '30 days, unopened',
    rating: 460,
    ratingCount: 128,
    orderMail: 'orders@fennimore.example',
  },
  'Marrow Lane Memory': {
    terms: {
      currency: 'EUR',
      withTax: false,
      taxBp: 2000,
      taxBack: true,
      shipping: {
        kind: 'weight',
        steps: [
          { upToGrams: 500, cents: 390 },
          { upToGrams: 2000, cents: 690 },
        ],
      },
    },
    trust: 'marketplace',
    returns: '14 days',
    rating: 390,
    ratingCount: 2140,
    orderMail: 'desk@marrow-lane.example',
    leastOrderCents: 2500,
  },
};
