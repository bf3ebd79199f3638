import type { PlanCase } from '@/core/planning/model/case';
import type { OfferSupply } from '@/service/job/options/view';
import { staffWords } from '@/words/staff-words';
import { daysLate, deliveryText, fromText, leadDaysOf } from './delivery';

const t = staffWords('en', 'options');

const supply = (leadDays: number | null) => ({ leadDays }) as OfferSupply;
const supplies = { here: supply(null), soon: supply(1), later: supply(5) };
const buying = (...offers: string[]) => ({ bought: offers.map((offer) => ({ offer, count: 1 })) });

test('a plan is here when the last of what it buys is', () => {
  expect(leadDaysOf(buying('here', 'later', 'soon'), supplies)).toBe(5);
  expect(deliveryText(t, buying('soon', 'later'), supplies)).toBe('in 5 days');
  expect(deliveryText(t, buying('here', 'soon'), supplies)).toBe('in 1 day');
  expect(deliveryText(t, buying('here', 'nobody knows'), supplies)).toBe('in stock');
  expect(deliveryText(t, buying(), supplies)).toBe('nothing to order');
});

test('a plan is late by the days that its last part comes after the day it is needed; what is in the house never is', () => {
  expect(daysLate(buying('soon', 'later'), supplies, 5)).toBe(0);
  expect(daysLate(buying('soon', 'later'), supplies, 2)).toBe(3);
  expect(daysLate(buying('soon'), supplies, 0)).toBe(1);
  expect(daysLate(buying('soon'), supplies, -4)).toBe(5);
  expect(daysLate(buying('here'), supplies, -4)).toBe(0);
  expect(daysLate(buying(), supplies, -4)).toBe(0);
});

it('names who made and who sells what a plan buys, each once', () => {
  const offer = (id: string, maker: string | null, part: string | null = null) =>
    ({ id, module: { maker, part } }) as PlanCase['offers'][number];
  const planCase = {
    offers: [offer('a', 'Corrick'), offer('b', null), offer('c', 'Corrick'), offer('d', 'Corrick', 'CO8D24')],
  };
  const supplies = Object.fromEntries(
    [
      ['a', 'Halyard Parts'],
      ['b', 'Stock'],
      ['c', 'Halyard Parts'],
      ['d', 'Stock'],
    ].map(([id, seller]) => [id, { seller }]),
  ) as unknown as Record<string, OfferSupply>;
  const buys = (...ids: string[]) => ({ bought: ids.map((id) => ({ offer: id, count: 1 })) });
  expect(fromText(t, planCase, buys('a', 'c'), supplies)).toBe('Corrick from Halyard Parts');
  expect(fromText(t, planCase, buys('a', 'b'), supplies)).toBe('Corrick from Halyard Parts; from stock');
  expect(fromText(t, planCase, buys('d'), supplies)).toBe('Corrick CO8D24 from stock');
  expect(fromText(t, planCase, { bought: [] }, supplies)).toBe('');
});
