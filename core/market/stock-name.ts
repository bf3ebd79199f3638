/** The shop's own stock, named where a seller is. Screens have their own word for it. */
export const STOCK_NAME = 'Stock';
