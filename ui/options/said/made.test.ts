import type { PlanCase } from '@/core/planning/model/case';
import type { OfferSupply } from '@/service/job/options/view';
import { staffWords } from '@/words/staff-words';
import { guaranteeMonthsOf, guaranteeOfPlan, madeOfPlan, madeText, testedOfPlan, testedText } from './made';

const t = staffWords('en', 'options');
const buys = (...ids: string[]) => ({ bought: ids.map((offer) => ({ offer, count: 1 })) });

test('modules are told by who made them and their part, each once', () => {
  expect(madeText({ maker: 'Corrick', part: 'CO8D24' })).toBe('Corrick CO8D24');
  expect(madeText({ maker: null, part: 'CO8D24' })).toBe('CO8D24');
  expect(madeText({})).toBe('');
  const offer = (id: string, maker: string | null) =>
    ({ id, module: { maker, part: null } }) as PlanCase['offers'][number];
  const planCase = { offers: [offer('a', 'Corrick'), offer('b', null), offer('c', 'Corrick'), offer('d', 'Vellamo')] };
  expect(madeOfPlan(planCase, buys('a', 'b', 'c', 'd'))).toBe('Corrick, Vellamo');
  expect(madeOfPlan(planCase, buys('gone'))).toBe('');
});

test('a plan is on a list of tested parts where all that it buys is', () => {
  const supply = (...testedBy: string[]) => ({ testedBy }) as unknown as OfferSupply;
  const supplies = { a: supply('Tarnholt list'), b: supply(), c: supply('Tarnholt list', 'Ours') };
  expect(testedText(t, supplies.a)).toBe('on the list of tested parts “Tarnholt list”');
  expect(testedText(t, undefined)).toBe('');
  expect(testedOfPlan(t, buys('a', 'c'), supplies)).toBe('on the list of tested parts “Tarnholt list, Ours”');
  expect(testedOfPlan(t, buys('a', 'b'), supplies)).toBe('');
  expect(testedOfPlan(t, buys(), supplies)).toBe('');
});

test('a plan is under guarantee as long as the shortest of what it buys', () => {
  const supply = (guaranteeMonths?: number) =>
    (guaranteeMonths === undefined ? {} : { guaranteeMonths }) as unknown as OfferSupply;
  const supplies = { a: supply(120), b: supply(24), c: supply(), d: supply(30) };
  expect(guaranteeOfPlan(t, buys('a', 'b'), supplies)).toBe('2 years’ guarantee');
  expect(guaranteeOfPlan(t, buys('d'), supplies)).toBe('30 months’ guarantee');
  expect(guaranteeOfPlan(t, buys('a', 'c'), supplies)).toBe('');
  expect(guaranteeOfPlan(t, buys(), supplies)).toBe('');
  expect(guaranteeMonthsOf(buys('a', 'd'), supplies)).toBe(30);
  expect(guaranteeMonthsOf(buys('c', 'd'), supplies)).toBeNull();
});
