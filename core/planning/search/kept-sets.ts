import type { Board } from '../model/board';
import type { PlanCase } from '../model/case';
import type { ModuleClass, ModuleClasses } from '../placement/module-classes';

/** A way to keep some of the installed modules. */
export interface KeptSet {
  /** places in `installed`, ascending */
  kept: readonly number[];
  /** the module classes of these and of what is soldered, each as often as it is there */
  moduleClasses: readonly ModuleClass[];
  /** shapes of the kept ones, as often as they are there */
  shapes: readonly number[];
  /** what the customer gets for the others, minor units */
  creditCents: number;
}

/** Installed modules that no rule tells apart. */
interface Twins {
  moduleClass: ModuleClass;
  /** those that may go, in the order in which one keeps them: the least credit first, then the earlier */
  may: number[];
  must: number[];
}

function twinsOf(planCase: PlanCase, board: Board, moduleClasses: ModuleClasses): Twins[] {
  const groups = new Map<ModuleClass, Twins>();
  for (const [index, piece] of board.installed.entries()) {
    const moduleClass = moduleClasses.of(piece, board.home[index]);
    const group = groups.get(moduleClass) ?? { moduleClass, may: [], must: [] };
    groups.set(moduleClass, group);
    const keep = planCase.installed[index]?.keep ?? 'may';
    if (keep === 'must') group.must.push(index);
    if (keep === 'may') group.may.push(index);
  }
  const credit = (index: number) => planCase.installed[index]?.creditCents ?? 0;
  for (const group of groups.values()) group.may.sort((a, b) => credit(a) - credit(b) || a - b);
  return [...groups.values()];
}

/**
 * Every way to keep some of the installed modules that the locks allow. Of modules that no rule tells apart those are kept
 * that bring the least credit: any other way to keep as many costs no less.
 */
export function keptSets(planCase: PlanCase, board: Board, moduleClasses: ModuleClasses): KeptSet[] {
  const twins = twinsOf(planCase, board, moduleClasses);
  const soldered = board.soldered.flatMap((piece) => (piece === null ? [] : [moduleClasses.of(piece)]));
  const all = planCase.installed.reduce((sum, { creditCents }) => sum + (creditCents ?? 0), 0);
  const sets: KeptSet[] = [];
  const choose = (at: number, kept: readonly number[], own: readonly ModuleClass[]): void => {
    const group = twins[at];
    if (group === undefined) {
      const credit = kept.reduce((sum, index) => sum + (planCase.installed[index]?.creditCents ?? 0), 0);
      sets.push({
        kept: [...kept].sort((a, b) => a - b),
        moduleClasses: [...soldered, ...own],
        shapes: own.map(({ placementClass }) => placementClass.shape),
        creditCents: all - credit,
      });
      return;
    }
    for (let more = 0; more <= group.may.length; more++) {
      const stay = [...group.must, ...group.may.slice(0, more)];
      choose(at + 1, [...kept, ...stay], [...own, ...stay.map(() => group.moduleClass)]);
    }
  };
  choose(0, [], []);
  return sets;
}
