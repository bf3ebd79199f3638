import { z } from 'zod';
import { identitySchema, type ShopIdentity } from '../../core/shop/identity';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { getShop, hasAmounts, type Shop, updateIdentity, updatePlace } from '../../store/shop/shop';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

const isTimeZone = (zone: string): boolean => {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }) !== null;
  } catch {
    return false;
  }
};

/** What the shop counts its money and its days by. */
export const placeShape = {
  currency: z.string().regex(/^[A-Z]{3}$/, 'A currency is an ISO 4217 code such as EUR.'),
  timeZone: z.string().max(60).refine(isTimeZone, 'There is no such time zone.'),
};

export const shopFormSchema = z.strictObject({ identity: identitySchema, ...placeShape });
type ShopForm = z.infer<typeof shopFormSchema>;

export interface ShownIdentity extends ShopForm {
  identity: ShopIdentity;
  /** nothing is priced or quoted yet */
  mayChangeCurrency: boolean;
}

export async function showIdentity(_: Caller<'shop.settings'>): Promise<ShownIdentity> {
  const shop: Shop = await getShop(pool());
  const { name, street, postalCode, town, country, phone, mail, web, taxNumber, companyNumber, bank } = shop;
  return {
    identity: { name, street, postalCode, town, country, phone, mail, web, taxNumber, companyNumber, bank },
    currency: shop.currency,
    timeZone: shop.timeZone,
    mayChangeCurrency: !(await hasAmounts(pool())),
  };
}

/** Writes who the shop is, for papers from now on; those that are out keep what they say. */
export async function saveIdentity(
  caller: Caller<'shop.settings'>,
  { identity, ...place }: ShopForm,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const { currency } = await getShop(db);
    if (place.currency !== currency && (await hasAmounts(db)))
      return fault('conflict', `Prices in ${currency} are noted already, so the currency stays.`);
    await updateIdentity(db, identity);
    await updatePlace(db, place);
    const detail = { ...identity, ...place };
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'identity-changed', detail });
    return done(null);
  });
}
