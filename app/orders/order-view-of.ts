import type { SellerBasket, StandingOrder } from '@/service/orders/orders';
import type { Basket, OrderView } from '@/ui/orders/order-view';

/** @param seesCost amounts go along */
export function basketViewOf({ seller, parts }: SellerBasket, seesCost: boolean): Basket {
  const { id, name, leadDays, terms, leastOrderCents } = seller;
  return {
    ...{ sellerId: id, seller: name, leadDays, terms, leastCents: leastOrderCents },
    parts: parts.map(({ sellerId: _, modules: _modules, quotedCents, eachCents, printedCents, ...part }) => ({
      ...part,
      onSale: eachCents !== null && !part.withdrawn,
      ...(seesCost
        ? { quotedCents, eachCents, printedCents }
        : { quotedCents: null, eachCents: null, printedCents: null }),
    })),
  };
}

/** @param seesCost amounts go along */
export function orderViewOf(order: StandingOrder, seesCost: boolean): OrderView {
  const { id, number, seller, orderedOn, orderedBy, note } = order;
  return {
    ...{ id, number, seller, orderedOn, orderedBy, note },
    cancelled: order.cancelledAt !== null,
    lines: order.lines.map((line) => ({
      ...{ id: line.id, jobId: line.jobId, customer: line.customer, title: line.title, sellerPart: line.sellerPart },
      ...{ quantity: line.quantity, counts: line.counts, state: line.state },
      eachCents: seesCost ? line.eachCents : null,
      news: line.news.map((news) => ({
        ...{ id: news.id, kind: news.kind, quantity: news.quantity, note: news.note, by: news.by },
      })),
    })),
  };
}
