import { z } from 'zod';
import { transaction } from '../store/database';
import { hashPassword } from '../store/password';
import { insertShop, maybeShop } from '../store/shop';
import { insertStaff } from '../store/staff';
import { done, fault, type Result } from './result';
import { newStaffSchema } from './staff-accounts';

/** A shop of one's own with its first owner. Money in minor units, rates in hundredths of a percent. */
export const newShopSchema = z.strictObject({
  name: z.string().trim().min(1, 'Type the shop’s name.').max(120),
  town: z.string().trim().min(1, 'Type the town.').max(120),
  contact: z.string().trim().max(200),
  currency: z.string().regex(/^[A-Z]{3}$/, 'A currency is an ISO 4217 code such as EUR.'),
  timeZone: z.string().refine((zone) => {
    try {
      return new Intl.DateTimeFormat('en', { timeZone: zone }) !== null;
    } catch {
      return false;
    }
  }, 'There is no such time zone.'),
  taxBp: z.number().int().min(0).max(10_000),
  labourCents: z.number().int().min(0).max(10_000_000),
  owner: newStaffSchema.omit({ role: true }),
});

/** Sets up an empty database as a shop, with usual pricing rules that its owner changes later. */
export async function openShop(shop: z.infer<typeof newShopSchema>): Promise<Result<null>> {
  const passwordHash = await hashPassword(shop.owner.password);
  return transaction(async (db) => {
    await db.query('lock table shop in exclusive mode');
    if ((await maybeShop(db)) !== null) return fault('conflict', 'There is a shop in this database already.');
    const { owner, ...own } = shop;
    await insertShop(db, {
      ...own,
      validityDays: 14,
      markUpBp: 1800,
      leastMarginCents: 400,
      roundUpToCents: 50,
      demo: false,
    });
    await insertStaff(db, { name: owner.name, signIn: owner.signIn, role: 'owner', passwordHash, demoPassword: null });
    return done(null);
  });
}
