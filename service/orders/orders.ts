import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import type { Tested } from '../../core/fitting/guide';
import type { PartOrderPaper } from '../../core/ordering/part-order';
import {
  countParts,
  mostNews,
  PART_NEWS,
  type PartCounts,
  type PartState,
  partState,
} from '../../core/ordering/part-state';
import { ublOrder } from '../../core/ordering/ubl-order';
import { shopOnPaper } from '../../core/shop/shop-on-paper';
import { orderCsv } from '../../outward/papers/order-csv';
import { ublXml } from '../../outward/papers/ubl-xml';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { listSearches } from '../../store/job/fittings';
import { touchJob } from '../../store/job/jobs';
import { setStock } from '../../store/market/offers';
import {
  cancelOrder,
  getOrder,
  insertNews,
  insertOrder,
  listOrders,
  listWanted,
  lockLine,
  lockOrdering,
  type OrderLine,
  type OrderSeller,
  orderSellers,
  type PartOrder,
  takeNewsBack,
  type WantedPart,
} from '../../store/orders/orders';
import type { Queryable } from '../../store/queryable';
import { getShop } from '../../store/shop/shop';
import { done, fault, type Result } from '../result';
import { type Caller, whyBarred } from '../staff/access';

/** So many of the latest orders are shown. */
const SHOWN = 60;

/** What has to be ordered from one seller, over all jobs. */
export interface SellerBasket {
  seller: OrderSeller;
  parts: WantedPart[];
}

/** An order's line with how it stands. */
export type StandingLine = OrderLine & { counts: PartCounts; state: PartState };
export type StandingOrder = Omit<PartOrder, 'lines'> & { lines: StandingLine[] };

export function standingLine(line: OrderLine): StandingLine {
  const counts = countParts(line.quantity, line.news);
  return { ...line, counts, state: partState(counts) };
}

const standingOrder = (order: PartOrder): StandingOrder => ({ ...order, lines: order.lines.map(standingLine) });

/** What a pack costs today; where it has no price any more, what the quote counted on. */
const eachOf = ({ eachCents, quotedCents }: WantedPart): number => eachCents ?? quotedCents;

async function basketsIn(db: Queryable): Promise<SellerBasket[]> {
  const wanted = await listWanted(db, null);
  const sellers = await orderSellers(db, [...new Set(wanted.map(({ sellerId }) => sellerId))]);
  return sellers.map((seller) => ({ seller, parts: wanted.filter(({ sellerId }) => sellerId === seller.id) }));
}

/** What has to be ordered, by seller, and what is on its way. */
export async function showOrders(
  _: Caller<'jobs.read'>,
): Promise<{ baskets: SellerBasket[]; orders: StandingOrder[]; currency: string }> {
  const { currency } = await getShop(pool());
  return { baskets: await basketsIn(pool()), orders: (await listOrders(pool(), SHOWN)).map(standingOrder), currency };
}

export const placeOrderSchema = z.strictObject({
  seller: idSchema,
  /** what of the basket goes along: packs of an offer for a job, as somebody saw them */
  parts: z
    .array(
      z.strictObject({
        job: idSchema,
        offer: idSchema,
        quantity: z.number().int().min(1).max(64),
      }),
    )
    .min(1, 'Nothing is on the order.')
    .max(500),
  note: z.string().trim().max(500, 'At most 500 characters, please.').default(''),
});

/** Orders parts of a seller for their jobs. What somebody else ordered meanwhile is not ordered twice. */
export async function placeOrder(
  caller: Caller<'orders.place'>,
  { seller: sellerId, parts, note }: z.infer<typeof placeOrderSchema>,
): Promise<Result<{ id: number; number: string }>> {
  return transaction(async (db) => {
    await lockOrdering(db);
    const wanted = (await listWanted(db, null)).filter((part) => part.sellerId === sellerId);
    const lines: Parameters<typeof insertOrder>[2][number][] = [];
    for (const { job, offer, quantity } of parts) {
      const part = wanted.find(({ jobId, offerId }) => jobId === job && offerId === offer);
      if (part === undefined || part.quantity < quantity) {
        return fault('conflict', `What job ${job} needs has changed, or somebody ordered it meanwhile: look again.`);
      }
      lines.push({ ...part, quantity, eachCents: eachOf(part) });
    }
    const order = await insertOrder(db, sellerId, lines, { note, staffId: caller.id });
    for (const jobId of new Set(lines.map((line) => line.jobId))) {
      await touchJob(db, jobId);
      await noteEvent(db, { jobId, staffId: caller.id, kind: 'parts-ordered', detail: { order: order.number } });
    }
    return done(order);
  });
}

export const orderChangeSchema = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('cancel') }),
  z.strictObject({
    what: z.enum(PART_NEWS),
    line: idSchema,
    quantity: z.number().int().min(1).max(64),
    note: z.string().trim().max(500, 'At most 500 characters, please.').default(''),
  }),
  z.strictObject({ what: z.literal('take-back'), line: idSchema }),
]);
type OrderChange = z.infer<typeof orderChangeSchema>;

