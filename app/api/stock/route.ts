import { handle } from '@/app/handle';
import { addNewStock, newStockSchema } from '@/service/market/own-stock';

/** Puts new modules into stock. */
export const POST = handle('stock.write', newStockSchema, addNewStock);
