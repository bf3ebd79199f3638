import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import { knownOf } from '../../core/machine/slots/slots-of-reading';
import { makerKey } from '../../core/maker-key';
import type { MemoryModule } from '../../core/memory/module';
import { moduleText } from '../../core/memory/module-words';
import { wholeModule } from '../../core/price-list/whole-module';
import { readListing } from '../../core/reading/listing/listing';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { insertOffer, insertPrice } from '../../store/market/offers';
import {
  addPieces,
  listOwnStock,
  lockOwnStock,
  type OwnStock,
  setStockRule,
  takePieces,
} from '../../store/market/own-stock';
import type { Queryable } from '../../store/queryable';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

const quantity = z.number('Enter how many there are.').int().min(1, 'At least one.').max(500, 'At most 500 at once.');
const cost = z
  .number('Enter what one cost, such as 19.50.')
  .int()
  .positive('A price is above 0.')
  .max(10_000_000, 'That price is too high to be right.');
const rule = {
  place: z.string().trim().max(80, 'A place has at most 80 characters.').default(''),
  leastStock: z.number().int().min(1, 'A minimum is at least 1.').max(10_000).nullable().default(null),
};

export const newStockSchema = z.strictObject({
  /** the module's label, or a line that says what it is */
  label: z.string().trim().min(1, 'Enter the module’s label.').max(300),
  quantity,
  costCents: cost,
  ...rule,
  origin: z.enum(['original', 'third-party']).default('third-party'),
  originalOf: z.string().trim().max(80).default(''),
  everyModel: z.boolean().default(false),
  modelIds: z.array(idSchema).max(500).default([]),
});

/** What new modules of one kind are called in stock. */
export const newStockTitle = (maker: string | null, module: MemoryModule): string =>
  `${maker === null ? '' : `${maker} `}${moduleText(module)}, new`;

/** Puts new modules that the shop has bought into stock. They are offered like any seller's, first at an equal price. */
export async function addNewStock(
  caller: Caller<'stock.write'>,
  typed: z.infer<typeof newStockSchema>,
): Promise<Result<{ offerId: number }>> {
  return transaction((db) => putNewStock(db, caller, typed));
}

/** The same within a change of something else. */
export async function putNewStock(
  db: Queryable,
  caller: Caller,
  typed: z.infer<typeof newStockSchema>,
): Promise<Result<{ offerId: number }>> {
  const { label, costCents, place, leastStock, ...origin } = typed;
  const { module: read } = readListing(label);
  const module = wholeModule(knownOf(read));
  if (module === null)
    return fault('bad-input', 'The label does not say enough: capacity, generation, form factor and rate are needed.');
  const isOriginal = origin.origin === 'original';
  if (isOriginal && makerKey(origin.originalOf) === '') return fault('bad-input', 'Enter whose original it is.');
  if (isOriginal && !origin.everyModel && origin.modelIds.length === 0)
    return fault('bad-input', `Choose the models that it is for, or all models of ${origin.originalOf}.`);
  const offerId = await insertOffer(db, {
    sellerId: null,
    sellerPart: null,
    modules: 1,
    module,
    stock: 0,
    note: '',
    title: newStockTitle(read.maker, module),
    ...origin,
  });
  await addPieces(db, offerId, typed.quantity, caller.id);
  await insertPrice(db, offerId, costCents, `bought, noted by ${caller.name}`);
  await setStockRule(db, offerId, { place, leastStock });
  const detail = { offerId, quantity: typed.quantity, costCents };
  await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'stock-added', detail });
  return done({ offerId });
}

export const changeStockSchema = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('add'), quantity, costCents: cost.nullable().default(null) }),
  z.strictObject({ what: z.literal('take'), quantity, why: z.string().trim().max(200).default('') }),
  z.strictObject({ what: z.literal('rule'), ...rule }),
]);

/** Adds to what lies there, takes some away, or says where it lies and how few are too few. */
export async function changeStock(
  caller: Caller<'stock.write'>,
  offerId: number,
  change: z.infer<typeof changeStockSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const stock = await lockOwnStock(db, offerId);
    if (stock === null) return fault('not-found', 'This is not in stock any more.');
    if (change.what === 'add') {
      await addPieces(db, offerId, change.quantity, caller.id);
      if (change.costCents !== null && change.costCents !== stock.costCents)
        await insertPrice(db, offerId, change.costCents, `bought, noted by ${caller.name}`);
    } else if (change.what === 'take') {
      if (change.quantity > stock.free)
        return fault('conflict', `Only ${stock.free} are free; the others are promised to jobs.`);
      await takePieces(db, offerId, change.quantity);
    } else await setStockRule(db, offerId, change);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'stock-changed', detail: { offerId, ...change } });
    return done(null);
  });
}

export const showOwnStock = (_: Caller<'offers.read'>): Promise<OwnStock[]> => listOwnStock(pool());
