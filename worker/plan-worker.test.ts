import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { answer } from '../core/planning/answer';
import type { PlanReply, PlanRequest } from './plan-message';

const file = join(__dirname, '..', 'core', 'planning', 'cases', 'library-kiosk.case.json');
const planCase = JSON.parse(readFileSync(file, 'utf8'));

/** A worker's global scope as far as this worker uses it. */
const scope: { onmessage: ((event: { data: PlanRequest }) => void) | null; postMessage: (reply: PlanReply) => void } = {
  onmessage: null,
  postMessage: (reply) => replies.push(reply),
};
const replies: PlanReply[] = [];

beforeAll(async () => {
  Object.assign(globalThis, { self: scope });
  await import('./plan-worker');
});

test('answers a case as the core does, under the same id', () => {
  scope.onmessage?.({ data: { id: 7, planCase } });
  expect(replies.pop()).toEqual({ id: 7, ok: true, answer: answer(planCase) });
});

test('a case that breaks the planner is answered as such, and the next one is served', () => {
  scope.onmessage?.({ data: { id: 8, planCase: { ...planCase, machine: null } } });
  expect(replies.pop()).toEqual({ id: 8, ok: false });
  scope.onmessage?.({ data: { id: 9, planCase } });
  expect(replies.pop()).toMatchObject({ id: 9, ok: true });
});
