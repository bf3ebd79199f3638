import type { OfferSupply } from '@/service/job/options/view';
import { deliveryText, leadDaysOf } from './delivery';

const supply = (leadDays: number | null) => ({ leadDays }) as OfferSupply;
const supplies = { here: supply(null), soon: supply(1), later: supply(5) };
const buying = (...offers: string[]) => ({ bought: offers.map((offer) => ({ offer, count: 1 })) });

test('a plan is here when the last of what it buys is', () => {
  expect(leadDaysOf(buying('here', 'later', 'soon'), supplies)).toBe(5);
  expect(deliveryText(buying('soon', 'later'), supplies)).toBe('in 5 days');
  expect(deliveryText(buying('here', 'soon'), supplies)).toBe('in 1 day');
  expect(deliveryText(buying('here', 'nobody knows'), supplies)).toBe('here now');
  expect(deliveryText(buying(), supplies)).toBe('nothing to order');
});
