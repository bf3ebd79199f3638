import { agedPrice, priceDays } from './aged-price';

const NOW = new Date('2026-11-30T12:00:00Z');
const daysAgo = (days: number): Date => new Date(NOW.getTime() - days * 86_400_000);

it('is old from the 21st day, and the shop’s own never', () => {
  expect(agedPrice({ pricedAt: daysAgo(20.9) }, NOW)).toBeNull();
  expect(agedPrice({ pricedAt: daysAgo(21) }, NOW)).toEqual({ why: 'old', days: 21 });
  expect(agedPrice({ pricedAt: null }, NOW)).toBeNull();
  expect(priceDays({ pricedAt: null }, NOW)).toBeNull();
  expect(priceDays({ pricedAt: daysAgo(-1) }, NOW)).toBe(0);
});

it('is doubted at once where its seller’s feed is sick', () => {
  expect(agedPrice({ pricedAt: daysAgo(0), sickSince: daysAgo(3) }, NOW)).toEqual({
    why: 'sick',
    since: daysAgo(3).toISOString(),
  });
  expect(agedPrice({ pricedAt: daysAgo(0), sickSince: null }, NOW)).toEqual({ why: 'sick', since: null });
});
