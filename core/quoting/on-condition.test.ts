import { ifNotOf, settledOption } from './on-condition';
import { sampleRule } from './samples';
import type { QuoteOption } from './snapshot';

test('what is paid if it does not work is taxed as the work is, in either way', () => {
  const rates = { part: 2000, labour: 1000, fee: 500, credit: 0 };
  expect(ifNotOf(5500, sampleRule({ rates }))).toEqual({
    eachCents: 5500,
    totalCents: 5500,
    taxCents: 500,
    taxBp: 1000,
  });
  expect(ifNotOf(5500, sampleRule({ rates, taxWay: 'added' }))).toEqual({
    ...{ eachCents: 5500, totalCents: 6050, taxCents: 550, taxBp: 1000 },
  });
  expect(ifNotOf(5500, sampleRule({ rates, exempt: 'public body' }))).toMatchObject({ totalCents: 5500, taxCents: 0 });
});

test('settled, the agreed amount is all there is, with its tax', () => {
  const option = { place: 1, totalCents: 40_000, taxCents: 6_667, lines: [{}, {}], ifNot: ifNotOf(4500, sampleRule()) };
  const settled = settledOption(option as unknown as QuoteOption, 'tried, as agreed');
  expect(settled.lines).toHaveLength(1);
  expect(settled.lines[0]).toMatchObject({ kind: 'fee', totalCents: 4500, quantity: 1 });
  expect(settled.lines[0]?.text).toBe('tried, as agreed');
  expect(settled).toMatchObject({
    totalCents: 4500,
    taxCents: 750,
    taxes: [{ taxBp: 2000, netCents: 3750, taxCents: 750 }],
  });
  expect(() => settledOption({ place: 2 } as QuoteOption, '')).toThrow('option 2 is not on condition');
});
