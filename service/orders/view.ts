import type { LineEvent, PartCounts, PartState } from '../../core/ordering/part-state';
import type { SellerTerms } from '../../core/pricing/seller-terms';
import type { SellerBasket, StandingOrder } from './orders';

/** A part that an accepted job needs of a seller. Money minor units of the shop's currency. */
export interface BasketPart {
  jobId: number;
  customer: string;
  quoteNumber: string;
  offerId: number;
  title: string;
  sellerPart: string | null;
  quantity: number;
  /** amounts are null where the person who looks may not see them */
  quotedCents: number | null;
  eachCents: number | null;
  /** what the seller's list prints, minor units of the seller's currency; null: unknown */
  printedCents: number | null;
  stock: number | null;
  withdrawn: boolean;
  /** the day on which the customer needs it; null: none is named */
  neededBy: string | null;
  /** its option is agreed on condition: it may have to go back */
  onCondition: boolean;
  /** days that it would come after that, ordered today; 0: in time */
  lateDays: number;
  /** its seller still has a price for it */
  onSale: boolean;
}

/** What has to be ordered of one seller. */
export interface Basket {
  sellerId: number;
  seller: string;
  leadDays: number;
  terms: SellerTerms | null;
  /** the least it takes an order for, minor units of the seller's currency; null: any */
  leastCents: number | null;
  parts: BasketPart[];
}

export interface OrderLineView {
  id: number;
  jobId: number;
  customer: string;
  title: string;
  sellerPart: string | null;
  quantity: number;
  /** null: the person who looks may not see it */
  eachCents: number | null;
  counts: PartCounts;
  state: PartState;
  news: { id: number; kind: LineEvent; quantity: number; note: string; by: string | null }[];
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

/** @param seesCost amounts go along */
export function basketView({ seller, parts }: SellerBasket, seesCost: boolean): Basket {
  const { id, name, leadDays, terms, leastOrderCents } = seller;
  return {
    sellerId: id,
    seller: name,
    leadDays,
    terms,
    leastCents: leastOrderCents,
    parts: parts.map(({ sellerId: _, modules: _modules, quotedCents, eachCents, printedCents, ...one }) => {
      const { leadDays: ownDays, inDays, ...part } = one;
      return {
        ...part,
        lateDays: inDays === null ? 0 : Math.max(0, (ownDays ?? leadDays) - inDays),
        onSale: eachCents !== null && !part.withdrawn,
        ...(seesCost
          ? { quotedCents, eachCents, printedCents }
          : { quotedCents: null, eachCents: null, printedCents: null }),
      };
    }),
  };
}

/** @param seesCost amounts go along */
export function orderView(order: StandingOrder, seesCost: boolean): OrderView {
  const { id, number, seller, orderedOn, orderedBy, note } = order;
  return {
    id,
    number,
    seller,
    orderedOn,
    orderedBy,
    note,
    cancelled: order.cancelledAt !== null,
    lines: order.lines.map((line) => ({
      id: line.id,
      jobId: line.jobId,
      customer: line.customer,
      title: line.title,
      sellerPart: line.sellerPart,
      quantity: line.quantity,
      counts: line.counts,
      state: line.state,
      eachCents: seesCost ? line.eachCents : null,
      news: line.news.map((news) => ({
        id: news.id,
        kind: news.kind,
        quantity: news.quantity,
        note: news.note,
        by: news.by,
      })),
    })),
  };
}
