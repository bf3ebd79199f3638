import { bandwidthOf } from '../bandwidth';
import type { Today } from '../today';
import type { Level } from './levels';

/** What matters of a set beside its places. */
export interface SetSpeed {
  /** board rates that the slowest and the fastest of its modules would allow by themselves, MT/s */
  leastMTs: number;
  mostMTs: number;
  /** two modules of one rate differ in CL */
  latenciesDiffer: boolean;
  /** care that is sure wherever the modules stand, as place in CARES */
  care: number;
}

/** What a set gives in its best places. */
export interface Outcome {
  care: number;
  bandwidthMBs: number;
  /** MT/s */
  rateMTs: number;
  mixedRate: boolean;
  slower: boolean;
  /** all levels that give just that */
  levels: readonly Level[];
}

const HEADS_UP = 1;

/** What placements of one level give, at best. */
export function outcomeOfLevel(level: Level, set: SetSpeed, today: Today): Outcome {
  const rateMTs = Math.min(set.leastMTs, level.capMTs);
  const bandwidthMBs = bandwidthOf(rateMTs, level.share);
  const mixedRate = rateMTs !== Math.min(set.mostMTs, level.capMTs);
  const slower = today.rateMTs !== null && (rateMTs < today.rateMTs || bandwidthMBs < today.bandwidthMBs);
  const minded = !level.even || mixedRate || set.latenciesDiffer || slower;
  const care = minded ? Math.max(set.care, HEADS_UP) : set.care;
  return { care, bandwidthMBs, rateMTs, mixedRate, slower, levels: [level] };
}

/** The best of all levels: least care, then most bandwidth. Null where there is no level. */
export function bestOutcome(levels: readonly Level[], set: SetSpeed, today: Today): Outcome | null {
  const [first, ...more] = levels.map((level) => outcomeOfLevel(level, set, today));
  if (first === undefined) return null;
  let best = first;
  for (const own of more) {
    const better = best.care - own.care || own.bandwidthMBs - best.bandwidthMBs;
    if (better > 0) best = own;
    if (better === 0) best = { ...best, levels: [...best.levels, ...own.levels] };
  }
  return best;
}
