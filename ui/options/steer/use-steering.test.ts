/** @jest-environment jsdom */
import { act } from 'react';
import { type Steering, UNSTEERED } from '@/core/planning/filters/steering';
import { endHooks, type RunningHook, runHook } from '../../client/testing/run-hook';
import { type Steered, useSteering } from './use-steering';

const router = { refresh: jest.fn() };
interface Told {
  next: Steering;
  seen: Steering;
}
const told = jest.fn(async (_method: string, _path: string, _body: Told) => ({
  ok: isHeard,
  ...(theirs !== null && { ok: false, theirs }),
}));
let isHeard = true;
let theirs: Partial<Steering> | null = null;
let job = { id: 7, steering: UNSTEERED };

jest.mock('next/navigation', () => ({
  useRouter: () => router,
  useSearchParams: () => new URLSearchParams(window.location.search),
}));
jest.mock('../../client/session-guard', () => ({
  callOnce: (...of: Parameters<typeof told>) => told(...of),
}));
jest.mock('../../job/job-context', () => ({ useJob: () => ({ job }) }));

beforeEach(() => {
  jest.useFakeTimers();
  jest.clearAllMocks();
  isHeard = true;
  theirs = null;
  job = { id: 7, steering: { ...UNSTEERED, needMiB: 16_384 } };
  window.history.replaceState({ ours: 1 }, '', '/jobs/7/options');
});
afterEach(async () => {
  await endHooks();
  jest.useRealTimers();
});

const open = (): Promise<RunningHook<null, Steered>> => runHook(() => useSteering(), null);
const steer = (hook: RunningHook<null, Steered>, patch: Partial<Steering>, live = false) =>
  act(async () => hook.now().steer(patch, live));
const pass = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));
const query = () => new URLSearchParams(window.location.search);

test('what the address says goes before what the job remembers', async () => {
  expect((await open()).now().steering.needMiB).toBe(16_384);
  window.history.replaceState(null, '', '/jobs/7/options?need=32768&budget=9000&plan=p1');
  const hook = await open();
  expect(hook.now()).toMatchObject({ steering: { needMiB: 32_768, budgetCents: 9000 }, plan: 'p1' });
});

test('the picture follows at once; the address once the hand rests, as one step to go back to', async () => {
  const hook = await open();
  const steps = window.history.length;
  for (const budgetCents of [9000, 8500, 8000]) {
    await steer(hook, { budgetCents });
    expect(hook.now().steering.budgetCents).toBe(budgetCents);
    await pass(100);
  }
  expect(query().get('budget')).toBeNull();
  await pass(300);
  expect(query().get('budget')).toBe('8000');
  expect(window.history.length).toBe(steps + 1);
  // The router knows its own entries by what they carry.
  expect(window.history.state).toEqual({ ours: 1 });
});

test('while something is dragged nothing is written and nothing is remembered; letting go does both', async () => {
  const hook = await open();
  for (let budgetCents = 9000; budgetCents > 5000; budgetCents -= 500) await steer(hook, { budgetCents }, true);
  await pass(2000);
  expect(hook.now().steering.budgetCents).toBe(5500);
  expect(query().get('budget')).toBeNull();
  expect(told).not.toHaveBeenCalled();
  await steer(hook, { budgetCents: 5500 });
  await pass(2000);
  expect(query().get('budget')).toBe('5500');
  expect(told).toHaveBeenCalledTimes(1);
  const body = { next: hook.now().steering, seen: job.steering };
  expect(told.mock.calls[0]).toEqual(['PUT', '/api/jobs/7/steering', body]);
});

test('the job is told once of what changed and changed back and changed again, and not of nothing', async () => {
  const hook = await open();
  await steer(hook, { lanesOut: ['used'] });
  await steer(hook, { lanesOut: [] });
  await pass(2000);
  expect(told).not.toHaveBeenCalled();
  await steer(hook, { lanesOut: ['used'] });
  await pass(300);
  await steer(hook, { lanesOut: ['used', 'mixed'] });
  await pass(2000);
  expect(told).toHaveBeenCalledTimes(1);
  expect(told.mock.calls[0]?.[2].next.lanesOut).toEqual(['used', 'mixed']);
});

