import type { PlanCase } from './case';
import { machinesOf } from './machines';
import type { Purchase } from './purchase';

/**
 * Price of a plan in minor units: units x price + for each machine labour - credits of what is removed.
 *
 * @param kept places of the kept modules in `installed`
 */
export function planPriceCents(planCase: PlanCase, kept: readonly number[], bought: readonly Purchase[]): number {
  const parts = bought.reduce((sum, { offer, count }) => sum + count * (planCase.offers[offer]?.priceCents ?? 0), 0);
  const removed = planCase.installed.filter((_, index) => !kept.includes(index));
  const credits = removed.reduce((sum, one) => sum + (one.creditCents ?? 0), 0);
  return parts + machinesOf(planCase) * ((planCase.labourCents ?? 0) - credits);
}
