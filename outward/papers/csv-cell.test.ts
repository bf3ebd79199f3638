import { guarded, unguarded } from './csv-cell';

test.each(['=1+1', '+1', '-1', '@SUM(A1)', '\t=1', '\r=1', '\n=1', '＝1+1', '＋1', '－1', '＠SUM(A1)'])(
  '%j is shown and not run, and read back as it was',
  (cell) => {
    expect(guarded(cell)).toBe(`'${cell}`);
    expect(unguarded(guarded(cell))).toBe(cell);
  },
);

test.each(['8 GB', "'quoted'", '', 'a=b', '１６GB'])('%j stays as it is', (cell) => {
  expect(guarded(cell)).toBe(cell);
  expect(unguarded(cell)).toBe(cell);
});
