import { matchModels } from './match-models';

const models = [
  { id: 1, maker: 'Tarnholt', name: 'Counter 4', years: '2018 to 2020' },
  { id: 2, maker: 'Tarnholt', name: 'Counter 5', years: 'since 2021' },
  { id: 3, maker: 'Ostrell', name: 'Sling 14', years: '2020 to 2022' },
];
const ids = (typed: string) => matchModels(models, typed).map((model) => model.id);

test('words in any order begin words of the model', () => {
  expect(ids('counter')).toEqual([1, 2]);
  expect(ids('4 count')).toEqual([1]);
  expect(ids('OSTR 14')).toEqual([3]);
  expect(ids('2021 tarn')).toEqual([2]);
});

test('nothing typed offers the first, a report or a stranger none', () => {
  expect(ids('')).toEqual([1, 2, 3]);
  expect(ids('Counter 4\nMemory Device')).toEqual([]);
  expect(ids('counter 9')).toEqual([]);
});
