import { handle } from '@/app/handle';
import { bestRuleSchema, saveBestRule } from '@/service/job/options/steering';

/** Writes which plans of a rung count as equally cheap. */
export const PUT = handle('shop.settings', bestRuleSchema, saveBestRule);
