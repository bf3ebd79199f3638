import { parsePercent } from './parse-percent';

test.each([
  ['5', 500],
  ['2.5 %', 250],
  ['0,25', 25],
  ['100', 10_000],
  ['0', 0],
])('%s is a percentage', (text, bp) => {
  expect(parsePercent(text)).toBe(bp);
});

test.each(['', '-1', '101', 'five', '1.234'])('"%s" is none', (text) => {
  expect(parsePercent(text)).toBeNull();
});
