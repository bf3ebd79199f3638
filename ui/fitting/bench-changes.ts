import { benchState } from '@/core/fitting/bench-state';
import type { SlotChange } from '@/core/quoting/slot-changes';
import type { WorkView } from '@/service/job/bench/view';

/** The slots as hands have left them so far; null: nobody has begun on the bench. */
export function benchChanges(changes: readonly SlotChange[], { fitting, accepted }: WorkView): SlotChange[] | null {
  if (fitting === null || accepted === null || fitting.ticks.length === 0) return null;
  const { board } = benchState(fitting.steps, fitting.ticks, accepted.option.before, accepted.option.after);
  const held = new Map(board.map((one) => [one.slot, one]));
  return changes.map((change) => {
    const one = held.get(change.slot);
    if (one === undefined || change.soldered) return change;
    const { capacityMiB } = one;
    return {
      ...change,
      now: capacityMiB,
      nowKnown: true,
      rateAsked: false,
      leaves: capacityMiB === null ? null : ('stays' as const),
      after: capacityMiB,
      comes: capacityMiB === null ? ('empty' as const) : ('stays' as const),
    };
  });
}
