import { handle, idOf } from '@/app/handle';
import { groupSchema, moreOfGroup } from '@/service/market/price-lists';

/** Further rows of a list, of one review group, after a line. */
export const POST = handle('offers.price', groupSchema, (caller, body, params) =>
  moreOfGroup(caller, idOf(params), body),
);
