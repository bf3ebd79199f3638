/** @jest-environment jsdom */
import { act } from 'react';
import { endHooks, type RunningHook, runHook } from '../client/testing/run-hook';
import { type Putting, usePut } from './use-put';

type Answer = { ok: true; value: null } | { ok: false; code: string; sentence: string; theirs?: object };
const SAVED: Answer = { ok: true, value: null };
let answers: Answer[] = [];
const save = jest.fn(
  async (_method: string, _path: string, _body: { set: object; seen: object }) => answers.shift() ?? SAVED,
);

const draw = (more: object = {}) => ({
  id: 7,
  complaint: '',
  needMiB: null,
  budgetCents: null,
  neededBy: null,
  makerAsks: { totalMiB: null, cents: null },
  cover: null,
  notBought: false,
  customer: { name: '', phone: '', email: '', language: null, taxExempt: null },
  machine: { maker: '', name: '', serial: '' },
  cpu: { told: '' },
  wants: { uses: [], full: null, inUseMiB: null, os: '', osBits: null },
  ...more,
});
let job = draw();

jest.mock('../client/use-save', () => ({
  useSave: () => ({ busy: false, sentence: 'Somebody else changed this.', save }),
}));
jest.mock('../job/job-context', () => ({ useJob: () => ({ job }) }));

beforeEach(() => {
  jest.clearAllMocks();
  answers = [];
  job = draw();
});
afterEach(endHooks);

const open = (): Promise<RunningHook<number, Putting>> => runHook(() => usePut(), 0);
const put = (hook: RunningHook<number, Putting>, values: Record<string, unknown>) =>
  act(async () => void (await hook.now().put(values)));
const bodies = () => save.mock.calls.map(([, , body]) => body);

test('a write says what the page showed of the fields that it writes, and of no others', async () => {
  job = draw({ needMiB: 8192 });
  const hook = await open();
  await put(hook, { needMiB: 16384, cover: 'warranty' });
  expect(bodies()).toEqual([{ set: { needMiB: 16384, cover: 'warranty' }, seen: { needMiB: 8192, cover: null } }]);
  expect(hook.now().clash).toBeNull();
});

test('what this page wrote itself it has seen, also before it is drawn again', async () => {
  const hook = await open();
  await put(hook, { complaint: 'slow' });
  await put(hook, { complaint: 'very slow' });
  expect(bodies()[1]).toEqual({ set: { complaint: 'very slow' }, seen: { complaint: 'slow' } });
  // Once it is drawn again, what it shows counts.
  job = draw({ complaint: 'slow at times' });
  await hook.give(1);
  await put(hook, { complaint: 'slow' });
  expect(bodies()[2]).toEqual({ set: { complaint: 'slow' }, seen: { complaint: 'slow at times' } });
});

test('a page drawn between two of its own changes clashes with nobody', async () => {
  const hook = await open();
  await put(hook, { complaint: 'one' });
  await put(hook, { complaint: 'two' });
  job = draw({ complaint: 'one' });
  await hook.give(1);
  answers = [{ ok: false, code: 'conflict', sentence: 'x', theirs: { complaint: 'two' } }];
  await put(hook, { complaint: 'three' });
  expect(bodies().slice(2)).toEqual([
    { set: { complaint: 'three' }, seen: { complaint: 'one' } },
    { set: { complaint: 'three' }, seen: { complaint: 'two' } },
  ]);
  expect(hook.now().clash).toBeNull();
});

describe('where somebody else wrote the same', () => {
  const clashing = async () => {
    const hook = await open();
    answers = [{ ok: false, code: 'conflict', sentence: 'x', theirs: { customerName: 'Hedda Vane' } }];
    await put(hook, { customerName: 'Hedda Wane' });
    return hook;
  };

  test('both values are shown, in place of a sentence', async () => {
    const hook = await clashing();
    expect(hook.now()).toMatchObject({
      clash: { mine: { customerName: 'Hedda Wane' }, theirs: { customerName: 'Hedda Vane' } },
      sentence: null,
    });
  });

  test.each([
    ['mine', 'Hedda Wane'],
    ['theirs', 'Hedda Vane'],
  ] as const)('%s stays, written over what was seen', async (whose, name) => {
    const hook = await clashing();
    await act(async () => void (await hook.now().settle(whose)));
    expect(bodies()[1]).toMatchObject({ set: { customerName: name }, seen: { customerName: 'Hedda Vane' } });
    expect(hook.now().clash).toBeNull();
  });
});
