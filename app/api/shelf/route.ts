import { handle } from '@/app/handle';
import { pieceSchema, putOnShelf } from '@/service/market/shelf';

/** Puts one used module on our shelf. */
export const POST = handle('stock.write', pieceSchema, putOnShelf);
