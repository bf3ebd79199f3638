import { z } from 'zod';
import { environment } from '../../runtime/environment';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import type { Queryable } from '../../store/queryable';
import { getShop, updateCustomerAddress } from '../../store/shop/shop';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

export const customerAddressSchema = z.strictObject({
  address: z
    .string()
    .trim()
    .max(200)
    .refine((text) => text === '' || (URL.canParse(text) && /^https?:$/.test(new URL(text).protocol)), {
      error: 'Type an address such as https://quotes.example.',
    })
    .transform((text) => (text === '' ? '' : new URL(text).origin)),
});

/** Where customers reach the shop, and who says so. */
export interface CustomerAddress {
  /** empty: nobody confirmed one, and no link is mailed */
  address: string;
  /** it is set where Fenbrik is started, and cannot be changed on the screen */
  isSet: boolean;
}

/** As it is set, else as an owner confirmed it; never what a request says of itself. */
export async function customerAddress(db: Queryable = pool()): Promise<CustomerAddress> {
  const { FENBRIK_ADDRESS: set } = environment();
  if (set !== undefined) return { address: set, isSet: true };
  return { address: (await getShop(db)).customerAddress, isSet: false };
}

/** The same as an owner sees it under Settings. */
export const showCustomerAddress = (_: Caller<'shop.settings'>): Promise<CustomerAddress> => customerAddress();

/** Confirms the address under which customers reach the shop, or forgets it. */
export async function saveCustomerAddress(
  caller: Caller<'shop.settings'>,
  { address }: z.infer<typeof customerAddressSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const { address: before, isSet } = await customerAddress(db);
    if (isSet) return fault('conflict', `It is set as FENBRIK_ADDRESS where Fenbrik is started: ${before}.`);
    await updateCustomerAddress(db, address);
    await noteEvent(db, {
      jobId: null,
      staffId: caller.id,
      kind: 'customer-address-changed',
      detail: { from: before, to: address },
    });
    return done(null);
  });
}
