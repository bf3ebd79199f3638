import { capacityText } from '../../memory/capacity';
import type { PlanSay } from '../explain/plan-say';
import type { Growth } from './grow-later';

/** What becomes of the modules by then. */
function fateOf({ t }: PlanSay, { boughtNow, boughtKept, out }: Extract<Growth, { is: 'step' }>): string {
  if (out === 0) return t('grow.nothing');
  if (boughtKept === boughtNow) return boughtNow === 0 ? t('grow.old', { out }) : t('grow.boughtStays', { out });
  return boughtKept === 0 ? t('grow.none', { boughtNow }) : t('grow.some', { boughtKept, boughtNow });
}

/** What the next step up from a plan would be, as a sentence. */
export function growthText(say: PlanSay, growth: Growth): string {
  const { t, money } = say;
  if (growth.is === 'end') return t('grow.end', { slots: growth.openSlots });
  return t('grow.step', {
    total: capacityText(growth.totalMiB),
    price: money(growth.priceCents),
    fate: fateOf(say, growth),
  });
}
