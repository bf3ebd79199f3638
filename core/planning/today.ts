import { bandwidthMBs } from './bandwidth';
import { type Board, type Layout, layoutToday } from './board';
import { totalMiB } from './capacity-of';
import { boardRateUnder, smallestCap } from './running-rate';

export interface Today {
  layout: Layout;
  totalMiB: number;
  /** MT/s; null: nothing runs */
  rateMTs: number | null;
  bandwidthMBs: number;
}

/** What runs today. Where no board rate fits today's modules, they run at their smallest cap all the same. */
export function runningToday(board: Board): Today {
  const layout = layoutToday(board);
  const cap = smallestCap(board, layout);
  const rateMTs = cap === null ? null : (boardRateUnder(board.machine.ratesMTs, cap) ?? cap);
  return { layout, totalMiB: totalMiB(layout), rateMTs, bandwidthMBs: bandwidthMBs(board, layout, rateMTs ?? 0) };
}
