import { bandwidthOf } from '../../rules/bandwidth';
import { type CareLevel, HEADS_UP, moreCare } from '../../rules/care';
import type { Today } from '../../rules/today';
import { latenciesDiffer, type ModuleClass } from '../module-classes';
import type { Level } from './levels';

/** What matters of a set beside its places. */
export interface SetSpeed {
  /** board rates that the slowest and the fastest of its modules would allow on their own, MT/s */
  leastMTs: number;
  mostMTs: number;
  /** two modules of one rate differ in CL */
  latenciesDiffer: boolean;
  /** care that is sure wherever the modules stand, as place in CARES */
  care: CareLevel;
}

/** What some module classes are like together. Null where one of them allows no rate of the board. */
export function speedOf(moduleClasses: readonly ModuleClass[], care: CareLevel): SetSpeed | null {
  let [leastMTs, mostMTs] = [Number.POSITIVE_INFINITY, 0];
  let differ = false;
  for (let nr = 0; nr < moduleClasses.length; nr++) {
    const moduleClass = moduleClasses[nr] as ModuleClass;
    if (moduleClass.boardMTs === null) return null;
    leastMTs = Math.min(leastMTs, moduleClass.boardMTs);
    mostMTs = Math.max(mostMTs, moduleClass.boardMTs);
    for (let other = 0; other < nr && !differ; other++)
      differ = latenciesDiffer(moduleClass, moduleClasses[other] as ModuleClass);
  }
  return { leastMTs, mostMTs, latenciesDiffer: differ, care };
}

/** What a set gives in its best places. */
export interface PackingOutcome {
  care: CareLevel;
  bandwidthMBs: number;
  /** MT/s */
  rateMTs: number;
  mixedRate: boolean;
  slower: boolean;
}

/** What the best places of a set give, with all levels of which that is true. */
export interface BestOutcome {
  outcome: PackingOutcome;
  levels: readonly Level[];
}

/** What placements of one level give, at best. */
export function outcomeOfLevel(level: Level, set: SetSpeed, today: Today): PackingOutcome {
  const rateMTs = Math.min(set.leastMTs, level.capMTs);
  const bandwidthMBs = bandwidthOf(rateMTs, level.share);
  const mixedRate = rateMTs !== Math.min(set.mostMTs, level.capMTs);
  const slower = today.rateMTs !== null && (rateMTs < today.rateMTs || bandwidthMBs < today.bandwidthMBs);
  const minded = !level.even || mixedRate || set.latenciesDiffer || slower;
  const care = minded ? moreCare(set.care, HEADS_UP) : set.care;
  return { care, bandwidthMBs, rateMTs, mixedRate, slower };
}

/** The best of all levels: least care, then most bandwidth. Null where there is no level. */
export function bestOutcome(levels: readonly Level[], set: SetSpeed, today: Today): BestOutcome | null {
  let best: PackingOutcome | null = null;
  let having: Level[] = [];
  for (const level of levels) {
    const own = outcomeOfLevel(level, set, today);
    const better = best === null ? 1 : best.care - own.care || own.bandwidthMBs - best.bandwidthMBs;
    if (better > 0) {
      best = own;
      having = [];
    }
    if (better >= 0) having.push(level);
  }
  return best === null ? null : { outcome: best, levels: having };
}
