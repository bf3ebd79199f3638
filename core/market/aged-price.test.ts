import { agedText, priceDays } from './aged-price';

const NOW = new Date('2026-11-30T12:00:00Z');
const daysAgo = (days: number): Date => new Date(NOW.getTime() - days * 86_400_000);

it('is old from the 21st day, and the shop’s own never', () => {
  expect(agedText({ pricedAt: daysAgo(20.9) }, NOW)).toBeNull();
  expect(agedText({ pricedAt: daysAgo(21) }, NOW)).toBe('price of 21 days ago');
  expect(agedText({ pricedAt: null }, NOW)).toBeNull();
  expect(priceDays({ pricedAt: null }, NOW)).toBeNull();
  expect(priceDays({ pricedAt: daysAgo(-1) }, NOW)).toBe(0);
});

it('is doubted at once where its seller’s feed is sick', () => {
  expect(agedText({ pricedAt: daysAgo(0), sickSince: daysAgo(3) }, NOW)).toBe('price of 3 days ago');
  expect(agedText({ pricedAt: daysAgo(0), sickSince: null }, NOW)).toBe('the feed never answered');
});
