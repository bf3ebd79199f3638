import { z } from 'zod';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { getShop, type PriceRule, updatePriceRule } from '../../store/shop/shop';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

const percent = z.number().int().min(0, 'A mark-up is 0 or more.').max(100_000, 'At most 1000 %.');

export const priceRuleSchema = z.strictObject({
  markUpBp: percent,
  markUpSteps: z
    .array(
      z.strictObject({
        fromCents: z.number().int().positive('A step begins above 0.').max(10_000_000),
        markUpBp: percent,
      }),
    )
    .max(12, 'At most 12 steps.'),
  leastMarginCents: z.number().int().min(0, 'The least margin is 0 or more.').max(1_000_000),
  roundUpToCents: z.number().int().positive('Prices are rounded to more than 0.').max(100_000),
  priceEndings: z.array(z.number().int().min(0).max(99)).max(20),
});

export async function showPriceRule(
  _: Caller<'shop.settings'>,
): Promise<{ rule: PriceRule; currency: string; taxBp: number }> {
  const { currency, taxBp, taxWay, markUpBp, markUpSteps, leastMarginCents, roundUpToCents, priceEndings } =
    await getShop(pool());
  return {
    rule: { markUpBp, markUpSteps, leastMarginCents, roundUpToCents, priceEndings },
    currency,
    // Where tax is added, prices are made and rounded without it.
    taxBp: taxWay === 'contained' ? taxBp : 0,
  };
}

/** Writes how the shop makes its prices. What is sent keeps its price; what is looked at next has the new one. */
export async function savePriceRule(
  caller: Caller<'shop.settings'>,
  rule: z.infer<typeof priceRuleSchema>,
): Promise<Result<null>> {
  const starts = rule.markUpSteps.map(({ fromCents }) => fromCents);
  if (new Set(starts).size < starts.length) return fault('bad-input', 'Two steps begin at one cost.');
  return transaction(async (db) => {
    const before = await getShop(db);
    const sorted = { ...rule, markUpSteps: [...rule.markUpSteps].sort((a, b) => a.fromCents - b.fromCents) };
    await updatePriceRule(db, sorted);
    const { markUpBp, markUpSteps, leastMarginCents, roundUpToCents, priceEndings } = before;
    const from = { markUpBp, markUpSteps, leastMarginCents, roundUpToCents, priceEndings };
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'price-rule-changed', detail: { from, to: sorted } });
    return done(null);
  });
}
