import type { PricingRule } from '../pricing/pricing-rule';

/** How a shop taxes in tests: all at 20 %, in its prices, unless said otherwise. */
export const sampleRule = (more: Partial<PricingRule> = {}): PricingRule => ({
  taxWay: 'contained',
  taxRounding: 'total',
  rates: { part: 2000, labour: 2000, fee: 2000, credit: 2000 },
  exempt: null,
  ...more,
});
