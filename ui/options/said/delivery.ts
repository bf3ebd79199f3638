import { CUSTOMER_NAME, STOCK_NAME } from '@/core/market/stock-name';
import type { PlanCase } from '@/core/planning/model/case';
import { offerOf } from '@/core/planning/model/offer-of';
import type { Plan } from '@/core/planning/search/plan';
import type { OfferSupply } from '@/service/job/options/view';
import type { StaffWords } from '@/words/staff-words';
import { madeText } from './made';

type Supplies = Readonly<Record<string, OfferSupply>>;

/** Days until everything a plan buys is here; 0: it is here now. */
export function leadDaysOf({ bought }: Pick<Plan, 'bought'>, supplies: Supplies): number {
  return Math.max(0, ...bought.map(({ offer }) => supplies[offer]?.leadDays ?? 0));
}

/**
 * Days that what a plan buys comes too late; 0: it is in time. What is in the house is, whatever day it is needed.
 *
 * @param inDays days until it is needed
 */
export const daysLate = (plan: Pick<Plan, 'bought'>, supplies: Supplies, inDays: number): number => {
  const lead = leadDaysOf(plan, supplies);
  return lead === 0 ? 0 : Math.max(0, lead - inDays);
};

/** How long something takes to come. */
export const daysText = (t: StaffWords<'options'>, days: number): string =>
  days === 0 ? t('delivery.now') : t('delivery.days', { days });

/** When everything a plan buys is here. */
export function deliveryText(t: StaffWords<'options'>, plan: Pick<Plan, 'bought'>, supplies: Supplies): string {
  if (plan.bought.length === 0) return t('delivery.nothing');
  const days = leadDaysOf(plan, supplies);
  return days === 0 ? daysText(t, days) : t('delivery.inDays', { id: days });
}

/** Who made the modules that a plan buys, their parts, and who sells them: `Corrick CO8D24 from Halyard Parts`. */
export function fromText(
  t: StaffWords<'options'>,
  planCase: Pick<PlanCase, 'offers'>,
  plan: Pick<Plan, 'bought'>,
  supplies: Supplies,
): string {
  const each = plan.bought.map(({ offer }) => {
    const seller = supplies[offer]?.seller ?? '';
    const maker = madeText(offerOf(planCase.offers, offer)?.module ?? {});
    if (seller === '') return maker;
    if (seller === CUSTOMER_NAME) return t('rung.fromCustomer');
    if (seller === STOCK_NAME) return maker === '' ? t('rung.fromStock') : t('rung.makerFromStock', { maker });
    return maker === '' ? t('rung.from', { seller }) : t('rung.makerFrom', { maker, seller });
  });
  return [...new Set(each)].filter((text) => text !== '').join('; ');
}
