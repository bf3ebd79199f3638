import { capacityText } from '../../memory/capacity';
import { moneyText } from '../../pricing/money-text';
import { savingPercent } from '../../pricing/saving';
import type { Plan } from '../search/plan';

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
export function savingText(plan: Plan, plans: readonly Plan[], currency: string): string {
  if (plan.lane === 'original') return 'this is the original';
  if (plan.savingCents === null) {
    const nearest = nearestOriginal(plans, plan.totalMiB);
    const none = `no original ends at ${capacityText(plan.totalMiB)}`;
    return nearest === null ? none : `${none}; the nearest does at ${capacityText(nearest)}`;
  }
  if (plan.savingCents === 0) return 'as dear as the original';
  const percent = savingPercent(plan.savingCents, plan.priceCents);
  if (percent === null) return `${moneyText(-plan.savingCents, currency)} more than the original`;
  return `saves ${moneyText(plan.savingCents, currency)} (${percent} %) against the original`;
}
