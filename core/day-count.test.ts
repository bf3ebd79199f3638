import { dayAfter, daysFrom } from './day-count';

test.each([
  ['2026-12-02', '2026-12-02', 0],
  ['2026-12-02', '2026-12-09', 7],
  ['2026-12-31', '2027-01-01', 1],
  ['2028-02-28', '2028-03-01', 2],
  ['2026-12-09', '2026-12-02', -7],
])('from %s to %s it is %d days', (one, other, days) => {
  expect(daysFrom(one, other)).toBe(days);
});

test.each([
  ['2026-12-20', 14, '2027-01-03'],
  ['2028-02-28', 1, '2028-02-29'],
  ['2026-12-02', 0, '2026-12-02'],
])('%s and %d days is %s', (from, days, to) => {
  expect(dayAfter(from, days)).toBe(to);
  expect(daysFrom(from, to)).toBe(days);
});
