import type { BoardPicture } from '../quoting/snapshot';
import type { FittingStep } from './checklist';

/** How a step of a checklist stands: done, or left out for a reason; by whom and when (ISO 8601). */
export interface Tick {
  step: string;
  state: 'done' | 'skipped';
  reason: string;
  by: string | null;
  at: string;
}

/** What hands have come to so far: where work goes on, and what each socket holds by now. */
export interface BenchState {
  done: number;
  skipped: number;
  /** the first step that is neither done nor left out; null: all are */
  next: FittingStep | null;
  board: BoardPicture;
}

/**
 * The slot board as the hands' work has left it.
 *
 * @param before what was in each slot when the work began
 * @param after what the plan puts there
 */
export function benchState(
  steps: readonly FittingStep[],
  ticks: readonly Tick[],
  before: BoardPicture,
  after: BoardPicture,
): BenchState {
  const states = new Map(ticks.map(({ step, state }) => [step, state]));
  const held = new Map(before.map((one) => [one.slot, one]));
  const planned = new Map(after.map((one) => [one.slot, one]));
  const aside = new Map<string, BoardPicture[number]>();
  const empty = (slot: string) => ({ slot, capacityMiB: null, text: null, fate: 'empty' as const });
  for (const { key, slot } of steps) {
    if (states.get(key) !== 'done' || slot === null) continue;
    if (key.startsWith('out.') || key.startsWith('set-aside.')) {
      const was = held.get(slot);
      if (was !== undefined) aside.set(slot, was);
      held.set(slot, empty(slot));
    } else if (key.startsWith('move.')) {
      const from = key.slice('move.'.length, -(slot.length + 1));
      const moved = aside.get(from) ?? held.get(from);
      if (moved !== undefined) held.set(slot, { ...moved, slot, fate: 'moves' });
      if (!aside.has(from)) held.set(from, empty(from));
    } else if (key.startsWith('in.')) {
      const one = planned.get(slot);
      if (one !== undefined) held.set(slot, one);
    }
  }
  return {
    done: steps.filter(({ key }) => states.get(key) === 'done').length,
    skipped: steps.filter(({ key }) => states.get(key) === 'skipped').length,
    next: steps.find(({ key }) => !states.has(key)) ?? null,
    board: before.map(({ slot }) => held.get(slot) ?? empty(slot)),
  };
}

/** Between two ticks no more than this counts as work: anyone who was away longer did something else, minutes. */
const LONGEST_PAUSE = 15;

/**
 * Minutes at the bench, as ticks tell: the time from each to the next, pauses counted as the longest that may be work. The
 * first tick ends what nobody timed: it counts its own step's usual minutes.
 *
 * @returns null where fewer than two steps were done
 */
export function minutesTaken(steps: readonly FittingStep[], ticks: readonly Tick[]): number | null {
  const done = ticks.filter(({ state }) => state === 'done').sort((a, b) => a.at.localeCompare(b.at));
  const [first] = done;
  if (first === undefined || done.length < 2) return null;
  let minutes = steps.find(({ key }) => key === first.step)?.minutes ?? 1;
  for (const [nr, tick] of done.entries()) {
    const before = done[nr - 1];
    if (before === undefined) continue;
    minutes += Math.min(LONGEST_PAUSE, (Date.parse(tick.at) - Date.parse(before.at)) / 60_000);
  }
  return Math.round(minutes);
}
