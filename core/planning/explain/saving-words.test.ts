import type { Plan } from '../search/plan';
import { english } from '../testing/english';
import { savingText } from './saving-words';

const plan = (lane: Plan['lane'], gb: number, savingCents: number | null) =>
  ({ lane, totalMiB: gb * 1024, priceCents: 10_000, savingCents }) as Plan;
const words = (one: Plan, others: Plan[] = []) => savingText(english, one, [one, ...others]);

test('a saving is against the cheapest original of the same total', () => {
  expect(words(plan('third-party', 16, 5_000))).toBe('saves €50.00 (33 %) against the original');
  expect(words(plan('third-party', 16, -500))).toBe('€5.00 more than the original');
  expect(words(plan('used', 16, 0))).toBe('as dear as the original');
  expect(words(plan('original', 16, 0))).toBe('this is the original');
});

test('where no original ends there none is claimed, and the nearest rung of originals is named', () => {
  const originals = [plan('original', 16, 0), plan('original', 32, 0)];
  expect(words(plan('third-party', 20, null), originals)).toBe('no original ends at 20 GB; the nearest does at 16 GB');
  expect(words(plan('third-party', 24, null), originals)).toBe('no original ends at 24 GB; the nearest does at 16 GB');
  expect(words(plan('third-party', 64, null), originals)).toBe('no original ends at 64 GB; the nearest does at 32 GB');
  expect(words(plan('third-party', 64, null))).toBe('no original ends at 64 GB');
});
