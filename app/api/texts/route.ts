import { handle } from '@/app/handle';
import { approvalSchema, approveTexts } from '@/service/shop/shop-texts';

/** Approves texts that customers read, as they are worded. */
export const PUT = handle('shop.settings', approvalSchema, approveTexts);
