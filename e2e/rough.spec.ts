import { type Told, treatRoughly } from '../testing/rough/rough';

/** The short form of `npm run rough`: all that takes some seconds; the whole of it in `npm run test:long`. */
test('what treats the shop roughly is held, each piece of it', async () => {
  const told: Told[] = [];
  await treatRoughly(process.env.FENBRIK_LONG === '1', (one) => told.push(one));
  expect(new Set(told.map(({ point }) => point))).toEqual(new Set([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14]));
  const fallen = told.filter(({ held }) => !held).map(({ point, what, figure }) => `${point}: ${what}: ${figure}`);
  expect(fallen).toEqual([]);
});
