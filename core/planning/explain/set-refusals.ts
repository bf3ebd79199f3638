import { makeBoard } from '../model/board';
import type { Machine, PlanCase } from '../model/case';
import type { Purchase } from '../model/purchase';
import { boughtModules } from '../placement/bought-modules';
import { Places } from '../placement/placement';
import { effectiveLimits } from '../rules/effective-limits';
import { MIX_REFUSALS, type MixRefusal, mixRefusals } from '../rules/refuse-set';

/** Why a set of modules cannot be in a machine, in the order they are told. */
export const SET_REFUSALS = ['slots', ...MIX_REFUSALS, 'slot-size', 'ranks', 'pairing', 'fill', 'rate'] as const;
export type SetRefusal = (typeof SET_REFUSALS)[number];

/** The machine without one of the rules of places. */
const WITHOUT: Record<Exclude<SetRefusal, MixRefusal | 'slots' | 'rate'>, (machine: Machine) => Machine> = {
  'slot-size': (machine) => ({ ...machine, slots: machine.slots.map((slot) => ({ ...slot, maxMiB: null })) }),
  ranks: (machine) => ({ ...machine, maxRanksPerChannel: null }),
  pairing: (machine) => ({ ...machine, pairing: 'none' }),
  fill: (machine) => ({ ...machine, fillRule: 'preferred' }),
};
type Lifted = keyof typeof WITHOUT;
const LIFTED = Object.keys(WITHOUT) as Lifted[];

function canBePlaced(planCase: PlanCase, kept: readonly number[], bought: readonly Purchase[]): boolean {
  const board = makeBoard(planCase);
  const places = new Places(board, effectiveLimits(board), planCase.offers);
  return places.best(kept, boughtModules(planCase, places, bought)) !== null;
}

/** Rules of places that each alone keep a set from being placed; where only several together do, all of those. */
function placeRefusals(planCase: PlanCase, kept: readonly number[], bought: readonly Purchase[]): SetRefusal[] {
  const lifted = (rules: readonly Lifted[]) => {
    const machine = rules.reduce((before, rule) => WITHOUT[rule](before), planCase.machine);
    return canBePlaced({ ...planCase, machine }, kept, bought);
  };
  const alone = LIFTED.filter((rule) => lifted([rule]));
  if (alone.length > 0) return alone;
  if (!lifted(LIFTED)) return ['rate'];
  return LIFTED.filter((rule) => !lifted(LIFTED.filter((other) => other !== rule)));
}

/**
 * Codes that speak against keeping and buying just this, in the order of {@link SET_REFUSALS}; empty: it can be done.
 *
 * @param kept places in `installed`
 */
export function setRefusals(planCase: PlanCase, kept: readonly number[], bought: readonly Purchase[]): SetRefusal[] {
  const board = makeBoard(planCase);
  const force = effectiveLimits(board);
  const places = new Places(board, force, planCase.offers);
  const modules = boughtModules(planCase, places, bought);
  const stay = places.moduleClassesOf(kept).map(({ placementClass }) => placementClass);
  const count = modules.reduce((sum, one) => sum + one.modules, kept.length);
  const stayMiB = stay.reduce((sum, { capacityMiB }) => sum + capacityMiB, 0);
  const totalMiB = modules.reduce(
    (sum, one) => sum + one.modules * one.moduleClass.placementClass.capacityMiB,
    stayMiB,
  );
  const mix = mixRefusals([...stay, ...modules.map(({ moduleClass }) => moduleClass.placementClass)], totalMiB, force);
  if (count > board.sockets.length) return ['slots', ...mix];
  if (mix.length > 0) return mix;
  return places.best(kept, modules) === null ? placeRefusals(planCase, kept, bought) : [];
}
