import type { SellerBasket, StandingOrder } from '@/service/orders';
import type { Basket, OrderView } from '@/ui/orders/order-view';

export function basketViewOf({ seller, parts }: SellerBasket): Basket {
  const { id, name, leadDays, terms, leastOrderCents } = seller;
  return {
    ...{ sellerId: id, seller: name, leadDays, terms, leastCents: leastOrderCents },
    parts: parts.map(({ sellerId: _, modules: _modules, ...part }) => part),
  };
}

export function orderViewOf(order: StandingOrder): OrderView {
  const { id, number, seller, orderedOn, orderedBy, note } = order;
  return {
    ...{ id, number, seller, orderedOn, orderedBy, note },
    cancelled: order.cancelledAt !== null,
    lines: order.lines.map((line) => ({
      ...{ id: line.id, jobId: line.jobId, customer: line.customer, title: line.title, sellerPart: line.sellerPart },
      ...{ quantity: line.quantity, eachCents: line.eachCents, counts: line.counts, state: line.state },
      news: line.news.map((news) => ({
        ...{ id: news.id, kind: news.kind, quantity: news.quantity, note: news.note, by: news.by },
      })),
    })),
  };
}
