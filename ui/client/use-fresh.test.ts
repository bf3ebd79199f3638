/** @jest-environment jsdom */
import { act } from 'react';
import { endHooks, runHook } from './testing/run-hook';
import { useFresh } from './use-fresh';

const router = { refresh: jest.fn() };
let answer: { ok: boolean; value?: { stamp: string; picture?: string } } = { ok: true, value: { stamp: 'one' } };
const asked = jest.fn(async (_method: string, _path: string) => answer);
jest.mock('next/navigation', () => ({ useRouter: () => router }));
jest.mock('./session-guard', () => ({ callOnce: (...of: Parameters<typeof asked>) => asked(...of) }));

beforeEach(() => {
  jest.useFakeTimers();
  jest.clearAllMocks();
  answer = { ok: true, value: { stamp: 'one' } };
});
afterEach(async () => {
  await endHooks();
  jest.useRealTimers();
});
const open = (stamp: string) => runHook((own: string) => useFresh(7, own), stamp);
const pass = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));
const see = (state: 'visible' | 'hidden') =>
  Object.defineProperty(document, 'visibilityState', { value: state, configurable: true });

test('the page is drawn again once somebody else changed the job, and only then', async () => {
  const hook = await open('one');
  await pass(9000);
  expect(asked).toHaveBeenCalledTimes(2);
  expect(asked).toHaveBeenCalledWith('GET', '/api/jobs/7/stamp');
  expect(router.refresh).not.toHaveBeenCalled();
  answer = { ok: true, value: { stamp: 'two' } };
  await pass(4000);
  expect(router.refresh).toHaveBeenCalledTimes(1);
  await hook.give('two');
  await pass(8000);
  expect(router.refresh).toHaveBeenCalledTimes(1);
});

test('what this page changed itself meanwhile is no news', async () => {
  const hook = await open('one');
  let arrive = () => {};
  asked.mockImplementationOnce(
    () => new Promise((resolve) => (arrive = () => resolve({ ok: true, value: { stamp: 'mine' } }))),
  );
  await pass(4000);
  // The page hears of its own change while the question is on the way.
  await hook.give('mine');
  await act(async () => arrive());
  expect(router.refresh).not.toHaveBeenCalled();
});

test('nobody is asked while the page is out of sight, or once it is gone; no answer is no news', async () => {
  const hook = await open('one');
  see('hidden');
  await pass(20_000);
  expect(asked).not.toHaveBeenCalled();
  see('visible');
  answer = { ok: false };
  await pass(4000);
  expect(asked).toHaveBeenCalledTimes(1);
  expect(router.refresh).not.toHaveBeenCalled();
  await hook.end();
  await pass(20_000);
  expect(asked).toHaveBeenCalledTimes(1);
});

test('a desk hears of a telephone’s photograph, and stops asking in the end', async () => {
  const pictures = { ok: true, value: { stamp: 'two', picture: '0' } };
  answer = pictures;
  const hook = await runHook((own: string) => useFresh(7, own, 'picture'), '0' as string);
  await pass(4000);
  // The job was changed, and no picture came.
  expect(router.refresh).not.toHaveBeenCalled();
  answer = { ok: true, value: { stamp: 'two', picture: '12' } };
  await pass(4000);
  expect(router.refresh).toHaveBeenCalledTimes(1);
  await hook.give('12');
  await pass(4000 * 400);
  expect(asked).toHaveBeenCalledTimes(150);
  expect(router.refresh).toHaveBeenCalledTimes(1);
});
