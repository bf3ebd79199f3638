/** The shop's own stock, named where a seller is. Screens have their own word for it. */
export const STOCK_NAME = 'Stock';
/** The customer, named where a seller is: of a part that they bring. */
export const CUSTOMER_NAME = 'Customer';
