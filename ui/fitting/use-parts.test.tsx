/** @jest-environment jsdom */

import { act, renderHook } from '@testing-library/react';
import type { FittingStep } from '@/core/fitting/checklist';
import type { Bench } from './use-bench';
import { usePartsAtBench } from './use-parts';

let states: string[] = [];
jest.mock('../job/job-context', () => ({
  useJob: () => ({ job: { work: { parts: states.map((state) => ({ state })) } } }),
}));

const step = (key: string) => ({ key }) as FittingStep;
const tick = jest.fn();
afterEach(() => tick.mockReset());

/** The bench with parts that stand so, and steps that are ticked already. */
function at(parts: string[], ticked: string[] = []) {
  states = parts;
  const bench = { ticks: new Map(ticked.map((key) => [key, {}])), tick } as unknown as Bench;
  return renderHook(() => usePartsAtBench(bench)).result;
}

test.each([[['arrived', 'aside']], [[]]])('with parts %j nothing waits', (parts) => {
  const bench = at(parts);
  expect([bench.current.isMissing, bench.current.waits(step('in.A1'))]).toEqual([false, false]);
  act(() => bench.current.tick(step('in.A1')));
  expect(tick).toHaveBeenCalledWith('in.A1');
});

test.each([['to-order'], ['ordered']])(
  'while a part is %s, what puts a new module in waits, and nothing else',
  (state) => {
    const bench = at(['arrived', state], ['in.B1']);
    const keys = ['safe.off', 'open.1', 'out.A1', 'move.A1.B1', 'in.A1', 'in.B1', 'test.power', 'close.1'];
    expect(keys.filter((key) => bench.current.waits(step(key)))).toEqual(['in.A1']);
    act(() => bench.current.tick(step('out.A1')));
    expect(tick.mock.calls).toEqual([['out.A1']]);
  },
);

test('a press on it asks first; no leaves it, yes ticks it and asks no more', () => {
  const bench = at(['to-order']);
  act(() => bench.current.tick(step('in.A1')));
  expect([bench.current.asking, tick.mock.calls.length]).toEqual(['in.A1', 0]);
  act(() => bench.current.cancel());
  expect([bench.current.asking, tick.mock.calls.length]).toEqual([null, 0]);
  act(() => bench.current.tick(step('in.A1')));
  act(() => bench.current.confirm());
  expect(tick.mock.calls).toEqual([['in.A1']]);
  act(() => bench.current.tick(step('in.B1')));
  expect(tick.mock.calls).toEqual([['in.A1'], ['in.B1']]);
  expect([bench.current.asking, bench.current.isMissing]).toEqual([null, false]);
});
