import { handle } from '@/app/handle';
import { saveIdentity, shopFormSchema } from '@/service/shop/identity';

/** Writes who the shop is. */
export const PUT = handle('shop.settings', shopFormSchema, saveIdentity);
