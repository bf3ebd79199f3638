import type { Language } from '../language';
import type { ShopOnPaper } from '../shop/shop-on-paper';

/** An order of parts as it goes to its seller: nothing of customers, nothing of what is charged for it. Money minor units. */
export interface PartOrderPaper {
  number: string;
  /** `YYYY-MM-DD`, where the shop is */
  orderedOn: string;
  note: string;
  currency: string;
  language: Language;
  shop: ShopOnPaper;
  seller: string;
  lines: {
    /** the seller's own number of it; null: unknown */
    sellerPart: string | null;
    title: string;
    quantity: number;
    /** modules in a pack */
    modules: number;
    eachCents: number;
    /** our job, so that what comes is laid to the right machine */
    job: number;
  }[];
}

/** What an order comes to, without shipping. */
export const orderTotal = ({ lines }: Pick<PartOrderPaper, 'lines'>): number =>
  lines.reduce((sum, { quantity, eachCents }) => sum + quantity * eachCents, 0);
