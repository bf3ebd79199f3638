import { makerAsks } from './factory-yardstick';
import { asksOf } from './typed-asks';

const GB = 1024;
const known = [
  { totalMiB: 8 * GB, surchargeCents: 0, baseModel: '' },
  { totalMiB: 32 * GB, surchargeCents: 40_000, baseModel: '' },
];

test('what was typed for the job stands in place of what the model knows', () => {
  const asks = asksOf(known, { totalMiB: 16 * GB, cents: 25_000 }, 8 * GB);
  expect(makerAsks(asks, 16 * GB, 8 * GB)).toEqual({ cents: 25_000, overMiB: 8 * GB, isTyped: true });
  expect(makerAsks(asks, 32 * GB, 8 * GB)).toBeNull();
});

test.each([
  [{ totalMiB: null, cents: 25_000 }],
  [{ totalMiB: 16 * GB, cents: null }],
  // For what is in it already nobody asks anything.
  [{ totalMiB: 8 * GB, cents: 25_000 }],
  [{ totalMiB: 4 * GB, cents: 25_000 }],
])('%j says nothing, and the model is asked', (typed) => {
  expect(asksOf(known, typed, 8 * GB)).toEqual(known);
});
