import type { LineEvent } from '../../core/ordering/part-state';
import type { SellerTerms } from '../../core/pricing/seller-terms';
import { many, maybeOne, one, run } from '../database';
import { LEAD } from '../job/groups';
import type { Queryable } from '../queryable';

/** What an accepted option wants of a seller and is not on its way: packs of one offer for one job. Money minor units. */
export interface WantedPart {
  jobId: number;
  customer: string;
  quoteNumber: string;
  offerId: number;
  sellerId: number;
  title: string;
  sellerPart: string | null;
  modules: number;
  quantity: number;
  /** what the quote counted on */
  quotedCents: number;
  /** what it costs today; null: it has no price any more */
  eachCents: number | null;
  printedCents: number | null;
  /** packs that the seller says it has; null: untold */
  stock: number | null;
  withdrawn: boolean;
  /** days until its seller has it here, where the offer says so itself; null: as its seller says */
  leadDays: number | null;
  /** the day on which the customer needs it (`YYYY-MM-DD`), and the days until then; null: none is named */
  neededBy: string | null;
  /** its option is agreed on condition: it may have to go back */
  onCondition: boolean;
  inDays: number | null;
}

/**
 * Packs of accepted options that nobody ordered yet: of each offer what the option buys, less what is ordered and was not
 * wrong, dead or not to be had. Our own shelf is no seller; what fell through or was proved wants nothing.
 */
export const WANTED = `
with accepted as (
  select quote.id, quote.job_id, quote.number, option
  from quote join quote_answer on quote_id = quote.id and kind = 'accepted'
    cross join lateral jsonb_array_elements(snapshot -> 'options') as option
    join job on job.id = quote.job_id
  where quote.state = 'sent' and (option ->> 'place')::integer = quote_answer.place
    and fell_through_at is null and closed_at is null and ($1::integer is null or quote.job_id = ${LEAD})
    and job.not_working_quote_id is distinct from quote.id
    and not (exists (select from proof where proof.quote_id = quote.id and signed_at is not null and verdict <> 'broken')
      and all_proved(quote.id))
), wanted as (
  select accepted.job_id, accepted.number, option ? 'ifNot' as on_condition, substring(bought ->> 'offer' from '[0-9]+$')::integer as offer_id,
    (bought ->> 'count')::integer as count, (bought ->> 'costCents')::integer as quoted_cents
  from accepted cross join lateral jsonb_array_elements(option -> 'shop' -> 'bought') as bought
), ordered as (
  select line.job_id, line.offer_id, sum(line.quantity - coalesce((
    select sum(news.quantity) from order_line_event as news
    where news.line_id = line.id and news.taken_back_at is null and news.kind <> 'arrived'), 0)) as count
  from part_order_line as line join part_order on part_order.id = order_id and cancelled_at is null
  group by line.job_id, line.offer_id
)
select wanted.job_id as "jobId", customer.name as customer, wanted.number as "quoteNumber", offer.id as "offerId",
  offer.seller_id as "sellerId", offer.title, offer.seller_part as "sellerPart", offer.modules,
  (wanted.count - coalesce(ordered.count, 0))::integer as quantity, wanted.quoted_cents as "quotedCents",
  offer.cost_cents as "eachCents", price.printed_cents as "printedCents", offer.stock, withdrawn_at is not null as withdrawn,
  offer.lead_days as "leadDays", wanted.on_condition as "onCondition", job.needed_by as "neededBy",
  job.needed_by - (now() at time zone (select time_zone from shop))::date as "inDays"
from wanted join offer on offer.id = wanted.offer_id and seller_id is not null
  join job on job.id = wanted.job_id join customer on customer.id = customer_id
  left join ordered on ordered.job_id = wanted.job_id and ordered.offer_id = wanted.offer_id
  left join offer_price as price on price.id = offer.price_id
where wanted.count > coalesce(ordered.count, 0)
order by wanted.job_id, offer.id`;

/** @param jobId of one job; null: of all */
export async function listWanted(db: Queryable, jobId: number | null): Promise<WantedPart[]> {
  return many<WantedPart & Record<string, unknown>>(db, WANTED, [jobId]);
}

export interface OrderSeller {
  id: number;
  name: string;
  terms: SellerTerms | null;
  leastOrderCents: number | null;
  orderMail: string;
  orderContact: string;
  leadDays: number;
}

/** Sellers with what counts for ordering from them. */
export async function orderSellers(db: Queryable, ids: readonly number[]): Promise<OrderSeller[]> {
  return many<OrderSeller & Record<string, unknown>>(
    db,
    `select id, name, terms, least_order_cents as "leastOrderCents", order_mail as "orderMail", order_contact as "orderContact",
       lead_days as "leadDays" from seller where id = any($1) order by name, id`,
    [[...ids]],
  );
}

export interface News {
  id: number;
  kind: LineEvent;
  quantity: number;
  note: string;
  by: string | null;
  /** ISO 8601 */
  at: string;
}

export interface OrderLine {
  id: number;
  jobId: number;
  customer: string;
  offerId: number;
  title: string;
  sellerPart: string | null;
  quantity: number;
  eachCents: number;
  modules: number;
  /** the earliest first */
  news: News[];
}

export interface PartOrder {
  id: number;
  sellerId: number;
  seller: string;
  number: string;
  note: string;
  orderedAt: Date;
  /** the day where the shop is */
  orderedOn: string;
  orderedBy: string | null;
  cancelledAt: Date | null;
  lines: OrderLine[];
}