test('a job that cannot be told is told when the network is back', async () => {
  isHeard = false;
  const hook = await open();
  await steer(hook, { freeSlots: 1 });
  await pass(2000);
  expect(hook.now().forgetful).toBe(true);
  isHeard = true;
  await act(async () => void window.dispatchEvent(new Event('online')));
  expect(told).toHaveBeenCalledTimes(2);
  expect(hook.now().forgetful).toBe(false);
});

test('sellers that are left out make another market: the page is asked again, once the job knows', async () => {
  const hook = await open();
  await steer(hook, { freeSlots: 1 });
  await pass(2000);
  expect(router.refresh).not.toHaveBeenCalled();
  await steer(hook, { sellersOut: ['Quayside Components'] });
  await pass(2000);
  expect(router.refresh).toHaveBeenCalledTimes(1);
});

test('who leaves at once is remembered and written all the same', async () => {
  const hook = await open();
  await steer(hook, { needMiB: 65_536 });
  await act(async () => void window.dispatchEvent(new Event('pagehide')));
  expect(query().get('need')).toBe('65536');
  await hook.end();
  expect(told).toHaveBeenCalledTimes(1);
});

test('a plan is named without a step; what was steered before it is written first', async () => {
  const hook = await open();
  const steps = window.history.length;
  await act(async () => hook.now().name('p1'));
  expect(window.history.length).toBe(steps);
  expect(query().get('plan')).toBe('p1');
  await steer(hook, { budgetCents: 7000 });
  await act(async () => hook.now().name('p2'));
  expect(window.history.length).toBe(steps + 1);
  expect([query().get('budget'), query().get('plan')]).toEqual(['7000', 'p2']);
});

test('back brings what the address says, and the page is asked again', async () => {
  const hook = await open();
  await steer(hook, { budgetCents: 7000 });
  await act(async () => {
    window.history.replaceState({ ours: 1 }, '', '/jobs/7/options?need=32768&plan=p9');
    window.dispatchEvent(new PopStateEvent('popstate'));
  });
  expect(hook.now()).toMatchObject({ steering: { needMiB: 32_768, budgetCents: null }, plan: 'p9' });
  expect(router.refresh).toHaveBeenCalledTimes(1);
  // What was still to be written is not written over it.
  await pass(1000);
  expect(query().get('budget')).toBeNull();
});

test('a page that the router drew again gets its address back', async () => {
  const hook = await open();
  await steer(hook, { budgetCents: 7000 });
  await pass(300);
  window.history.replaceState({ ours: 1 }, '', '/jobs/7/options');
  job = { ...job };
  await hook.give(null);
  expect(query().get('budget')).toBe('7000');
});

test('what somebody else steered meanwhile is told, and the person here chooses', async () => {
  const hook = await open();
  theirs = { budgetCents: 7000 };
  await steer(hook, { budgetCents: 9000 });
  await pass(2000);
  expect(hook.now()).toMatchObject({ clash: { budgetCents: 7000 }, forgetful: false, steering: { budgetCents: 9000 } });
  // Nothing more is told until somebody has chosen.
  await steer(hook, { freeSlots: 1 });
  await pass(2000);
  expect(told).toHaveBeenCalledTimes(1);
  theirs = null;
  await act(async () => hook.now().settle('mine'));
  await pass(2000);
  expect(told.mock.calls[1]?.[2]).toMatchObject({
    next: { budgetCents: 9000, freeSlots: 1 },
    seen: { budgetCents: 7000 },
  });
  expect(hook.now().clash).toBeNull();
});

test('theirs is followed by the ladder, and is not told back', async () => {
  const hook = await open();
  theirs = { budgetCents: 7000 };
  await steer(hook, { budgetCents: 9000 });
  await pass(2000);
  theirs = null;
  told.mockClear();
  await act(async () => hook.now().settle('theirs'));
  expect(hook.now().steering.budgetCents).toBe(7000);
  await pass(2000);
  expect(told.mock.calls.every(([, , { next }]) => next.budgetCents === 7000)).toBe(true);
});
