import type { BillRule } from './bill';
import { containedTax } from './contained-tax';
import { type MarkUp, sellPrice } from './sell-price';

/** What is charged for, as far as tax can differ: parts, work, fees, and modules that are taken back. */
export const TAXED = ['part', 'labour', 'fee', 'credit'] as const;
export type Taxed = (typeof TAXED)[number];
/** Hundredths of a percent for each. */
export type TaxRates = Record<Taxed, number>;

/** How tax lies on what a shop asks. */
export interface PricingRule extends BillRule {
  rates: TaxRates;
  /** why this customer pays no tax; null: the customer does */
  exempt: string | null;
}

const NO_TAX: TaxRates = { part: 0, labour: 0, fee: 0, credit: 0 };

/** The rule as it holds for lines: anyone who is exempt pays prices without tax, and none is added. */
export function ruleForLines({ taxWay, taxRounding, rates, exempt }: PricingRule): BillRule & { rates: TaxRates } {
  return exempt === null ? { taxWay, taxRounding, rates } : { taxWay: 'added', taxRounding, rates: NO_TAX };
}

/** A price of the shop as a customer is asked it: who is exempt is not asked the tax that it holds. Minor units. */
export function askedPrice(minor: number, what: Taxed, { taxWay, rates, exempt }: PricingRule): number {
  return exempt === null || taxWay === 'added' ? minor : minor - containedTax(minor, rates[what]);
}

/**
 * What a customer is asked for one unit of an offer, minor units: with tax where the shop's prices hold it, else without.
 *
 * @param costCents what the shop pays, without tax
 */
export function offerPrice(costCents: number, markUp: MarkUp, rule: PricingRule): number {
  return askedPrice(sellPrice(costCents, markUp, rule.taxWay === 'contained' ? rule.rates.part : 0), 'part', rule);
}
