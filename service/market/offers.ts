import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import { makerKey } from '../../core/maker-key';
import { isWebAddress } from '../../core/market/web-address';
import { type MemoryModule, moduleSchema } from '../../core/memory/module';
import { ORIGINS } from '../../core/planning/model/lanes';
import { MOST_MODULES } from '../../core/price-list/read-row';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { summariesOf } from '../../store/library/models';
import {
  type EditableOffer,
  findBySellerPart,
  freeSellerPart,
  getEditable,
  insertOffer,
  insertPrice,
  setWithdrawn,
  updateOffer,
} from '../../store/market/offers';
import { getSeller, lockSellers } from '../../store/market/sellers';
import type { Queryable } from '../../store/queryable';
import { priceSchema, priceToStore, type TypedPrice } from '../job/options/prices';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { lookUp } from './bind-models';

const stars = z.number().int().min(100, 'Stars are 1 to 5.').max(500, 'Stars are 1 to 5.').nullable();
const ratings = z.number().int().positive().max(10_000_000).nullable();

/** An address of a page that can be opened. */
const pageSchema = z
  .string()
  .refine((text) => isWebAddress(text), 'Enter the address of a page: https://… of at most 500 characters.');

/** An offer as somebody types it or puts it right. Capacity MiB, rate MT/s, money minor units. */
export const offerSchema = z.strictObject({
  sellerId: idSchema,
  /** the seller's own number of it; empty: none */
  sellerPart: z.string().trim().max(80, 'A number has at most 80 characters.').default(''),
  title: z.string().trim().min(1, 'Enter what it is.').max(300, 'A title has at most 300 characters.'),
  modules: z
    .number('Enter how many modules a pack has.')
    .int()
    .min(1, 'A pack has at least 1 module.')
    .max(MOST_MODULES, `A pack has at most ${MOST_MODULES} modules.`),
  module: moduleSchema,
  origin: z.enum(ORIGINS),
  originalOf: z.string().trim().max(80, 'A maker has at most 80 characters.').default(''),
  everyModel: z.boolean().default(false),
  modelIds: z.array(idSchema).max(500, 'An offer is for at most 500 models.').default([]),
  /** models that the library does not know, as written */
  unbound: z.array(z.string().trim().min(1).max(80)).max(40).default([]),
  /** null: the seller does not say */
  stock: z.number().int().min(0, 'Stock is 0 or more.').max(1_000_000).nullable().default(null),
  /** null: as the seller's */
  leadDays: z.number().int().min(0, 'Days are 0 or more.').max(365, 'At most 365 days.').nullable().default(null),
  /** what its buyers say of it: hundredths of a star, and how many gave them */
  rating: stars.default(null),
  ratingCount: ratings.default(null),
  /** address of its own page; null: none is known */
  page: pageSchema.nullable().default(null),
  /** how long its maker or seller answers for it; null: nobody says */
  guaranteeMonths: z
    .number()
    .int()
    .min(1, 'A guarantee is of a month at least.')
    .max(1200, 'At most 100 years.')
    .nullable()
    .default(null),
  note: z.string().trim().max(500, 'At most 500 characters.').default(''),
});
export type TypedOffer = z.infer<typeof offerSchema>;

export const newOfferSchema = z.strictObject({ offer: offerSchema, price: priceSchema });

/** What speaks against an offer as it is typed; null: nothing. */
async function faultOf(db: Queryable, offer: TypedOffer, ownId: number | null): Promise<string | null> {
  if ((offer.rating === null) !== (offer.ratingCount === null)) return 'A rating is stars and how many gave them.';
  const seller = await getSeller(db, offer.sellerId);
  if (seller === null) return 'There is no such seller.';
  if (seller.retired) return `${seller.name} is retired: use it again first, or choose another seller.`;
  if (offer.sellerPart !== '') {
    const same = await findBySellerPart(db, offer.sellerId, offer.sellerPart);
    if (same !== null && same.id !== ownId)
      return `${seller.name} has an offer with the number ${offer.sellerPart} already: edit that one.`;
  }
  if (offer.origin !== 'original') return null;
  if (makerKey(offer.originalOf) === '') return 'Enter whose original it is: the maker of the machines that it is for.';
  const isFor = offer.everyModel || offer.modelIds.length + offer.unbound.length > 0;
  if (!isFor) return `Choose the models that it is for, or all models of ${offer.originalOf}.`;
  const known = await summariesOf(db, [...new Set(offer.modelIds)]);
  return known.length < new Set(offer.modelIds).size ? 'One of the models is no longer in the library.' : null;
}

