import { parseJson } from './parse-json';

it('takes no JSON with more values than a report has', () => {
  expect(parseJson(`[${'1,'.repeat(499_998)}1]`)?.cut).toBe(false);
  expect(parseJson(`[${'1,'.repeat(500_000)}1]`)).toBeNull();
});
