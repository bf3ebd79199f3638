import { billOf } from '../pricing/bill';
import { type PricingRule, ruleForLines } from '../pricing/pricing-rule';
import type { QuoteLine, QuoteOption } from './snapshot';

/** What is paid where an option turns out not to work: one line, with its tax. Minor units. */
export type IfNot = NonNullable<QuoteOption['ifNot']>;

/** @param eachCents as the shop's prices are, minor units */
export function ifNotOf(eachCents: number, pricing: PricingRule): IfNot {
  const rule = ruleForLines(pricing);
  const taxBp = rule.rates.labour;
  const { grossMinor, taxMinor } = billOf([{ minor: eachCents, taxBp }], rule);
  return { eachCents, totalCents: grossMinor, taxCents: taxMinor, taxBp };
}

/**
 * The option as it is settled where it does not work: the agreed amount is all that is paid.
 *
 * @param text what its one line says
 * @throws Error where nothing of the kind was agreed
 */
export function settledOption(option: QuoteOption, text: string): QuoteOption {
  const { ifNot } = option;
  if (ifNot === undefined) throw new Error(`option ${option.place} is not on condition`);
  const { eachCents, totalCents, taxCents, taxBp } = ifNot;
  const line: QuoteLine = {
    kind: 'fee',
    text,
    origin: null,
    quantity: 1,
    eachCents,
    totalCents: eachCents,
    taxBp,
  };
  return {
    ...option,
    lines: [line],
    totalCents,
    taxCents,
    taxes: [{ taxBp, netCents: totalCents - taxCents, taxCents }],
  };
}
