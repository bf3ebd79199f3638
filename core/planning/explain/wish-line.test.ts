import { parseWish } from './wish-line';

const GB = 1024;

test.each([
  ['64 GB under 100', { minMiB: 64 * GB, maxPriceCents: 10_000 }],
  ['at least 32GB for €99.50', { minMiB: 32 * GB, maxPriceCents: 9_950 }],
  ['32 GB, 1 free, 2666 MT/s', { minMiB: 32 * GB, minOpenSlots: 1, minRateMTs: 2666 }],
  ['2 free slots and 16 GB', { minOpenSlots: 2, minMiB: 16 * GB }],
  ['below 80', { maxPriceCents: 8_000 }],
  ['1 TB', { minMiB: 1024 * GB }],
])('%s is a wish', (line, wish) => {
  expect(parseWish(line, 'EUR')).toEqual(wish);
});

test.each(['', '   ', 'Corrick 8 GB DDR4', 'and', '64', 'under the table', '16 GB Vellamo under 50'])(
  '"%s" is none',
  (line) => {
    expect(parseWish(line, 'EUR')).toBeNull();
  },
);
