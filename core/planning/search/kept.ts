import type { Board } from '../model/board';
import type { PlanCase } from '../model/case';
import { type Reuse, reuseOf } from '../model/lane-and-reuse';
import { machinesOf } from '../model/machines';
import { latenciesDiffer, type ModuleClass, type PlacementClass } from '../placement/module-classes';
import type { KeptSet } from './kept-sets';
import type { Lot } from './supply/lots';

/** What is kept, as far as the rules look at it. */
export interface Kept {
  set: KeptSet;
  placementClasses: PlacementClass[];
  leastMTs: number;
  mostMTs: number;
  /** module classes whose CL is known */
  timed: ModuleClass[];
  timedKey: string;
  differ: boolean;
  /** does a module class run beside what is kept without a difference in CL? */
  beside: (moduleClass: ModuleClass) => boolean;
  totalMiB: number;
  largestMiB: number;
  mostRanks: number;
  free: number;
  /** what becomes of the installed modules where something is bought */
  reuse: Reuse;
  /** labour, less the credit for what is removed, for all machines; minor units */
  cents: number;
}

/** Null where something of it runs at no rate of the board. */
export function keptOf(set: KeptSet, board: Board, planCase: PlanCase): Kept | null {
  const rates = set.moduleClasses.map(({ boardMTs }) => boardMTs);
  if (rates.includes(null)) return null;
  const known = rates.filter((rate) => rate !== null);
  const moduleClasses = [...new Set(set.moduleClasses)];
  const timed = moduleClasses.filter(({ casLatency }) => casLatency !== null);
  return {
    set,
    placementClasses: [...new Set(moduleClasses.map(({ placementClass }) => placementClass))],
    leastMTs: Math.min(Number.POSITIVE_INFINITY, ...known),
    mostMTs: Math.max(0, ...known),
    timed,
    timedKey: timed.map(({ rateMTs, casLatency }) => `${rateMTs}/${casLatency}`).join(),
    beside: (moduleClass) => !timed.some((other) => latenciesDiffer(other, moduleClass)),
    differ: timed.some((one) => timed.some((other) => latenciesDiffer(one, other))),
    totalMiB: set.moduleClasses.reduce((sum, { placementClass }) => sum + placementClass.capacityMiB, 0),
    largestMiB: Math.max(0, ...moduleClasses.map(({ placementClass }) => placementClass.capacityMiB)),
    mostRanks: Math.max(0, ...moduleClasses.map(({ placementClass }) => placementClass.ranks)),
    free: board.sockets.length - set.kept.length,
    reuse: reuseOf(board.installed.length, set.kept.length, 1),
    cents: machinesOf(planCase) * ((planCase.labourCents ?? 0) - set.creditCents),
  };
}

/** Do some lots differ in CL, at one rate, among themselves or from what is kept? */
export function clash({ timed }: Kept, lots: readonly Lot[]): boolean {
  for (let at = 0; at < lots.length; at++) {
    const moduleClass = lots[at]?.moduleClass;
    if (moduleClass === undefined) continue;
    for (const other of timed) if (latenciesDiffer(other, moduleClass)) return true;
    for (let more = at + 1; more < lots.length; more++) {
      const other = lots[more]?.moduleClass;
      if (other !== undefined && latenciesDiffer(other, moduleClass)) return true;
    }
  }
  return false;
}
