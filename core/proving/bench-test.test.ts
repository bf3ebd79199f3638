import { type BenchRun, expectedMiB, nextRun, outcomeOfRun, runsOf } from './bench-test';

const GB = 1024;
const tried = { modules: 2, moduleMiB: 32 * GB, solderedMiB: 8 * GB, inPairs: false };
const run = (more: Partial<BenchRun> = {}): BenchRun => ({
  modules: 1,
  starts: true,
  seenMiB: 40 * GB,
  signs: '',
  loadedMinutes: null,
  ...more,
});

test('one alone, then all; a pair where the board takes nothing else', () => {
  expect(runsOf(tried)).toEqual([1, 2]);
  expect(runsOf({ modules: 1, inPairs: false })).toEqual([1]);
  expect(runsOf({ modules: 4, inPairs: true })).toEqual([4]);
});

test('the next run waits for one that works, and none follows one that does not', () => {
  expect(nextRun(tried, [])).toBe(1);
  expect(nextRun(tried, [run()])).toBe(2);
  expect(nextRun(tried, [run({ starts: false, seenMiB: null })])).toBeNull();
  expect(nextRun(tried, [run(), run({ modules: 2, seenMiB: 72 * GB })])).toBeNull();
});

test('what was seen is the outcome, and what was looked at is how deep it goes', () => {
  expect(expectedMiB(tried, 2)).toBe(72 * GB);
  expect(outcomeOfRun(tried, run({ seenMiB: null }))).toEqual({ outcome: 'works', depth: 'started' });
  expect(outcomeOfRun(tried, run())).toEqual({ outcome: 'works', depth: 'total-read' });
  expect(outcomeOfRun(tried, run({ loadedMinutes: 30 }))).toEqual({ outcome: 'works', depth: 'loaded' });
  expect(outcomeOfRun(tried, run({ starts: false, seenMiB: null, signs: '3 beeps' }))).toEqual({
    outcome: 'fails-to-start',
    depth: 'started',
  });
});

test('less than there is, more than there is, or a sign is a fault; what graphics take is none', () => {
  const outcome = (more: Partial<BenchRun>) => outcomeOfRun(tried, run(more)).outcome;
  expect(outcome({ seenMiB: 38 * GB })).toBe('works');
  expect(outcome({ seenMiB: 37 * GB })).toBe('starts-with-faults');
  expect(outcome({ seenMiB: 24 * GB })).toBe('starts-with-faults');
  expect(outcome({ seenMiB: 64 * GB })).toBe('starts-with-faults');
  expect(outcome({ signs: 'froze after ten minutes' })).toBe('starts-with-faults');
});
