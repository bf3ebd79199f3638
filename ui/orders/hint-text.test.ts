import type { OrderHint } from '@/core/ordering/order-hints';
import { staffWords } from '@/words/staff-words';
import { hintText } from './hint-text';

const t = staffWords('en', 'orders');

const hint = (one: Partial<OrderHint>): OrderHint => ({
  what: 'free-shipping',
  fromCents: 5_000,
  missingCents: 3_000,
  currency: 'EUR',
  more: 2,
  ...one,
});

test.each([
  [hint({}), '€30.00 more for free shipping: 2 more modules reach it.'],
  [hint({ more: 1 }), '€30.00 more for free shipping: one more module reaches it.'],
  [hint({ more: null }), '€30.00 more for free shipping.'],
  [hint({ missingCents: 0, more: null }), 'Free shipping: it is over €50.00.'],
  [hint({ what: 'least-order' }), '€30.00 short of the minimum order of €50.00.'],
  [hint({ what: 'least-order', missingCents: 0 }), 'Over the minimum order of €50.00.'],
])('what a threshold says: %#', (one, text) => {
  expect(hintText(t, one)).toBe(text);
});
