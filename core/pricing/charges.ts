import type { TaxRounding, TaxWay } from './bill';

/** What a shop asks for work and how it taxes. Money in minor units, rates in hundredths of a percent. */
export interface Charges {
  /** on parts, and on whatever has no rate of its own */
  taxBp: number;
  taxWay: TaxWay;
  taxRounding: TaxRounding;
  /** null: as parts */
  labourTaxBp: number | null;
  feeTaxBp: number | null;
  creditTaxBp: number | null;
  /** flat rate for work */
  labourCents: number;
  /** null: every machine is asked the flat rate */
  labourHourCents: number | null;
  labourLeastCents: number;
  labourStepMinutes: number;
  /** days that prices hold for */
  validityDays: number;
  /** invoices are due so many days after their day */
  invoiceDays: number;
}