async function noteLine(
  db: Queryable,
  caller: Caller,
  orderId: number,
  change: Exclude<OrderChange, { what: 'cancel' }>,
): Promise<Result<null>> {
  const found = await lockLine(db, change.line);
  if (found === null || found.order.id !== orderId) return fault('not-found', 'The order has no such line.');
  const { order, line } = found;
  if (order.cancelledAt !== null) return fault('conflict', 'This order was taken back.');
  if (change.what === 'take-back') {
    const wasNever = line.news.at(-1)?.kind === 'never';
    const barred = wasNever ? whyBarred(caller, 'offers.price') : null;
    if (barred !== null) return barred;
    if (!(await takeNewsBack(db, line.id))) return fault('conflict', 'Nothing was noted of it yet.');
    if (wasNever) await setStock(db, line.offerId, null);
  } else {
    const most = mostNews(countParts(line.quantity, line.news), change.what);
    if (change.quantity > most) {
      return fault('conflict', most === 0 ? 'All of it is noted already.' : `At most ${most} of it can be that.`);
    }
    const { what: kind, quantity, note } = change;
    const barred = kind === 'never' ? whyBarred(caller, 'offers.price') : null;
    if (barred !== null) return barred;
    await insertNews(db, line.id, { kind, quantity, note, staffId: caller.id });
    // Then it is sold out for everybody: quotes that count on it say so, and are taken again with the next best.
    if (kind === 'never') await setStock(db, line.offerId, 0);
  }
  await touchJob(db, line.jobId);
  await noteEvent(db, {
    jobId: line.jobId,
    staffId: caller.id,
    kind: `part-${change.what}`,
    detail: { order: order.number, ...change },
  });
  return done(null);
}

/** Notes what became of an order or a line of it. */
export async function changeOrder(
  caller: Caller<'jobs.write'>,
  id: number,
  change: OrderChange,
): Promise<Result<null>> {
  return transaction(async (db) => {
    if (change.what !== 'cancel') return noteLine(db, caller, id, change);
    const barred = whyBarred(caller, 'orders.place');
    if (barred !== null) return barred;
    const order = await getOrder(db, id);
    if (order === null) return fault('not-found', 'There is no such order.');
    if (!(await cancelOrder(db, id, caller.id))) {
      return fault('conflict', 'Part of it arrived already, or it was cancelled: note each line separately.');
    }
    for (const jobId of new Set(order.lines.map((line) => line.jobId))) {
      await noteEvent(db, { jobId, staffId: caller.id, kind: 'order-taken-back', detail: { order: order.number } });
    }
    return done(null);
  });
}

/** An order as it goes to its seller; null: there is none. */
export async function orderPaper(db: Queryable, id: number): Promise<PartOrderPaper | null> {
  const order = await getOrder(db, id);
  if (order === null) return null;
  const shop = await getShop(db);
  return {
    number: order.number,
    orderedOn: order.orderedOn,
    note: order.note,
    currency: shop.currency,
    language: shop.language,
    shop: shopOnPaper(shop),
    seller: order.seller,
    lines: order.lines.map(({ sellerPart, title, quantity, modules, eachCents, jobId }) => ({
      sellerPart,
      title,
      quantity,
      modules,
      eachCents,
      job: jobId,
    })),
  };
}

export interface OrderFile {
  name: string;
  bytes: Buffer;
}

export async function orderTable(_: Caller<'costs.read'>, id: number): Promise<OrderFile | null> {
  const paper = await orderPaper(pool(), id);
  return paper && { name: `order-${paper.number}.csv`, bytes: Buffer.from(orderCsv(paper), 'utf8') };
}

export async function orderXml(_: Caller<'costs.read'>, id: number): Promise<OrderFile | null> {
  const paper = await orderPaper(pool(), id);
  return paper && { name: `order-${paper.number}.xml`, bytes: ublXml(ublOrder(paper)) };
}

/** One order with all that its page shows; null: there is none. */
export async function showOrder(
  _: Caller<'jobs.read'>,
  id: number,
): Promise<{ order: StandingOrder; seller: OrderSeller; currency: string } | null> {
  const order = await getOrder(pool(), id);
  const [seller] = order === null ? [] : await orderSellers(pool(), [order.sellerId]);
  if (order === null || seller === undefined) return null;
  return { order: standingOrder(order), seller, currency: (await getShop(pool())).currency };
}

/** What is told a seller of a line that goes back, with the tests that found it. Days `YYYY-MM-DD`. */
export interface SellerClaim {
  shop: { name: string; town: string; contact: string };
  order: Pick<PartOrder, 'seller' | 'number' | 'orderedOn'>;
  line: OrderLine;
  faults: { id: number; kind: 'wrong' | 'dead'; quantity: number; note: string; on: string }[];
  /** the tests of the search for the fault, in their order */
  tests: Tested[];
}

/** The claim for a line of an order; null: nothing of it goes back. */
export async function claimOf(_: Caller<'jobs.read'>, orderId: number, lineId: number): Promise<SellerClaim | null> {
  const order = await getOrder(pool(), orderId);
  const line = order?.lines.find(({ id }) => id === lineId);
  if (order === null || line === undefined) return null;
  const faults = line.news.flatMap(({ id, kind, quantity, note, at }) =>
    kind === 'wrong' || kind === 'dead' ? [{ id, kind, quantity, note, on: at.slice(0, 10) }] : [],
  );
  if (faults.length === 0) return null;
  const { name, town, contact } = await getShop(pool());
  const search = (await listSearches(pool(), line.jobId)).find(
    ({ ended }) => ended === 'bad-module' || ended === 'wrong-module',
  );
  const tests = (search?.tests ?? []).map(({ test, outcome }) => ({ test, outcome }));
  return { shop: { name, town, contact }, order, line, faults, tests };
}
