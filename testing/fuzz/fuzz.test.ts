import { fuzz } from './run';
import { seeds } from './seeds';

it('reads thousands of mutated inputs of every kind without a throw, a hang, or more memory than it may take', () => {
  const report = fuzz(6000, 7);
  expect(report.failures).toEqual([]);
  expect(report.inputs).toBe(6000);
  // The inputs are still near enough to what they came from to get into every reader.
  expect(Object.keys(report.answers)).toEqual(expect.arrayContaining([...new Set(seeds().map(({ kind }) => kind))]));
});

it('gives the same inputs for the same seed', () => {
  expect(fuzz(300, 3).answers).toEqual(fuzz(300, 3).answers);
});
