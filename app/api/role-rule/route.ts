import { handle } from '@/app/handle';
import { roleRuleSchema, saveRoleRule } from '@/service/shop/role-rule';

/** Writes what roles may see and sell. */
export const PUT = handle('shop.settings', roleRuleSchema, saveRoleRule);