/** An offer as it is kept: only an original is made for models, and what is written of them is bound where it can be. */
async function bound(db: Queryable, offer: TypedOffer): Promise<TypedOffer> {
  if (offer.origin !== 'original') return { ...offer, originalOf: '', everyModel: false, modelIds: [], unbound: [] };
  const found = await lookUp(
    db,
    offer.unbound.map((said) => ({ maker: offer.originalOf, said })),
  );
  return {
    ...offer,
    modelIds: [...new Set([...offer.modelIds, ...found.flatMap(({ modelId }) => modelId ?? [])])],
    unbound: found.flatMap(({ modelId, said }) => (modelId === null ? [said] : [])),
  };
}

/** Adds an offer by hand with its first price. It is everybody's. */
export async function addOffer(
  caller: Caller<'offers.price'>,
  { offer: typed, price }: { offer: TypedOffer; price: TypedPrice },
): Promise<Result<{ id: number }>> {
  return transaction(async (db) => {
    await lockSellers(db);
    const offer = await bound(db, typed);
    const wrong = await faultOf(db, offer, null);
    if (wrong !== null) return fault('bad-input', wrong);
    const priced = await priceToStore(db, offer, price);
    if (!priced.ok) return priced;
    await freeSellerPart(db, offer.sellerId, offer.sellerPart);
    const id = await insertOffer(db, { ...offer, sellerPart: offer.sellerPart || null });
    await insertPrice(db, id, priced.value.costCents, `typed by ${caller.name}`, null, priced.value.printed);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'offer-added', detail: { id, offer } });
    return done({ id });
  });
}

/** An offer as it can be edited, with the names of the models that it is for. */
export interface ShownOffer extends Omit<EditableOffer, 'module'> {
  module: MemoryModule;
  models: { id: number; name: string }[];
}

export async function showOffer(_: Caller<'offers.price'>, id: number): Promise<Result<ShownOffer>> {
  const offer = await getEditable(pool(), id);
  if (offer === null) return fault('not-found', 'There is no such offer.');
  const models = await summariesOf(pool(), offer.modelIds);
  return done({
    ...offer,
    models: models.map(({ id: model, maker, name, yearFrom }) => ({
      id: model,
      name: `${maker} ${name}, ${yearFrom}`,
    })),
  });
}

/** Puts an offer right; its prices and their history stay. What was said before is kept with the event. */
export async function editOffer(caller: Caller<'offers.price'>, id: number, typed: TypedOffer): Promise<Result<null>> {
  return transaction(async (db) => {
    await lockSellers(db);
    const offer = await bound(db, typed);
    const before = await getEditable(db, id, true);
    if (before === null) return fault('not-found', 'This offer is no longer on the market.');
    if (before.sellerId === null) return fault('bad-input', 'This is stock of yours: it is edited under Stock.');
    if (before.sellerId !== offer.sellerId)
      return fault('bad-input', 'An offer stays with its seller: copy it for another one.');
    const wrong = await faultOf(db, offer, id);
    if (wrong !== null) return fault('bad-input', wrong);
    if (before.modules !== offer.modules || before.module.capacityMiB !== offer.module.capacityMiB) {
      // Its price history is of another thing then.
      return fault('bad-input', 'A pack of another size is another offer: copy this one and withdraw it.');
    }
    await freeSellerPart(db, offer.sellerId, offer.sellerPart);
    await updateOffer(db, id, { ...offer, sellerPart: offer.sellerPart || null });
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'offer-changed', detail: { id, before, offer } });
    return done(null);
  });
}

export const withdrawSchema = z.strictObject({ withdrawn: z.boolean() });

/** Takes an offer off the market, or puts it back; quotes that are out keep theirs. */
export async function withdrawOffer(
  caller: Caller<'offers.price'>,
  id: number,
  { withdrawn }: z.infer<typeof withdrawSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    if (!(await setWithdrawn(db, id, withdrawn)))
      return fault('not-found', withdrawn ? 'This offer is no longer on the market.' : 'There is no such offer.');
    const kind = withdrawn ? 'offer-withdrawn' : 'offer-back';
    await noteEvent(db, { jobId: null, staffId: caller.id, kind, detail: { id } });
    return done(null);
  });
}
