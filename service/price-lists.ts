import { z } from 'zod';
import { COLUMN_ROLES, type ColumnRole } from '../core/price-list/column-roles';
import { type ComparedList, compareList } from '../core/price-list/compare-list';
import { correctRow, rowFixSchema } from '../core/price-list/correct-row';
import type { SellerTerms } from '../core/pricing/seller-terms';
import type { ListColumns, PriceListFile } from '../outward/price-list-file';
import { readPriceListApart } from '../outward/read-apart';
import { pool, type Queryable, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import {
  getPriceList,
  insertPriceList,
  listPriceLists,
  listSellersOffers,
  lockPriceList,
  type PriceList,
  priceListInput,
  rememberColumns,
  rememberedColumns,
  type SellersOffer,
  setListColumns,
  setRowFix,
} from '../store/price-lists';
import { getSeller } from '../store/sellers';
import { getShop } from '../store/shop';
import type { Caller } from './access';
import { done, fault, type Result } from './result';
import { plainTerms } from './sellers';

const columnsSchema = z.strictObject({
  headings: z.number().int().min(0).max(1000).nullable(),
  columns: z.partialRecord(z.enum(COLUMN_ROLES), z.number().int().min(0).max(199)),
});

/** What a seller's list was last read by, with the headings it had. */
const rememberedSchema = columnsSchema.extend({ names: z.array(z.string()) });

type ReadList = Extract<PriceListFile, { ok: true }>;

/** The seller's remembered columns count where the list has the same headings in the same row. */
async function columnsFor(db: Queryable, sellerId: number, input: Uint8Array): Promise<PriceListFile> {
  const guessed = await readPriceListApart(input, null);
  const remembered = rememberedSchema.safeParse(await rememberedColumns(db, sellerId));
  if (!guessed.ok || !remembered.success) return guessed;
  const { names, ...columns } = remembered.data;
  if (columns.headings !== guessed.guessed.headings || JSON.stringify(guessed.sample[0]) !== JSON.stringify(names)) {
    return guessed;
  }
  return readPriceListApart(input, columns);
}

/**
 * Keeps a price list to be looked at; nothing on the market changes.
 *
 * @param caller who dropped it; null: it lay in the folder
 */
export async function takeList(
  caller: Caller | null,
  sellerId: number,
  file: { name: string; input: Uint8Array },
): Promise<Result<{ id: number }>> {
  if ((await getSeller(pool(), sellerId)) === null) return fault('not-found', 'There is no such seller.');
  const read = await columnsFor(pool(), sellerId, file.input);
  if (!read.ok) return fault('bad-input', read.sentence);
  const id = await insertPriceList(
    pool(),
    { ...read.used, sellerId, name: file.name, input: file.input },
    caller?.id ?? null,
  );
  await noteEvent(pool(), { jobId: null, staffId: caller?.id ?? null, kind: 'list-taken', detail: { id, sellerId } });
  return done({ id });
}

/** A list as it is looked at: its columns on some rows, and what it would change. */
export interface ListView {
  list: PriceList;
  currency: string;
  columns: ListColumns['columns'];
  doubtfulColumns: ColumnRole[];
  sample: string[][];
  compared: ComparedList;
}

export function compare(
  read: ReadList,
  { fixes }: PriceList,
  standing: readonly SellersOffer[],
  currency: string,
): ComparedList {
  return compareList(
    read.rows.map((row) => correctRow(row, fixes[row.line])),
    standing.filter(({ withdrawn }) => !withdrawn),
    currency,
  );
}

export async function termsOf(db: Queryable, sellerId: number): Promise<SellerTerms> {
  const { currency } = await getShop(db);
  return (await getSeller(db, sellerId))?.terms ?? plainTerms(currency);
}

/** Were the columns left as they were guessed? */
const sameColumns = (a: ListColumns['columns'], b: ListColumns['columns']): boolean =>
  COLUMN_ROLES.every((role) => a[role] === b[role]);

export async function showList(id: number): Promise<ListView | null> {
  const list = await getPriceList(pool(), id);
  if (list === null) return null;
  const { headings, columns } = list;
  const read = await readPriceListApart(await priceListInput(pool(), id), { headings, columns });
  if (!read.ok) return null;
  const { currency } = await termsOf(pool(), list.sellerId);
  return {
    list,
    currency,
    columns,
    doubtfulColumns: sameColumns(columns, read.guessed.columns) ? read.guessed.doubtful : [],
    sample: read.sample,
    compared: compare(read, list, await listSellersOffers(pool(), list.sellerId), currency),
  };
}

export async function listsOfLate(): Promise<PriceList[]> {
  return listPriceLists(pool(), 8);
}

export const correctSchema = columnsSchema;

/** Reads a list by corrected columns; the seller's next list of the same headings goes by them. */
export async function correctColumns(
  caller: Caller,
  id: number,
  columns: z.infer<typeof correctSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const list = await lockPriceList(db, id);
    if (list === null) return fault('not-found', 'There is no such list.');
    if (list.state !== 'looked-at') return fault('conflict', 'This list was applied already: undo it first.');
    const taken = Object.values(columns.columns);
    if (new Set(taken).size < taken.length) return fault('bad-input', 'One column cannot hold two things.');
    await setListColumns(db, id, columns);
    const read = await readPriceListApart(await priceListInput(db, id), columns);
    if (read.ok) await rememberColumns(db, list.sellerId, { ...columns, names: read.sample[0] ?? [] });
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'list-corrected', detail: { id, columns } });
    return done(null);
  });
}

export const fixSchema = z.strictObject({ line: z.number().int().positive(), fix: rowFixSchema.nullable() });

/** Notes what a person says of a doubtful row; null forgets it. */
export async function fixRow(
  caller: Caller,
  id: number,
  { line, fix }: z.infer<typeof fixSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const list = await lockPriceList(db, id);
    if (list === null) return fault('not-found', 'There is no such list.');
    if (list.state !== 'looked-at') return fault('conflict', 'This list was applied already: undo it first.');
    await setRowFix(db, id, line, fix);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'list-row-fixed', detail: { id, line, fix } });
    return done(null);
  });
}
