import type { OrderHint } from '@/core/ordering/order-hints';
import type { PartCounts, PartNews, PartState } from '@/core/ordering/part-state';

/** A part that an accepted job needs of a seller. Money minor units of the shop's currency. */
export interface BasketPart {
  jobId: number;
  customer: string;
  quoteNumber: string;
  offerId: number;
  title: string;
  sellerPart: string | null;
  quantity: number;
  quotedCents: number;
  eachCents: number | null;
  stock: number | null;
  withdrawn: boolean;
}

/** What is to be ordered of one seller. */
export interface Basket {
  sellerId: number;
  seller: string;
  leadDays: number;
  parts: BasketPart[];
  totalCents: number;
  hints: OrderHint[];
}

export interface OrderLineView {
  id: number;
  jobId: number;
  customer: string;
  title: string;
  sellerPart: string | null;
  quantity: number;
  eachCents: number;
  counts: PartCounts;
  state: PartState;
  news: { id: number; kind: PartNews; quantity: number; note: string; by: string | null }[];
}

export interface OrderView {
  id: number;
  number: string;
  seller: string;
  orderedOn: string;
  orderedBy: string | null;
  note: string;
  cancelled: boolean;
  lines: OrderLineView[];
}
