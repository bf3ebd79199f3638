/** @jest-environment jsdom */
import { act } from 'react';
import type { FittingStep } from '@/core/fitting/checklist';
import type { FittingView } from '@/service/job/bench/view';
import { endHooks, runHook } from '../client/testing/run-hook';
import { useBench } from './use-bench';

const sent: { path: string; body: unknown; answer: (ok: boolean) => void }[] = [];
const save = jest.fn(
  (_method: string, path: string, body: unknown) =>
    new Promise<{ ok: boolean }>((resolve) => {
      sent.push({ path, body, answer: (ok) => resolve({ ok }) });
    }),
);
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
jest.mock('../job/job-context', () => ({ useJob: () => ({ job: { id: 7, work: { accepted: null } } }) }));
beforeEach(() => {
  sent.length = 0;
  jest.clearAllMocks();
});
afterEach(endHooks);

const step = (key: string) => ({ key, phase: 'safe', text: key }) as FittingStep;
const fitting = (ticked: readonly string[] = []): FittingView => ({
  id: 3,
  round: 1,
  finds: [],
  minutes: null,
  foundBefore: {},
  steps: [step('safe.off'), step('safe.plug')],
  ticks: ticked.map((key) => ({ step: key, state: 'done', reason: '', by: 'Teo', at: '2026-11-26T09:00:00.000Z' })),
});
const open = (view = fitting()) => runHook((own: FittingView) => useBench(own), view);

test('the next step is the first that nobody ticked', async () => {
  const hook = await open();
  expect(hook.now().state.next?.key).toBe('safe.off');
  await hook.give(fitting(['safe.off']));
  expect(hook.now().state.next?.key).toBe('safe.plug');
  expect(hook.now().ticks.get('safe.off')?.by).toBe('Teo');
  await hook.give(fitting(['safe.off', 'safe.plug']));
  expect(hook.now().state.next).toBeNull();
});

test('a glove that presses twice ticks once, and other steps are not held up', async () => {
  const hook = await open();
  const again = { at: null as Promise<boolean> | null };
  await act(async () => void hook.now().tick('safe.off'));
  expect(hook.now().sending.has('safe.off')).toBe(true);
  await act(async () => {
    again.at = hook.now().tick('safe.off');
    void hook.now().tick('safe.plug');
  });
  expect(await again.at).toBe(false);
  expect(sent.map(({ path, body }) => [path, body])).toEqual([
    ['/api/jobs/7/fitting/3', { step: 'safe.off', what: 'done' }],
    ['/api/jobs/7/fitting/3', { step: 'safe.plug', what: 'done' }],
  ]);
  await act(async () => sent[0]?.answer(true));
  expect([...hook.now().sending]).toEqual(['safe.plug']);
});

test('what could not be sent can be pressed again', async () => {
  const hook = await open();
  const told = { ok: null as boolean | null };
  await act(
    async () =>
      void hook
        .now()
        .skip('safe.off', 'it has no switch')
        .then((ok) => (told.ok = ok)),
  );
  await act(async () => sent[0]?.answer(false));
  expect(told.ok).toBe(false);
  expect(hook.now().sending.size).toBe(0);
  await act(async () => void hook.now().skip('safe.off', 'it has no switch'));
  expect(sent[1]?.body).toEqual({ step: 'safe.off', what: 'skip', reason: 'it has no switch' });
});

test('each thing that is noted says label', async () => {
  const hook = await open();
  await act(async () => void hook.now().find('safe.off', 'damage', 'a stripped screw'));
  await act(async () => sent[0]?.answer(true));
  await act(async () => void hook.now().unfind('safe.off', 12));
  await act(async () => sent[1]?.answer(true));
  await act(async () => void hook.now().undo('safe.off'));
  expect(sent.map(({ body }) => body)).toEqual([
    { step: 'safe.off', what: 'find', kind: 'damage', note: 'a stripped screw' },
    { step: 'safe.off', what: 'unfind', id: 12 },
    { step: 'safe.off', what: 'undo' },
  ]);
});
