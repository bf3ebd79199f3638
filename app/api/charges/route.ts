import { handle } from '@/app/handle';
import { chargesSchema, saveCharges } from '@/service/shop/charges';

/** Writes what the shop asks for work and how it taxes. */
export const PUT = handle('shop.settings', chargesSchema, saveCharges);