const ORDERS = `select part_order.id, seller_id as "sellerId", seller.name as seller, number, part_order.note,
    ordered_at as "orderedAt", (ordered_at at time zone (select time_zone from shop))::date::text as "orderedOn",
    staff.name as "orderedBy", cancelled_at as "cancelledAt",
    (select jsonb_agg(jsonb_build_object('id', line.id, 'jobId', job_id, 'customer', customer.name, 'offerId', offer_id,
       'title', title, 'sellerPart', seller_part, 'quantity', quantity, 'eachCents', each_cents, 'modules', modules,
       'news', (select coalesce(jsonb_agg(jsonb_build_object('id', news.id, 'kind', kind, 'quantity', news.quantity,
         'note', news.note, 'by', teller.name, 'at', noted_at) order by news.id), '[]')
         from order_line_event as news left join staff as teller on teller.id = noted_by
         where news.line_id = line.id and taken_back_at is null)) order by line.id)
     from part_order_line as line join job on job.id = job_id join customer on customer.id = customer_id
     where order_id = part_order.id) as lines
  from part_order join seller on seller.id = seller_id left join staff on staff.id = ordered_by`;

type Row = PartOrder & Record<string, unknown>;

/** The latest orders, those taken back among them. */
export async function listOrders(db: Queryable, most: number): Promise<PartOrder[]> {
  return many<Row>(db, `${ORDERS} order by part_order.id desc limit $1`, [most]);
}

/** Orders that hold parts of a job, the latest first. */
export async function ordersOfJob(db: Queryable, jobId: number): Promise<PartOrder[]> {
  return many<Row>(
    db,
    `${ORDERS} where cancelled_at is null and exists (
       select from part_order_line where order_id = part_order.id and job_id = ${LEAD}) order by part_order.id desc`,
    [jobId],
  );
}

export async function getOrder(db: Queryable, id: number): Promise<PartOrder | null> {
  return maybeOne<Row>(db, `${ORDERS} where part_order.id = $1`, [id]);
}

/** The next number of a year's orders, without gaps: its row stays locked until the transaction ends. */
async function takeOrderNumber(db: Queryable): Promise<string> {
  const row = await one<{ year: number; last: number }>(
    db,
    `insert into order_number (year, last)
       select extract(year from now() at time zone time_zone)::integer, 1 from shop
     on conflict (year) do update set last = order_number.last + 1 returning year, last`,
  );
  return `PO-${row.year}-${String(row.last).padStart(4, '0')}`;
}

export type NewOrderLine = Pick<
  OrderLine,
  'jobId' | 'offerId' | 'title' | 'sellerPart' | 'quantity' | 'eachCents' | 'modules'
>;

export async function insertOrder(
  db: Queryable,
  sellerId: number,
  lines: readonly NewOrderLine[],
  { note, staffId }: { note: string; staffId: number },
): Promise<{ id: number; number: string }> {
  const number = await takeOrderNumber(db);
  const { id } = await one<{ id: number }>(
    db,
    'insert into part_order (seller_id, number, note, ordered_by) values ($1, $2, $3, $4) returning id',
    [sellerId, number, note, staffId],
  );
  for (const line of lines) {
    await run(
      db,
      `insert into part_order_line (order_id, job_id, offer_id, title, seller_part, quantity, each_cents, modules)
       values ($1, $2, $3, $4, $5, $6, $7, $8)`,
      [id, line.jobId, line.offerId, line.title, line.sellerPart, line.quantity, line.eachCents, line.modules],
    );
  }
  return { id, number };
}

/** So that of two who order the same at once the second sees what the first did. */
export async function lockOrdering(db: Queryable): Promise<void> {
  await run(db, "select pg_advisory_xact_lock(hashtext('fenbrik.ordering'))");
}

/** Takes an order back of which nothing was noted; false: too late, or there is none. */
export async function cancelOrder(db: Queryable, id: number, staffId: number): Promise<boolean> {
  // Anyone who notes something of a line at this moment is first.
  await run(db, 'select from part_order_line where order_id = $1 order by id for update', [id]);
  const taken = await run(
    db,
    `update part_order set cancelled_at = now(), cancelled_by = $2 where id = $1 and cancelled_at is null
       and not exists (select from order_line_event join part_order_line as line on line.id = line_id
         where line.order_id = $1 and taken_back_at is null)`,
    [id, staffId],
  );
  return taken > 0;
}

/** A line, locked, with the order that it is of and its news. */
export async function lockLine(db: Queryable, lineId: number): Promise<{ order: PartOrder; line: OrderLine } | null> {
  const row = await maybeOne<{ orderId: number }>(
    db,
    'select order_id as "orderId" from part_order_line where id = $1 for update',
    [lineId],
  );
  const order = row === null ? null : await getOrder(db, row.orderId);
  const line = order?.lines.find(({ id }) => id === lineId);
  return order === null || line === undefined ? null : { order, line };
}

export async function insertNews(
  db: Queryable,
  lineId: number,
  news: { kind: LineEvent; quantity: number; note: string; staffId: number },
): Promise<void> {
  await run(db, 'insert into order_line_event (line_id, kind, quantity, note, noted_by) values ($1, $2, $3, $4, $5)', [
    lineId,
    news.kind,
    news.quantity,
    news.note,
    news.staffId,
  ]);
}

/** Takes back what was noted last of a line; false: nothing was. */
export async function takeNewsBack(db: Queryable, lineId: number): Promise<boolean> {
  const taken = await run(
    db,
    `update order_line_event set taken_back_at = now()
     where id = (select max(id) from order_line_event where line_id = $1 and taken_back_at is null)`,
    [lineId],
  );
  return taken > 0;
}
