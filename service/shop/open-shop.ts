import { z } from 'zod';
import { LANGUAGES } from '../../core/language';
import { acceptWordsIn } from '../../core/shop/accept-words';
import { identitySchema } from '../../core/shop/identity';
import { transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import type { Queryable } from '../../store/queryable';
import { deleteOpeningCodes } from '../../store/shop/opening-codes';
import { insertShop, maybeShop, PAPERS, updateFirstHour, updatePapers } from '../../store/shop/shop';
import { hashPassword } from '../../store/staff/password';
import { insertStaff } from '../../store/staff/staff';
import { done, fault, type Result } from '../result';
import { newStaffSchema } from '../staff/staff-accounts';
import { placeShape } from './identity';
import { isOpeningCode } from './opening-code';

/** A shop of one's own with its first owner. Money in minor units, rates in hundredths of a percent. */
export const newShopSchema = identitySchema.extend({
  ...placeShape,
  taxBp: z
    .number('Enter the tax rate in percent, such as 20.')
    .int()
    .min(0, 'A tax rate is 0 % or more.')
    .max(10_000, 'A tax rate is at most 100 %.'),
  labourCents: z
    .number('Enter what you ask for fitting, such as 29.00.')
    .int()
    .min(0, 'An amount is 0 or more.')
    .max(10_000_000, 'That is too much for one machine.'),
  language: z.enum(LANGUAGES).default('en'),
  paper: z.enum(PAPERS).default('A4'),
  owner: newStaffSchema.omit({ role: true }),
});
export type NewShop = z.infer<typeof newShopSchema>;

/** What a shop begins with that its owner changes later. */
const USUAL = { validityDays: 14, markUpBp: 1800, leastMarginCents: 400, roundUpToCents: 50 } as const;

const NO_CODE =
  'This code does not open a shop: type the one that the last start printed, or start Fenbrik again for a new one.';

/** Only one of several who open at the same time does. */
async function openWith(db: Queryable, shop: NewShop, passwordHash: string): Promise<Result<null>> {
  const { owner, language, paper, ...own } = shop;
  await insertShop(db, { ...own, ...USUAL, demo: false });
  const acceptWords = acceptWordsIn(own.country);
  await updatePapers(db, {
    language,
    paper,
    mailFrom: '',
    remindDays: 3,
    acceptWords,
    paperPart: true,
    paperSeller: false,
  });
  await updateFirstHour(db, { dismissed: false, skipped: [] });
  const { name, signIn } = owner;
  const id = await insertStaff(db, { name, signIn, role: 'owner', passwordHash, demoPassword: null });
  await deleteOpeningCodes(db);
  await noteEvent(db, {
    jobId: null,
    staffId: id,
    kind: 'shop-opened',
    detail: { name: own.name, country: own.country },
  });
  return done(null);
}

/**
 * Sets up an empty database as a shop, with usual pricing rules that its owner changes later.
 *
 * @param code what the start printed; null: the person who opens sits at the machine itself
 */
export async function openShop(shop: NewShop, code: string | null = null): Promise<Result<null>> {
  const passwordHash = await hashPassword(shop.owner.password);
  return transaction(async (db) => {
    await db.query('lock table shop in exclusive mode');
    if ((await maybeShop(db)) !== null)
      return fault('conflict', 'There is a shop in this database already: sign in to it.');
    if (code !== null && !(await isOpeningCode(db, code))) return fault('forbidden', NO_CODE);
    return openWith(db, shop, passwordHash);
  });
}
