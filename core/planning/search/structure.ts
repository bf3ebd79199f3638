import type { Board } from '../model/board';
import { type CareLevel, careRank, fixedReasons } from '../rules/care';
import type { EffectiveLimits } from '../rules/effective-limits';
import { mixRefusals } from '../rules/refuse-set';
import type { Kept } from './kept';
import type { ClassOffers } from './supply/price-board';

/** So many modules of one placement class, from one offer. */
export interface BoughtPart {
  shelf: ClassOffers;
  modules: number;
}

/** Parts beside what is kept, before anything is chosen of what offers them. */
export interface Structure {
  parts: readonly BoughtPart[];
  bought: number;
  totalMiB: number;
  openSlots: number;
  /** sure wherever the modules stand and whatever their speed */
  care: CareLevel;
  largestMiB: number;
}

/** Null where these modules cannot be together. */
export function structureOf(
  board: Board,
  force: EffectiveLimits,
  kept: Kept,
  parts: readonly BoughtPart[],
): Structure | null {
  const all = [...kept.placementClasses];
  let totalMiB = kept.totalMiB;
  let bought = 0;
  let largestBoughtMiB = 0;
  for (const { shelf, modules } of parts) {
    const { capacityMiB } = shelf.placementClass;
    totalMiB += modules * capacityMiB;
    bought += modules;
    largestBoughtMiB = Math.max(largestBoughtMiB, capacityMiB);
    all.push(shelf.placementClass);
  }
  if (mixRefusals(all, totalMiB, force).length > 0) return null;
  const [ecc, nonEcc] = [
    all.some((placementClass) => placementClass.ecc),
    all.some((placementClass) => !placementClass.ecc),
  ];
  return {
    parts,
    bought,
    totalMiB,
    openSlots: kept.free - bought,
    care: careRank(fixedReasons({ totalMiB, ecc, nonEcc, largestBoughtMiB }, force, board)),
    largestMiB: Math.max(kept.largestMiB, largestBoughtMiB),
  };
}
