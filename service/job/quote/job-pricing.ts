import type { Language } from '../../../core/language';
import { type Labour, labourFor, openingMinutes } from '../../../core/pricing/labour';
import { askedPrice, type PricingRule } from '../../../core/pricing/pricing-rule';
import { PLAIN_TERMS } from '../../../core/quoting/terms';
import type { QuoteTerms } from '../../../core/quoting/terms-schema';
import { PAPER_WORDS } from '../../../core/quoting/words/papers-in';
import type { Job } from '../../../store/job/jobs';
import type { Draft } from '../../../store/job/quotes';
import type { Model } from '../../../store/library/models';
import type { Shop } from '../../../store/shop/shop';

/** How tax lies on what a customer of the shop is asked. */
export function pricingRule(shop: Shop, exempt: string | null): PricingRule {
  const { taxWay, taxRounding, taxBp, labourTaxBp, feeTaxBp, creditTaxBp } = shop;
  return {
    taxWay,
    taxRounding,
    rates: { part: taxBp, labour: labourTaxBp ?? taxBp, fee: feeTaxBp ?? taxBp, credit: creditTaxBp ?? taxBp },
    exempt,
  };
}

/** What work costs on a model, as its customer is asked it. */
export function labourOf(shop: Shop, model: Pick<Model, 'opening'> | null, rule: PricingRule): Labour {
  const { labourCents: flatCents, labourHourCents: hourCents, labourLeastCents: leastCents } = shop;
  const minutes = model === null ? null : openingMinutes(model.opening);
  const labour = labourFor({ flatCents, hourCents, leastCents, stepMinutes: shop.labourStepMinutes }, minutes);
  return { ...labour, cents: askedPrice(labour.cents, 'labour', rule) };
}

/** What was agreed on a draft; what was not, is as usual. */
export const termsOf = (draft: Pick<Draft, 'terms'> | null): QuoteTerms => ({ ...PLAIN_TERMS, ...draft?.terms });

/** Of a free replacement: parts and work cost nothing, and the paper says why. */
export function underGuarantee(terms: QuoteTerms, of: number | null, language: Language): QuoteTerms {
  if (of === null) return terms;
  return {
    ...terms,
    deposit: null,
    discount: { kind: 'share', bp: 10_000, reason: PAPER_WORDS[language].underGuarantee },
  };
}

/** What a job's papers are written in: as the quote wants it, else the customer, else the shop. */
export const languageOf = (shop: Shop, { customer }: Pick<Job, 'customer'>, terms: QuoteTerms): Language =>
  terms.language ?? customer.language ?? shop.language;
