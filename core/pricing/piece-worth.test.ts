import { pieceWorth } from './piece-worth';

test.each([
  ['A', true, 1440],
  ['B', true, 1080],
  ['C', true, 720],
  ['A', false, 864],
  ['C', false, 432],
] as const)('a module of 8 GB, new 3.00 a GB, grade %s, tested %s, is worth %i', (grade, tested, cents) => {
  expect(pieceWorth(300, 8192, grade, tested)).toBe(cents);
});

test('a piece is never worth nothing', () => {
  expect(pieceWorth(0.01, 128, 'C', false)).toBe(1);
});
