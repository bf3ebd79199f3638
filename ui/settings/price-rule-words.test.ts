import { staffWords } from '@/words/staff-words';
import { endingsText, markUpsText, parseEndings, parseMarkUps } from './price-rule-words';

const t = staffWords('en', 'settings');

test.each([
  ['18 %', { markUpBp: 1800, markUpSteps: [] }],
  [
    '18 %, from 50.00 12.5 %, from 200.00 8 %',
    {
      markUpBp: 1800,
      markUpSteps: [
        { fromCents: 5000, markUpBp: 1250 },
        { fromCents: 20_000, markUpBp: 800 },
      ],
    },
  ],
  ['0 %', { markUpBp: 0, markUpSteps: [] }],
])('%s is read and written the same', (text, markUps) => {
  expect(parseMarkUps(text, 'EUR')).toEqual(markUps);
  expect(markUpsText(t, markUps, 'EUR')).toBe(text);
});

test.each(['', 'dear', '18 %, 12 %', '18 %, from 12 %', '-5 %', '18 %, from 0 5 %', '18 %, from 5 x'])(
  '%j is no mark-up',
  (text) => {
    expect(parseMarkUps(text, 'EUR')).toBeNull();
  },
);

test('endings are read and written the same, and what is none is told', () => {
  expect(parseEndings('.00 .50 .90')).toEqual([0, 50, 90]);
  expect(endingsText([0, 50, 90])).toBe('.00 .50 .90');
  expect(parseEndings('')).toEqual([]);
  expect(parseEndings('90, 50')).toEqual([50, 90]);
  expect(parseEndings('.5')).toBeNull();
  expect(parseEndings('half')).toBeNull();
});
