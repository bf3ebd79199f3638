import { z } from 'zod';
import { isAcceptable, type RowFate } from '../core/price-list/compare-list';
import type { ListedRow } from '../core/price-list/read-row';
import { wholeModule } from '../core/price-list/whole-module';
import { countedPrice, type ExchangeRate } from '../core/pricing/counted-price';
import type { SellerTerms } from '../core/pricing/seller-terms';
import { readPriceListApart } from '../outward/read-apart';
import { type Queryable, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import { insertOffer, insertPrice, setStock } from '../store/offers';
import {
  insertListChange,
  laterList,
  listChanges,
  listSellersOffers,
  lockPriceList,
  type PriceList,
  priceListInput,
  type SellersOffer,
  setListState,
  setWithdrawn,
} from '../store/price-lists';
import { listRates, shopDay } from '../store/sellers';
import { getShop } from '../store/shop';
import type { Caller } from './access';
import { compare, termsOf } from './price-lists';
import { done, fault, type Result } from './result';

export const applySchema = z.strictObject({
  /** lines of suspicious rows that are right after all */
  accept: z.array(z.number().int().positive()).max(50_000).default([]),
  /** offers that the list no longer names leave the market */
  withdrawGone: z.boolean().default(false),
});

interface Ground {
  terms: SellerTerms;
  currency: string;
  day: string;
  rates: ExchangeRate[];
}

interface Applied {
  added: number;
  priced: number;
  withdrawn: number;
  left: number;
}

/** Writes one row that counts; false where it comes to no price or is no module. */
async function applyRow(
  db: Queryable,
  list: PriceList,
  row: ListedRow,
  offer: SellersOffer | null,
  ground: Ground,
): Promise<'added' | 'priced' | 'same' | null> {
  const { printedCents, modules } = row;
  const module = wholeModule(row.module);
  if (printedCents === null || module === null) return null;
  const counted = countedPrice({ cents: printedCents, coupon: null, modules, units: 1 }, ground.terms, ground);
  if (!counted.ok || counted.costCents <= 0) return null;
  const printed = { printedCents, coupon: null, units: 1, steps: counted.steps };
  const from = `price list ${list.name}`;
  if (offer === null) {
    const id = await insertOffer(db, {
      sellerId: list.sellerId,
      sellerPart: row.sku,
      title: row.title,
      origin: row.used ? 'used' : 'third-party',
      modules,
      module,
      stock: row.stock,
      note: '',
      modelIds: [],
    });
    await insertPrice(db, id, counted.costCents, from, null, printed);
    const before = { added: true, withdrawn: false, stock: null, costCents: null, printed: null };
    await insertListChange(db, list.id, { offerId: id, before });
    return 'added';
  }
  const moved = offer.costCents !== counted.costCents || offer.pricePrinted !== printedCents;
  if (!moved && !offer.withdrawn && offer.stock === row.stock) return 'same';
  const { costCents, pricePrinted, coupon, units, steps, stock, withdrawn } = offer;
  await insertListChange(db, list.id, {
    offerId: offer.offerId,
    before: {
      added: false,
      withdrawn,
      stock,
      costCents: moved ? costCents : null,
      printed: pricePrinted === null ? null : { printedCents: pricePrinted, coupon, units, steps },
    },
  });
  if (moved) await insertPrice(db, offer.offerId, counted.costCents, from, null, printed);
  if (withdrawn) await setWithdrawn(db, offer.offerId, false);
  if (stock !== row.stock) await setStock(db, offer.offerId, row.stock);
  return moved || withdrawn ? 'priced' : 'same';
}

/** Does a row count: nothing doubtful in it, nothing suspicious that nobody accepted or could? */
const counts = ({ fate, suspicion, row }: RowFate, accepted: ReadonlySet<number>): boolean =>
  fate !== 'doubtful' && (suspicion === null || (isAcceptable(suspicion) && accepted.has(row.line)));

/** Applies a list, all of it in one go: what is doubtful or suspicious and not accepted is left as it was. */
export async function applyList(
  caller: Caller,
  id: number,
  { accept, withdrawGone }: z.infer<typeof applySchema>,
): Promise<Result<Applied>> {
  return transaction(async (db) => {
    const list = await lockPriceList(db, id);
    if (list === null) return fault('not-found', 'There is no such list.');
    if (list.state !== 'looked-at') return fault('conflict', 'This list was applied already.');
    const { headings, columns } = list;
    const read = await readPriceListApart(await priceListInput(db, id), { headings, columns });
    if (!read.ok) return fault('bad-input', read.sentence);
    const terms = await termsOf(db, list.sellerId);
    const { currency } = await getShop(db);
    const { day } = await shopDay(db);
    const ground: Ground = { terms, currency, day, rates: await listRates(db, currency) };
    const standing = await listSellersOffers(db, list.sellerId);
    const bySku = new Map(standing.map((offer) => [offer.sku.toLowerCase(), offer]));
    const accepted = new Set(accept);
    const compared = compare(read, list, standing, terms.currency);
    const applied: Applied = { added: 0, priced: 0, withdrawn: 0, left: 0 };
    for (const fate of compared.fates) {
      const key = fate.row.sku.toLowerCase();
      const did = counts(fate, accepted) ? await applyRow(db, list, fate.row, bySku.get(key) ?? null, ground) : null;
      if (did === 'added' || did === 'priced') applied[did]++;
      if (did === null) applied.left++;
    }
    for (const { offerId } of withdrawGone ? compared.gone : []) {
      const offer = standing.find((one) => one.offerId === offerId);
      const before = { added: false, withdrawn: false, stock: offer?.stock ?? null, costCents: null, printed: null };
      await insertListChange(db, id, { offerId, before });
      await setWithdrawn(db, offerId, true);
      applied.withdrawn++;
    }
    await setListState(db, id, 'applied');
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'list-applied', detail: { id, applied } });
    return done(applied);
  });
}

/** Undoes a list whole: what it added leaves the market, what it moved goes back, what it withdrew returns. */
export async function undoList(caller: Caller, id: number): Promise<Result<{ changed: number }>> {
  return transaction(async (db) => {
    const list = await lockPriceList(db, id);
    if (list === null) return fault('not-found', 'There is no such list.');
    if (list.state !== 'applied') return fault('conflict', 'This list does not count: there is nothing to undo.');
    const later = await laterList(db, id);
    if (later !== null) return fault('conflict', `${later} was applied after it: undo that first.`);
    const changes = await listChanges(db, id);
    for (const { offerId, before } of changes) {
      if (before.added || before.withdrawn) await setWithdrawn(db, offerId, true);
      else await setWithdrawn(db, offerId, false);
      if (before.added) continue;
      await setStock(db, offerId, before.stock);
      if (before.costCents !== null) {
        await insertPrice(db, offerId, before.costCents, `undo of ${list.name}`, null, before.printed);
      }
    }
    await setListState(db, id, 'undone');
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'list-undone', detail: { id } });
    return done({ changed: changes.length });
  });
}
