import { handle } from '@/app/handle';
import { needsSchema, saveNeeds } from '@/service/shop/needs';

/** What the shop holds uses and systems to need. */
export const PUT = handle('shop.settings', needsSchema, saveNeeds);
