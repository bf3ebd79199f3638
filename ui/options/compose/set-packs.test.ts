import { answer } from '@/core/planning/search/answer';
import type { PlanChoice } from '@/core/planning/search/evaluate-choice';
import { WORKED_CASES } from '@/testing/worked-cases';
import { setToday, withOfferAt } from './set-packs';

const planCase = WORKED_CASES.find(([name]) => name === 'bakery-till')?.[1];
if (planCase === undefined) throw new Error('no such case');
const today = setToday(planCase);
const [inside] = planCase.installed;
const slot = inside?.slot ?? '';
const [first, second] = planCase.offers;
if (first === undefined || second === undefined) throw new Error('no offers');

describe('an offer that is put into a slot', () => {
  it('takes the place of what is in it today', () => {
    const set = withOfferAt(planCase, today, null, { slot, offer: first.id });
    expect(set.kept).toEqual(today.kept.filter((one) => one !== slot));
    expect(set.bought).toEqual([{ offer: first.id, count: 1 }]);
  });

  it('takes the place of what a plan buys for it, and the same changes nothing', () => {
    const plan = answer(planCase).plans.find(({ placement }) =>
      Object.values(placement).some((seat) => 'offer' in seat),
    );
    if (plan === undefined) throw new Error('no plan buys anything');
    const [at, seat] = Object.entries(plan.placement).find(([, one]) => 'offer' in one) ?? [];
    if (at === undefined || seat === undefined || !('offer' in seat)) throw new Error('no seat');
    const set = { kept: plan.kept, bought: plan.bought };
    expect(withOfferAt(planCase, set, plan, { slot: at, offer: seat.offer })).toBe(set);
    const other = planCase.offers.find(({ id }) => id !== seat.offer && !plan.bought.some(({ offer }) => offer === id));
    const changed = withOfferAt(planCase, set, plan, { slot: at, offer: other?.id ?? '' });
    const countOf = (bought: PlanChoice['bought'], id: string) => bought.find(({ offer }) => offer === id)?.count ?? 0;
    expect(countOf(changed.bought, seat.offer)).toBe(countOf(set.bought, seat.offer) - 1);
    expect(countOf(changed.bought, other?.id ?? '')).toBe(1);
  });

  it('is only added where the slot is empty after the plan', () => {
    const set = withOfferAt(planCase, today, { placement: {} }, { slot: 'nowhere', offer: second.id });
    expect(set).toEqual({ kept: today.kept, bought: [{ offer: second.id, count: 1 }] });
  });
});
