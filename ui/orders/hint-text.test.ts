import type { OrderHint } from '@/core/ordering/order-hints';
import { hintText } from './hint-text';

const hint = (one: Partial<OrderHint>): OrderHint => ({
  what: 'free-shipping',
  fromCents: 5_000,
  missingCents: 3_000,
  currency: 'EUR',
  more: 2,
  ...one,
});

test.each([
  [hint({}), '€30.00 more ships free: 2 more modules reach it.'],
  [hint({ more: 1 }), '€30.00 more ships free: one more module reaches it.'],
  [hint({ more: null }), '€30.00 more ships free.'],
  [hint({ missingCents: 0, more: null }), 'Ships free: it is over €50.00.'],
  [hint({ what: 'least-order' }), '€30.00 short of the least order of €50.00.'],
  [hint({ what: 'least-order', missingCents: 0 }), 'Over the least order of €50.00.'],
])('what a threshold says: %#', (one, text) => {
  expect(hintText(one)).toBe(text);
});
