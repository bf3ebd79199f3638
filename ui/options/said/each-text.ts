import type { PlanCase } from '@/core/planning/model/case';
import { machinesOf } from '@/core/planning/model/machines';
import { eachCents } from '@/core/pricing/each-cents';
import type { StaffWords } from '@/words/staff-words';
import { moneyText } from '../../words/amounts';

/** What a price for several machines comes to for each; empty: there is one. */
export function eachText(t: StaffWords<'options'>, planCase: PlanCase, cents: number): string {
  const machines = machinesOf(planCase);
  if (machines === 1) return '';
  return t('each', { price: moneyText(eachCents(cents, machines), planCase.currency) });
}
