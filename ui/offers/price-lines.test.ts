import fc from 'fast-check';
import type { MonthPrice } from '@/service/market/view';
import { apart, sizeLines } from './price-lines';

const FRAME = { width: 800, height: 300, left: 50, right: 90, top: 10, bottom: 30 };
const price = (capacityMiB: number, month: string, middle: number): MonthPrice => ({
  capacityMiB,
  month,
  middle,
  low: middle * 0.9,
  high: middle * 1.1,
  offers: 9,
});

test('names never cover each other and stay within the frame where there is room', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 260 }), { maxLength: 12 }), (wanted) => {
      const placed = [...apart(wanted, 0, 260)].sort((a, b) => a - b);
      for (const [at, y] of placed.entries()) {
        expect(y).toBeGreaterThanOrEqual(0);
        expect(y).toBeLessThanOrEqual(260);
        expect(y - (placed[at - 1] ?? -17)).toBeGreaterThanOrEqual(17);
      }
    }),
  );
});

test('names that are far enough apart stay where their lines end', () => {
  expect(apart([200, 20, 100], 0, 260)).toEqual([200, 20, 100]);
});

test('lines are on one scale from nought, months in order, with what was and what is', () => {
  const { lines, months, ticks } = sizeLines(
    [price(8192, '2026-02', 300), price(8192, '2026-03', 150), price(16_384, '2026-03', 250)],
    FRAME,
  );
  expect(months.map(({ month }) => month)).toEqual(['2026-02', '2026-03']);
  expect(ticks[0]).toEqual({ value: 0, y: 270 });
  const [small, large] = lines;
  expect(small?.dots.map(({ y }) => y)).toEqual([10, 140]);
  expect([small?.first?.middle, small?.now.middle]).toEqual([300, 150]);
  expect(large?.first).toBeNull();
});

test('nothing sold draws nothing', () => {
  expect(sizeLines([], FRAME).lines).toEqual([]);
});
