import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import { knownOf } from '../../core/machine/slots/slots-of-reading';
import { capacityText } from '../../core/memory/capacity';
import type { MemoryModule } from '../../core/memory/module';
import { moduleText } from '../../core/memory/module-words';
import { wholeModule } from '../../core/price-list/whole-module';
import { moneyText } from '../../core/pricing/money-text';
import { PIECE_GRADES, pieceWorth } from '../../core/pricing/piece-worth';
import type { QuoteOption } from '../../core/quoting/snapshot';
import { readListing } from '../../core/reading/listing/listing';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { getJob } from '../../store/job/jobs';
import { familyOfSpec, monthPrices } from '../../store/market/market-prices';
import { insertOffer, insertPrice, specOf } from '../../store/market/offers';
import {
  discardPiece,
  holdPieces,
  insertPiece,
  listPieces,
  PIECE_TESTS,
  releasePieces,
  type ShelfPiece,
  sellPieces,
  serialKnown,
  shelfOffers,
} from '../../store/market/shelf';
import type { Queryable } from '../../store/queryable';
import { getShop } from '../../store/shop/shop';
import { offerOfKey } from '../job/options/offers-for-job';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

export const pieceSchema = z.strictObject({
  /** the module's label, or a line that says what it is */
  label: z.string().trim().min(1, 'Enter the module’s label.').max(300),
  serial: z.string().trim().max(80).default(''),
  test: z.enum(PIECE_TESTS),
  grade: z.enum(PIECE_GRADES),
  note: z.string().trim().max(200, 'At most 200 characters, please.').default(''),
  originJobId: idSchema.nullable().default(null),
  /** what it is worth to us; null: by the rule */
  worthCents: z.number().int().positive('A piece is worth more than 0.').max(10_000_000).nullable().default(null),
});

const TEST_WORDS = { untested: 'untested', read: 'read in a machine', tested: 'tested' } as const;

/** What a used module is called. */
export const pieceTitle = (
  maker: string | null,
  module: MemoryModule,
  { test, grade }: Pick<z.infer<typeof pieceSchema>, 'test' | 'grade'>,
): string => `${maker === null ? '' : `${maker} `}${moduleText(module)}, used, ${TEST_WORDS[test]}, grade ${grade}`;

/** What a new module of this kind and size costs today, a GB; null where nobody sells one. */
async function newGibCents(db: Queryable, specId: number, capacityMiB: number): Promise<number | null> {
  const months = await monthPrices(db, await familyOfSpec(db, specId));
  return months.filter((one) => one.capacityMiB === capacityMiB).at(-1)?.middle ?? null;
}

/** Puts one used module on the shelf: from then on it is on sale, once. */
export async function putOnShelf(
  caller: Caller<'stock.write'>,
  piece: z.infer<typeof pieceSchema>,
): Promise<Result<{ id: number; sentence: string }>> {
  return transaction((db) => putPiece(db, caller, piece));
}

/** The same within a change of something else. */
export async function putPiece(
  db: Queryable,
  caller: Caller,
  { label, serial, test, grade, note, originJobId, worthCents }: z.infer<typeof pieceSchema>,
): Promise<Result<{ id: number; offerId: number; sentence: string }>> {
  const { module: read } = readListing(label);
  const module = wholeModule(knownOf(read));
  if (module === null) {
    return fault('bad-input', 'The label does not say enough: capacity, generation, form and rate are needed.');
  }
  if (originJobId !== null && (await getJob(db, originJobId)) === null) {
    return fault('bad-input', `There is no job ${originJobId} that it could come from.`);
  }
  if (serial !== '' && (await serialKnown(db, serial))) {
    return fault('conflict', `A module with the serial ${serial} is or was in stock already.`);
  }
  const { currency } = await getShop(db);
  const gib = await newGibCents(db, await specOf(db, module), module.capacityMiB);
  if (worthCents === null && gib === null) {
    return fault(
      'bad-input',
      `No seller has ${capacityText(module.capacityMiB)} modules of this kind new: enter what it is worth to us.`,
    );
  }
  const worth = worthCents ?? pieceWorth(gib ?? 0, module.capacityMiB, grade, test === 'tested');
  const offerId = await insertOffer(db, {
    sellerId: null,
    sellerPart: null,
    title: pieceTitle(read.maker, module, { test, grade }),
    origin: 'used',
    modules: 1,
    module,
    stock: 0,
    note,
    modelIds: [],
  });
  await insertPrice(db, offerId, worth, worthCents === null ? `rule for grade ${grade}` : `typed by ${caller.name}`);
  const piece = { serial: serial === '' ? null : serial, test, grade, note, originJobId };
  const id = await insertPiece(db, offerId, piece, caller.id);
  await noteEvent(db, {
    jobId: originJobId,
    staffId: caller.id,
    kind: 'piece-on-shelf',
    detail: { id, offerId, worth },
  });
  return done({ id, offerId, sentence: `In stock, worth ${moneyText(worth, currency)} to us.` });
}

/** Takes a piece off the shelf that is broken, lost or not for sale any more. */
export async function takeOffShelf(caller: Caller<'stock.write'>, id: number): Promise<Result<null>> {
  return transaction(async (db) => {
    if (!(await discardPiece(db, id)))
      return fault('conflict', 'This piece is promised to a customer, or gone already.');
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'piece-off-shelf', detail: { id } });
    return done(null);
  });
}

export async function showShelf(_: Caller<'offers.read'>): Promise<ShelfPiece[]> {
  return listPieces(pool());
}

/** Units of every offer that options buy: of alternatives the one that takes most. */
function mostOf(options: readonly QuoteOption[]): Map<number, number> {
  const most = new Map<number, number>();
  for (const { shop } of options) {
    for (const { offer, count } of shop.bought) {
      const id = offerOfKey(offer);
      most.set(id, Math.max(most.get(id) ?? 0, count));
    }
  }
  return most;
}

/**
 * Promises the pieces that a quote's options need to its job, until the quote's day is over; what it was promised before
 * is let go.
 *
 * @returns a sentence where a piece is promised to somebody else
 */
export async function promisePieces(
  db: Queryable,
  jobId: number,
  options: readonly QuoteOption[],
  until: string,
): Promise<string | null> {
  // What an earlier version had set aside is promised again, or not at all.
  await releasePieces(db, jobId, true);
  const wanted = mostOf(options);
  for (const offerId of await shelfOffers(db, [...wanted.keys()])) {
    if (!(await holdPieces(db, { jobId, offerId, count: wanted.get(offerId) ?? 0, until }))) {
      return 'A used module of it has just been promised to somebody else: choose again.';
    }
  }
  return null;
}

/** What was fitted is sold; what else was promised to the job is free again. */
export async function settlePieces(db: Queryable, jobId: number, option: QuoteOption): Promise<void> {
  for (const { offer, count } of option.shop.bought) await sellPieces(db, jobId, offerOfKey(offer), count);
  await releasePieces(db, jobId, true);
}
