import { capacityText } from '../../memory/capacity';
import { savingPercent } from '../../pricing/saving';
import type { Plan } from '../search/plan';
import type { PlanSay } from './plan-say';

/** The total nearest to one that some original plan ends at, MiB; null: there is no original at all. */
function nearestOriginal(plans: readonly Plan[], totalMiB: number): number | null {
  const totals = plans.flatMap((plan) => (plan.lane === 'original' ? [plan.totalMiB] : []));
  const [nearest] = totals.sort((a, b) => Math.abs(a - totalMiB) - Math.abs(b - totalMiB) || a - b);
  return nearest ?? null;
}

/**
 * What a plan saves against the cheapest original that ends at the same total; where none does, nothing is claimed and the
 * nearest rung of originals is named.
 *
 * @param plans all plans of the ladder
 */
export function savingText({ t, money }: PlanSay, plan: Plan, plans: readonly Plan[]): string {
  if (plan.lane === 'original') return t('saving.isOriginal');
  if (plan.savingCents === null) {
    const nearest = nearestOriginal(plans, plan.totalMiB);
    const size = capacityText(plan.totalMiB);
    return nearest === null
      ? t('saving.none', { size })
      : t('saving.noneNearest', { size, nearest: capacityText(nearest) });
  }
  if (plan.savingCents === 0) return t('saving.same');
  const percent = savingPercent(plan.savingCents, plan.priceCents);
  if (percent === null) return t('saving.more', { price: money(-plan.savingCents) });
  return t('saving.saves', { price: money(plan.savingCents), percent });
}
