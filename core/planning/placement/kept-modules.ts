import type { Board } from '../model/board';
import type { SetFacts } from '../rules/care';
import type { Bought } from './bought';
import type { ModuleClass } from './module-classes';
import type { ModuleToPlace } from './packing/seats';
import type { Shapes } from './packing/shape';

/** What is kept, as far as placing it beside others goes: worked out once for all sets that keep it. */
export interface KeptModules {
  /** each told once, soldered ones too */
  moduleClasses: readonly ModuleClass[];
  /** modules by number of shape, soldered ones left out */
  counts: readonly number[];
  mostRanks: number;
  facts: Readonly<SetFacts>;
  modulesToPlace: readonly ModuleToPlace[];
  key: string;
}

/** What a set is like that has all of these. */
export function factsWith(there: Readonly<SetFacts>, bought: readonly Bought[]): SetFacts {
  let { totalMiB, ecc, nonEcc, largestBoughtMiB } = there;
  for (const { moduleClass, modules } of bought) {
    const { placementClass } = moduleClass;
    totalMiB += modules * placementClass.capacityMiB;
    if (placementClass.ecc) ecc = true;
    else nonEcc = true;
    largestBoughtMiB = Math.max(largestBoughtMiB, placementClass.capacityMiB);
  }
  return { totalMiB, ecc, nonEcc, largestBoughtMiB };
}

/**
 * @param kept places in `installed`, ascending
 * @param moduleClasses of what is soldered and of what is kept, in this order
 */
export function keptModulesFrom(
  board: Board,
  shapes: Shapes,
  kept: readonly number[],
  moduleClasses: readonly ModuleClass[],
): KeptModules {
  const soldered = moduleClasses.length - kept.length;
  const modulesToPlace = kept.map((index, nr): ModuleToPlace => {
    return {
      shape: moduleClasses[soldered + nr]?.placementClass.shape ?? -1,
      home: board.home[index] ?? -1,
      token: index,
    };
  });
  return {
    moduleClasses: [...new Set(moduleClasses)],
    counts: shapes.list.map((_, nr) => modulesToPlace.filter(({ shape }) => shape === nr).length),
    mostRanks: Math.max(0, ...moduleClasses.map(({ placementClass }) => placementClass.ranks)),
    facts: {
      totalMiB: moduleClasses.reduce((sum, { placementClass }) => sum + placementClass.capacityMiB, 0),
      ecc: moduleClasses.some(({ placementClass }) => placementClass.ecc),
      nonEcc: moduleClasses.some(({ placementClass }) => !placementClass.ecc),
      largestBoughtMiB: 0,
    },
    modulesToPlace,
    key: kept.join(' '),
  };
}
