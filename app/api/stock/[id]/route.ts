import { handle, idOf } from '@/app/handle';
import { changeStock, changeStockSchema } from '@/service/market/own-stock';

/** Adds to new modules in stock, takes some away, or says where they lie and how few are too few. */
export const PUT = handle('stock.write', changeStockSchema, (caller, body, params) =>
  changeStock(caller, idOf(params), body),
);
