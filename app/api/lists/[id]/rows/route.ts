import { handle, idOf } from '@/app/handle';
import { heapSchema, moreOfHeap } from '@/service/market/price-lists';

/** Further rows of a list, of one heap, after a line. */
export const POST = handle('offers.price', heapSchema, (_caller, body, params) => moreOfHeap(idOf(params), body));
