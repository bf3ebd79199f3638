import { makerKey } from '../maker-key';
import { modelsNamed, type NamedModel } from './named-model';

const model = (id: number, name: string, more: Partial<NamedModel> = {}): NamedModel => ({
  id,
  maker: 'Tarnholt',
  family: '',
  name,
  yearFrom: 2018,
  yearTo: 2021,
  modelIds: [],
  boardIds: [],
  productStrings: [],
  ...more,
});

const LIBRARY = [
  model(1, 'Counter 4', { productStrings: ['tc4-1900'], family: 'Counter' }),
  model(2, 'Lumen 5', { yearFrom: 2017, yearTo: 2018, modelIds: ['LM-5A'] }),
  model(3, 'Lumen 5', { yearFrom: 2021, yearTo: null }),
  model(4, 'Lumen 5', { maker: 'Osprey Machines Ltd', yearFrom: 2019 }),
];

test.each([
  ['TC4-1900', [1]],
  ['tc4 1900', [1]],
  ['Counter 4', [1]],
  ['Tarnholt Counter 4', [1]],
  ['till TC4-1900 rev B', [1]],
  ['Lumen 5 (2018)', [2]],
  ['Lumen 5 2022', [3]],
  ['LM-5A', [2]],
])('"%s" of Tarnholt names %j', (said, ids) => {
  expect(modelsNamed(said, 'Tarnholt', LIBRARY)).toEqual({ ok: true, ids });
});

test('a name that several models have is told apart by nothing but the year', () => {
  expect(modelsNamed('Lumen 5', 'Tarnholt', LIBRARY)).toEqual({ ok: false, ids: [2, 3] });
});

test.each([
  ['Counter', 'Tarnholt'],
  ['Counter 44', 'Tarnholt'],
  ['4', 'Tarnholt'],
  ['TC4-1900', 'Osprey Machines'],
  ['', 'Tarnholt'],
])('"%s" of %s names none', (said, maker) => {
  expect(modelsNamed(said, maker, LIBRARY)).toEqual({ ok: false, ids: [] });
});

test('makers are compared without what companies add to their names', () => {
  expect(makerKey('Osprey Machines Ltd.')).toBe(makerKey('osprey machines'));
  expect(makerKey('Förde GmbH')).toBe('forde');
  expect(makerKey('AS')).toBe('as');
  expect(modelsNamed('Lumen 5', 'OSPREY MACHINES', LIBRARY)).toEqual({ ok: true, ids: [4] });
});
