import type { OfferSupply } from '@/service/job/options/view';
import { staffWords } from '@/words/staff-words';
import { deliveryText, leadDaysOf } from './delivery';

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
