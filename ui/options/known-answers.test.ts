import type { Answer } from '@/core/planning/search/plan';
import { KnownAnswers } from './known-answers';

const answer = (totalMiB: number): Answer => ({
  baseline: { totalMiB, rateMTs: null, bandwidthMBs: 0 },
  refusedOffers: [],
  plans: [],
});

test('the same wish in another order is the same question', () => {
  const known = new KnownAnswers();
  const eight = answer(8192);
  known.keep('machine', '{}', { minRateMTs: 2400, lanes: ['used'] }, eight);
  expect(known.find('machine', '{}', { lanes: ['used'], minRateMTs: 2400 })).toBe(eight);
  expect(known.find('machine', '{}', { lanes: ['used'] })).toBeNull();
});

test('what stays in the machine makes another question, and both answers are kept', () => {
  const known = new KnownAnswers();
  known.keep('machine', '{"A1":"may"}', {}, answer(1));
  known.keep('machine', '{"A1":"must"}', {}, answer(2));
  expect(known.find('machine', '{"A1":"may"}', {})?.baseline.totalMiB).toBe(1);
  expect(known.find('machine', '{"A1":"must"}', {})?.baseline.totalMiB).toBe(2);
  expect(known.find('machine', '{"A1":"never"}', {})).toBeNull();
});

test('another ground forgets all: offers or limits are others', () => {
  const known = new KnownAnswers();
  known.keep('before', '{}', {}, answer(1));
  expect(known.find('after', '{}', {})).toBeNull();
  known.keep('after', '{}', { minRateMTs: 1 }, answer(2));
  expect(known.find('before', '{}', {})).toBeNull();
  expect(known.find('after', '{}', {})).toBeNull();
});

test('the oldest go when they are many', () => {
  const known = new KnownAnswers();
  for (let rate = 1; rate <= 65; rate++) known.keep('machine', '{}', { minRateMTs: rate }, answer(rate));
  expect(known.find('machine', '{}', { minRateMTs: 1 })).toBeNull();
  expect(known.find('machine', '{}', { minRateMTs: 2 })?.baseline.totalMiB).toBe(2);
  expect(known.find('machine', '{}', { minRateMTs: 65 })?.baseline.totalMiB).toBe(65);
});
