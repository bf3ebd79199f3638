/** @jest-environment jsdom */
import { act } from 'react';
import { known, slot } from '@/core/machine/samples';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import { endHooks, runHook } from '../client/testing/run-hook';
import { useBoardEdit } from './use-board-edit';

interface Sent {
  method: string;
  path: string;
  body: { version?: number; slots?: JobSlot[]; slot?: string; keep?: string };
  answer: (result: object) => Promise<void>;
}
const sent: Sent[] = [];
const save = jest.fn(
  (method: string, path: string, body: Sent['body']) =>
    new Promise<object>((resolve) => {
      sent.push({ method, path, body, answer: (result) => act(async () => resolve(result)) });
    }),
);
const foretell = jest.fn();
let job = { id: 7, slotsVersion: 3, slots: [] as JobSlot[] };
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
jest.mock('../job/job-context', () => ({ useJob: () => ({ job, foretell }) }));

beforeEach(() => {
  sent.length = 0;
  jest.clearAllMocks();
  job = { id: 7, slotsVersion: 3, slots: [slot('A1', known), slot('A2', null), slot('A3', null, { maxMiB: 4096 })] };
});
afterEach(endHooks);

const open = () => runHook(() => useBoardEdit(), null);
const last = (): Sent => sent.at(-1) as Sent;
const inSlots = (slots: readonly JobSlot[] | undefined) =>
  Object.fromEntries((slots ?? []).map(({ name, module }) => [name, module?.capacityMiB ?? null]));

test('a module is moved, kept under the board’s version, and the move can be taken back', async () => {
  const hook = await open();
  await act(async () => hook.now().edit.move('A1', 'A2'));
  expect(last()).toMatchObject({ method: 'PUT', path: '/api/jobs/7/slots', body: { version: 3 } });
  expect(inSlots(last().body.slots)).toEqual({ A1: null, A2: 8192, A3: null });
  expect(hook.now().undo).toBeNull();
  await last().answer({ ok: true, value: null });
  expect(hook.now().undo?.what).toBe('moved from A1 to A2');
  expect(hook.now().said).toBe('moved from A1 to A2');
  job = { ...job, slotsVersion: 4, slots: last().body.slots ?? [] };
  await hook.give(null);
  await act(async () => void hook.now().undo?.run());
  expect(last().body.version).toBe(4);
  expect(inSlots(last().body.slots)).toEqual({ A1: 8192, A2: null, A3: null });
  await last().answer({ ok: true, value: null });
  expect(hook.now().undo).toBeNull();
});

test('what cannot be is said and not sent', async () => {
  const hook = await open();
  await act(async () => hook.now().edit.move('A1', 'A3'));
  expect(hook.now().sentence).toBe('A3 does not take a module that large.');
  await act(async () => hook.now().edit.move('A2', 'A1'));
  expect(hook.now().sentence).toBe('A2 is empty.');
  await act(async () => hook.now().edit.move('A1', 'A1'));
  expect(sent).toEqual([]);
});

test('a change that is refused offers nothing to take back', async () => {
  const hook = await open();
  await act(async () => hook.now().edit.empty('A1'));
  expect(inSlots(last().body.slots)).toEqual({ A1: null, A2: null, A3: null });
  await last().answer({ ok: false, code: 'conflict', sentence: 'Somebody changed the board meanwhile.' });
  expect(hook.now().undo).toBeNull();
});

test('what must stay is shown before it is kept, and what comes after it waits for its version', async () => {
  const hook = await open();
  await act(async () => hook.now().edit.cycle('A1'));
  expect(foretell.mock.calls).toEqual([['A1', 'must']]);
  const keeping = last();
  expect(keeping).toMatchObject({ path: '/api/jobs/7/keep', body: { slot: 'A1', keep: 'must' } });
  await act(async () => hook.now().edit.move('A1', 'A2'));
  expect(sent).toHaveLength(1);
  await keeping.answer({ ok: true, value: { version: 4 } });
  expect(foretell).toHaveBeenLastCalledWith('A1', 'must', true);
  expect(last()).toMatchObject({ path: '/api/jobs/7/slots', body: { version: 4 } });
});

test('one that could not be kept is shown as it was', async () => {
  const hook = await open();
  await act(async () => hook.now().edit.cycle('A1'));
  await last().answer({ ok: false, code: 'away', sentence: 'Fenbrik does not answer.' });
  expect(foretell).toHaveBeenLastCalledWith('A1', null, true);
  expect(hook.now().undo).toBeNull();
});

test('that something must stay can be taken back; an empty socket has nothing to stay', async () => {
  const hook = await open();
  await act(async () => hook.now().edit.cycle('A2'));
  expect(sent).toEqual([]);
  await act(async () => hook.now().edit.cycle('A1'));
  await last().answer({ ok: true, value: { version: 4 } });
  expect(hook.now().undo?.what).toBe('A1 must stay');
  await act(async () => void hook.now().undo?.run());
  expect(last().body).toEqual({ slot: 'A1', keep: 'may' });
  await last().answer({ ok: true, value: { version: 5 } });
  expect(hook.now().undo).toBeNull();
});

test('a pasted label fills the socket; what is none says so', async () => {
  const hook = await open();
  await act(async () => hook.now().edit.paste('A2', 'my computer is slow'));
  expect(hook.now().sentence).toBe('What was pasted is not a module label or title.');
  expect(sent).toEqual([]);
  await act(async () => void hook.now().edit.paste('A2', '8GB 1Rx8 PC4-2666V-SA1-11'));
  await act(async () => new Promise((resolve) => setTimeout(resolve)));
  expect(inSlots(last().body.slots)).toEqual({ A1: 8192, A2: 8192, A3: null });
  expect(last().body.slots?.[1]).toMatchObject({ moduleSource: 'typed', module: { rateMTs: 2666, ranks: 1 } });
});
