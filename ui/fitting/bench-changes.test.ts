import type { SlotChange } from '@/core/quoting/slot-changes';
import type { FittingView, WorkView } from '@/service/job/bench/view';
import { staffWords } from '@/words/staff-words';
import { benchChanges } from './bench-changes';
import { countsText } from './part-words';

const t = staffWords('en', 'fitting');

const change = (slot: string, now: number | null, soldered = false) =>
  ({ slot, now, soldered, leaves: null, after: now, comes: 'empty', nowKnown: true, rateAsked: true }) as SlotChange;
const board = (gbs: Record<string, number | null>) =>
  Object.entries(gbs).map(([slot, capacityMiB]) => ({ slot, capacityMiB, text: null, fate: 'new' as const }));
const step = (key: string, slot: string) => ({ key, slot });
const tick = (key: string) => ({ step: key, state: 'done', reason: '', by: null, at: '2026-11-26T09:00:00.000Z' });
const work = (ticks: string[]) =>
  ({
    fitting: { steps: [step('out.A1', 'A1'), step('in.B1', 'B1')], ticks: ticks.map(tick) } as unknown as FittingView,
    accepted: { option: { before: board({ A1: 4, B1: null, M: 2 }), after: board({ A1: null, B1: 8, M: 2 }) } },
  }) as unknown as WorkView;
const read = [change('A1', 4), change('B1', null), change('M', 2, true), change('X', 1)];

test('the board is as it was read until hands begin, then as they left it', () => {
  expect(benchChanges(read, work([]))).toBeNull();
  const now = (ticks: string[]) => benchChanges(read, work(ticks))?.map((one) => one.now);
  expect(now(['out.A1'])).toEqual([null, null, 2, 1]);
  expect(now(['out.A1', 'in.B1'])).toEqual([null, 8, 2, 1]);
  expect(benchChanges(read, work(['in.B1']))?.[1]).toMatchObject({ leaves: 'stays', comes: 'stays', rateAsked: false });
});

test('what became of a line, in words', () => {
  expect(countsText(t, { quantity: 4, arrived: 1, faulty: 1, never: 1, waiting: 1 })).toBe(
    '1 of 4 here, 1 on the way, 1 going back, 1 no longer available',
  );
  expect(countsText(t, { quantity: 4, arrived: 0, faulty: 0, never: 0, waiting: 0 })).toBe('');
});
