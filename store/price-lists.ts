import type { ColumnRole } from '../core/price-list/column-roles';
import type { StandingOffer } from '../core/price-list/compare-list';
import type { RowFix } from '../core/price-list/correct-row';
import { many, maybeOne, one, type Queryable, run } from './database';
import type { PrintedOfferPrice } from './offers';

/** Which column holds what, and which row of headings it goes by. */
export interface StoredColumns {
  headings: number | null;
  columns: Partial<Record<ColumnRole, number>>;
}

export interface PriceList extends StoredColumns {
  id: number;
  sellerId: number;
  seller: string;
  name: string;
  /** what a person said of doubtful rows, by line */
  fixes: Record<string, RowFix>;
  state: 'looked-at' | 'applied' | 'undone';
  madeBy: string | null;
  madeAt: Date;
}

const SELECT = `select price_list.id, seller_id as "sellerId", seller.name as seller, price_list.name, headings, columns, fixes, state,
    staff.name as "madeBy", made_at as "madeAt"
  from price_list join seller on seller.id = seller_id left join staff on staff.id = made_by`;

export async function insertPriceList(
  db: Queryable,
  list: StoredColumns & { sellerId: number; name: string; input: Uint8Array },
  staffId: number | null,
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into price_list (seller_id, name, input, headings, columns, made_by) values ($1, $2, $3, $4, $5, $6) returning id`,
    [list.sellerId, list.name, Buffer.from(list.input), list.headings, list.columns, staffId],
  );
  return id;
}

/** Was a list with just these bytes taken from the seller before? */
export async function listKnown(db: Queryable, sellerId: number, input: Uint8Array): Promise<boolean> {
  const found = await many(
    db,
    'select id from price_list where seller_id = $1 and sha256(input) = sha256($2) limit 1',
    [sellerId, Buffer.from(input)],
  );
  return found.length > 0;
}

export async function getPriceList(db: Queryable, id: number): Promise<PriceList | null> {
  return maybeOne<PriceList & Record<string, unknown>>(db, `${SELECT} where price_list.id = $1`, [id]);
}

/** Lists of late, the last first. */
export async function listPriceLists(db: Queryable, most: number): Promise<PriceList[]> {
  return many<PriceList & Record<string, unknown>>(db, `${SELECT} order by made_at desc, price_list.id desc limit $1`, [
    most,
  ]);
}

export async function priceListInput(db: Queryable, id: number): Promise<Buffer> {
  return (await one<{ input: Buffer }>(db, 'select input from price_list where id = $1', [id])).input;
}

export async function setListColumns(db: Queryable, id: number, { headings, columns }: StoredColumns): Promise<void> {
  await run(db, 'update price_list set headings = $2, columns = $3 where id = $1', [id, headings, columns]);
}

/** Keeps what a person said of one row, or forgets it. */
export async function setRowFix(db: Queryable, id: number, line: number, fix: RowFix | null): Promise<void> {
  await run(
    db,
    'update price_list set fixes = case when $3::jsonb is null then fixes - $2 else jsonb_set(fixes, array[$2], $3) end where id = $1',
    [id, String(line), fix === null ? null : JSON.stringify(fix)],
  );
}

/** A list and its seller, locked: of two lists of one seller one waits for the other. */
export async function lockPriceList(db: Queryable, id: number): Promise<PriceList | null> {
  const list = await getPriceList(db, id);
  if (list === null) return null;
  await run(db, 'select from seller where id = $1 for update', [list.sellerId]);
  await run(db, 'select from price_list where id = $1 for update', [id]);
  return getPriceList(db, id);
}

export async function setListState(db: Queryable, id: number, state: 'applied' | 'undone'): Promise<void> {
  const at = state === 'applied' ? 'applied_at' : 'undone_at';
  await run(db, `update price_list set state = $2, ${at} = now() where id = $1`, [id, state]);
}

/** Columns as a seller's last list was read by, for the next one. */
export async function rememberColumns(db: Queryable, sellerId: number, columns: object): Promise<void> {
  await run(db, 'update seller set list_columns = $2 where id = $1', [sellerId, columns]);
}

export async function rememberedColumns(db: Queryable, sellerId: number): Promise<unknown> {
  return (
    await maybeOne<{ columns: unknown }>(db, 'select list_columns as columns from seller where id = $1', [sellerId])
  )?.columns;
}

/** An offer of a seller as it stands, with everything that a list may change. */
export interface SellersOffer extends StandingOffer, Omit<PrintedOfferPrice, 'printedCents'> {
  costCents: number;
  pricePrinted: number | null;
  stock: number | null;
  withdrawn: boolean;
}

/** Offers of a seller by its part numbers, withdrawn ones too. */
export async function listSellersOffers(db: Queryable, sellerId: number): Promise<SellersOffer[]> {
  return many<SellersOffer & Record<string, unknown>>(
    db,
    `select offer.id as "offerId", seller_part as sku, modules, stock, withdrawn_at is not null as withdrawn,
       coalesce(price.printed_cents, price.cost_cents) as "printedCents", price.printed_cents as "pricePrinted",
       price.cost_cents as "costCents", price.coupon, price.units, price.steps
     from offer join offer_price as price on price.id = price_id
     where seller_id = $1 and seller_part is not null order by offer.id`,
    [sellerId],
  );
}

export interface ListChange {
  offerId: number;
  before: {
    added: boolean;
    withdrawn: boolean;
    stock: number | null;
    costCents: number | null;
    printed: PrintedOfferPrice | null;
  };
}

export async function insertListChange(db: Queryable, listId: number, { offerId, before }: ListChange): Promise<void> {
  await run(
    db,
    `insert into price_list_change (list_id, offer_id, before) values ($1, $2, $3) on conflict do nothing`,
    [listId, offerId, before],
  );
}

export async function listChanges(db: Queryable, listId: number): Promise<ListChange[]> {
  return many<ListChange & Record<string, unknown>>(
    db,
    'select offer_id as "offerId", before from price_list_change where list_id = $1 order by offer_id',
    [listId],
  );
}

/** Was an offer changed by a list that was applied after this one and still counts? */
export async function laterList(db: Queryable, listId: number): Promise<string | null> {
  const row = await maybeOne<{ name: string }>(
    db,
    `select later.name from price_list as later, price_list as own
     where own.id = $1 and later.seller_id = own.seller_id and later.state = 'applied' and later.applied_at > own.applied_at
     order by later.applied_at desc limit 1`,
    [listId],
  );
  return row?.name ?? null;
}

/** Puts an offer on the market, or takes it off. */
export async function setWithdrawn(db: Queryable, offerId: number, withdrawn: boolean): Promise<void> {
  await run(db, 'update offer set withdrawn_at = case when $2 then now() end where id = $1', [offerId, withdrawn]);
}
