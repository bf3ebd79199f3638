import { z } from 'zod';
import { TAX_ROUNDINGS, TAX_WAYS } from '../../core/pricing/bill';
import type { Charges } from '../../core/pricing/charges';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { getShop, updateCharges } from '../../store/shop/shop';
import { done, type Result } from '../result';
import type { Caller } from '../staff/access';

const rate = z.number().int().min(0, 'A tax rate is 0 % or more.').max(10_000, 'A tax rate is at most 100 %.');
const amount = z.number().int().min(0, 'An amount is 0 or more.').max(10_000_000, 'That is too much for one machine.');

export const chargesSchema = z.strictObject({
  taxBp: rate,
  taxWay: z.enum(TAX_WAYS),
  taxRounding: z.enum(TAX_ROUNDINGS),
  labourTaxBp: rate.nullable(),
  feeTaxBp: rate.nullable(),
  creditTaxBp: rate.nullable(),
  labourCents: amount,
  labourHourCents: amount.nullable(),
  labourLeastCents: amount,
  labourStepMinutes: z.number().int().min(1, 'Time counts in minutes.').max(120, 'At most two hours.'),
  validityDays: z.number().int().min(1, 'Prices are valid for at least one day.').max(365, 'At most one year.'),
  invoiceDays: z.number().int().min(0, 'Days are 0 or more.').max(365, 'At most one year.'),
});

export async function showCharges(_: Caller<'shop.settings'>): Promise<{ charges: Charges; currency: string }> {
  const shop = await getShop(pool());
  return {
    charges: {
      taxBp: shop.taxBp,
      taxWay: shop.taxWay,
      taxRounding: shop.taxRounding,
      labourTaxBp: shop.labourTaxBp,
      feeTaxBp: shop.feeTaxBp,
      creditTaxBp: shop.creditTaxBp,
      labourCents: shop.labourCents,
      labourHourCents: shop.labourHourCents,
      labourLeastCents: shop.labourLeastCents,
      labourStepMinutes: shop.labourStepMinutes,
      validityDays: shop.validityDays,
      invoiceDays: shop.invoiceDays,
    },
    currency: shop.currency,
  };
}

/** Writes what the shop asks for work and how it taxes. What is sent keeps its figures; what is looked at next has the new. */
export async function saveCharges(
  caller: Caller<'shop.settings'>,
  charges: z.infer<typeof chargesSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    await updateCharges(db, charges);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'charges-changed', detail: charges });
    return done(null);
  });
}
