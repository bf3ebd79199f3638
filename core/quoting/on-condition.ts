import type { Language } from '../language';
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

/** What settles an option that does not work, in the words of the customer's papers. */
export const IF_NOT_LINE: Record<Language, string> = {
  en: 'Memory upgrade tried, did not work: your own modules are back in, as agreed',
  de: 'Speichererweiterung ausprobiert, lief nicht: Ihre eigenen Module sind wieder eingebaut, wie vereinbart',
  fr: 'Extension de mémoire essayée, sans succès : vos propres modules sont remis en place, comme convenu',
};

/**
 * The option as it is settled where it does not work: the agreed amount is all that is paid.
 *
 * @throws Error where nothing of the kind was agreed
 */
export function settledOption(option: QuoteOption, language: Language): QuoteOption {
  const { ifNot } = option;
  if (ifNot === undefined) throw new Error(`option ${option.place} is not on condition`);
  const { eachCents, totalCents, taxCents, taxBp } = ifNot;
  const line: QuoteLine = {
    kind: 'fee',
    text: IF_NOT_LINE[language],
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
