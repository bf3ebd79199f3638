import { CUSTOMER_NAME } from '@/core/market/stock-name';
import type { PlanSay } from '@/core/planning/explain/plan-say';
import { savingText } from '@/core/planning/explain/saving-words';
import type { Plan } from '@/core/planning/search/plan';
import type { OfferSupply } from '@/service/job/options/view';
import type { StaffWords } from '@/words/staff-words';

type Supplies = Readonly<Record<string, OfferSupply>>;

/** Does a plan use a part that its customer has bought elsewhere? What was paid for it nobody here knows. */
export const hasOwnPart = ({ bought }: Pick<Plan, 'bought'>, supplies: Supplies): boolean =>
  bought.some(({ offer }) => supplies[offer]?.seller === CUSTOMER_NAME);

/** What a plan saves against originals, as far as that can be said. */
export function savingSaid(
  t: StaffWords<'options'>,
  say: PlanSay,
  plan: Plan,
  { plans, supplies }: { plans: readonly Plan[]; supplies: Supplies },
): string {
  return hasOwnPart(plan, supplies) ? t('made.ownPart') : savingText(say, plan, plans);
}
