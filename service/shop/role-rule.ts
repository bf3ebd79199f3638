import { z } from 'zod';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { getShop, type RoleRule, updateRoleRule } from '../../store/shop/shop';
import { done, type Result } from '../result';
import type { Caller } from '../staff/access';

export const roleRuleSchema = z.strictObject({
  counterSeesCost: z.boolean(),
  lowestMarginBp: z
    .number()
    .int()
    .min(0, 'The lowest margin is 0 % or more.')
    .max(10_000, 'The lowest margin is at most 100 %.'),
});

export async function showRoleRule(_: Caller<'shop.settings'>): Promise<RoleRule> {
  const { counterSeesCost, lowestMarginBp } = await getShop(pool());
  return { counterSeesCost, lowestMarginBp };
}

/** Writes what roles may see and sell, from now on. */
export async function saveRoleRule(
  caller: Caller<'shop.settings'>,
  rule: z.infer<typeof roleRuleSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const { counterSeesCost, lowestMarginBp } = await getShop(db);
    await updateRoleRule(db, rule);
    const detail = { from: { counterSeesCost, lowestMarginBp }, to: rule };
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'role-rule-changed', detail });
    return done(null);
  });
}
