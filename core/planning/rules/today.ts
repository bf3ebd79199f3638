import { type Board, type Layout, layoutToday, piecesOf } from '../model/board';
import { bandwidthMBs } from './bandwidth';
import { slotCapacities, totalMiB } from './capacity-of';
import { boardRateUnder, smallestCap } from './running-rate';

export interface Today {
  layout: Layout;
  totalMiB: number;
  /** MT/s; null: nothing runs */
  rateMTs: number | null;
  bandwidthMBs: number;
  /** there is something, and all of it has ECC */
  allEcc: boolean;
}

/** What runs today. Where no board rate fits today's modules, they run at their smallest cap all the same. */
export function runningToday(board: Board): Today {
  const layout = layoutToday(board);
  const cap = smallestCap(board, layout);
  const rateMTs = cap === null ? null : (boardRateUnder(board.machine.ratesMTs, cap) ?? cap);
  const pieces = piecesOf(layout);
  const slots = slotCapacities(layout);
  return {
    layout,
    totalMiB: totalMiB(slots),
    rateMTs,
    bandwidthMBs: bandwidthMBs(board, slots, rateMTs ?? 0),
    allEcc: pieces.length > 0 && pieces.every(({ module }) => module.ecc),
  };
}
