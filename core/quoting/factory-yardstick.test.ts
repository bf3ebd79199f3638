import { NOTHING_KNOWN } from '../machine/models/nothing-known';
import type { Plan } from '../planning/search/plan';
import { factoryYardstick, makerAsks, solderedOf } from './factory-yardstick';

const GB = 1024;
const plan = (totalGb: number, priceCents: number) =>
  ({ totalMiB: totalGb * GB, priceCents, care: 'clear', lane: 'third-party' }) as Plan;
const option = (totalGb: number, surchargeCents: number, baseModel = '') => ({
  totalMiB: totalGb * GB,
  surchargeCents,
  baseModel,
});

describe('what the maker asks for the same total', () => {
  const options = [
    option(64, 90_000),
    option(8, 2000),
    option(32, 50_000),
    option(16, 20_000),
    option(16, 0, 'another'),
  ];

  it.each([
    ['over what it has today', 32, 8, { cents: 48_000, overMiB: 8 * GB, isTyped: false }],
    [
      'over the next configuration where it has another amount',
      32,
      12,
      { cents: 30_000, overMiB: 16 * GB, isTyped: false },
    ],
    ['over the smallest where it has less', 16, 4, { cents: 18_000, overMiB: 8 * GB, isTyped: false }],
    ['nothing where the maker does not sell it so', 24, 8, null],
    ['nothing where it is no more than today', 16, 16, null],
    ['nothing where no configuration lies between', 32, 24, null],
  ])('%s', (_, total, today, asks) => expect(makerAsks(options, total * GB, today * GB)).toEqual(asks));

  it('is nothing where it asks nothing, or only with another base model', () => {
    expect(makerAsks([option(8, 2000), option(16, 2000)], 16 * GB, 8 * GB)).toBeNull();
    expect(makerAsks([option(8, 0), option(16, 2000, 'the fast one')], 16 * GB, 8 * GB)).toBeNull();
    expect(makerAsks([], 16 * GB, 8 * GB)).toBeNull();
  });
});

describe('the maker’s configurations as a yardstick', () => {
  it('stand beside the cheapest plan that reaches each, over the smallest one', () => {
    const yardstick = factoryYardstick(
      [option(32, 50_000, 'the fast one'), option(8, 2000), option(16, 20_000)],
      32 * GB,
      [plan(16, 9000), plan(24, 8500), plan(64, 30_000), plan(12, 100)],
    );
    expect(yardstick?.smallest).toEqual(option(8, 2000));
    expect(yardstick?.rows).toMatchObject([
      { totalMiB: 16 * GB, factoryCents: 18_000, plan: { totalMiB: 24 * GB, priceCents: 8500 }, savingCents: 9500 },
      {
        totalMiB: 32 * GB,
        factoryCents: 48_000,
        baseModel: 'the fast one',
        plan: { priceCents: 30_000 },
        savingCents: 18_000,
      },
    ]);
    expect(yardstick).toMatchObject({ factoryMaxMiB: 32 * GB, mostMiB: 64 * GB });
  });

  it('may be the cheaper way, and may be out of reach', () => {
    const yardstick = factoryYardstick([option(8, 0), option(16, 3000), option(32, 9000)], null, [plan(16, 8000)]);
    expect(yardstick?.rows.map(({ savingCents }) => savingCents)).toEqual([-5000, null]);
  });

  it('are none where the library knows none', () => {
    expect(factoryYardstick([], 32 * GB, [plan(16, 8000)])).toBeNull();
    expect(factoryYardstick([option(8, 0)], null, [])?.rows).toEqual([]);
  });
});

describe('soldered memory', () => {
  const slot = (soldered: boolean, capacityMiB: number | null) =>
    ({ soldered, module: capacityMiB === null ? null : { ...NOTHING_KNOWN, capacityMiB } }) as Parameters<
      typeof solderedOf
    >[0][number];

  it('is told whole, in part, or not at all, with its size where that is known', () => {
    expect(solderedOf([])).toEqual({ kind: 'none' });
    expect(solderedOf([slot(false, 8 * GB)])).toEqual({ kind: 'none' });
    expect(solderedOf([slot(true, 8 * GB), slot(true, 8 * GB)])).toEqual({ kind: 'all', solderedMiB: 16 * GB });
    expect(solderedOf([slot(true, 8 * GB), slot(false, null)])).toEqual({
      kind: 'some',
      solderedMiB: 8 * GB,
      sockets: 1,
    });
    expect(solderedOf([slot(true, null), slot(false, null)])).toMatchObject({ kind: 'some', solderedMiB: null });
  });
});
