/** New modules of one kind in stock. */
export interface StockRow {
  offerId: number;
  title: string;
  origin: string;
  originalOf: string | null;
  free: number;
  promised: number;
  place: string;
  leastStock: number | null;
  /** what one cost; null: the person who looks may not see it */
  costCents: number | null;
}
