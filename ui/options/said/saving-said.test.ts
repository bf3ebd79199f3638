import type { PlanSay } from '@/core/planning/explain/plan-say';
import { answer } from '@/core/planning/search/answer';
import type { OfferSupply } from '@/service/job/options/view';
import { WORKED_CASES } from '@/testing/worked-cases';
import { staffWords } from '@/words/staff-words';
import { COLUMNS } from '../table-columns';
import { savingSaid } from './saving-said';

const planCase = WORKED_CASES.find(([name]) => name === 'bakery-till')?.[1];
if (planCase === undefined) throw new Error('no such case');
const { plans } = answer(planCase);
const plan = plans.find(({ savingCents, bought }) => (savingCents ?? 0) > 0 && bought.length > 0);
if (plan === undefined) throw new Error('no plan saves anything');
const [t, tTrade, tPlans] = [staffWords('en', 'options'), staffWords('en', 'trade'), staffWords('en', 'plans')];
const say: PlanSay = { t: tPlans, tTrade, money: (cents) => `${cents} ct` };
const from = (seller: string) =>
  Object.fromEntries(plan.bought.map(({ offer }) => [offer, { seller }])) as unknown as Record<string, OfferSupply>;

test('claims a saving of what is sold here, and none of a part that the customer brings', () => {
  expect(savingSaid(t, say, plan, { plans, supplies: from('Halyard Parts') })).toMatch(/^saves \d+ ct/);
  expect(savingSaid(t, say, plan, { plans, supplies: from('Customer') })).toBe(
    'with the customer’s own part, so no saving is claimed',
  );
  const saving = COLUMNS.find(({ id }) => id === 'saving');
  const ground = { tTrade, tPlans, planCase };
  expect(saving?.value(plan, { ...ground, supplies: from('Halyard Parts') })).toBeGreaterThan(0);
  expect(saving?.value(plan, { ...ground, supplies: from('Customer') })).toBeNull();
});
