import type { Board } from '../model/board';
import type { PlanCase } from '../model/case';
import { type Reuse, reuseOf } from '../model/lane-and-reuse';
import { type Body, latenciesDiffer, type Make } from '../placement/makes';
import type { KeptSet } from './kept-sets';
import type { Lot } from './lots';

/** What is kept, as far as the rules look at it. */
export interface Kept {
  set: KeptSet;
  bodies: Body[];
  leastMTs: number;
  mostMTs: number;
  /** makes whose CL is known */
  timed: Make[];
  timedKey: string;
  differ: boolean;
  /** does a make run beside what is kept without a difference in CL? */
  beside: (make: Make) => boolean;
  totalMiB: number;
  largestMiB: number;
  mostRanks: number;
  free: number;
  /** what becomes of the installed modules where something is bought */
  reuse: Reuse;
  /** labour, less the credit for what is removed; minor units */
  cents: number;
}

/** Null where something of it runs at no rate of the board. */
export function keptOf(set: KeptSet, board: Board, planCase: PlanCase): Kept | null {
  const rates = set.makes.map(({ boardMTs }) => boardMTs);
  if (rates.includes(null)) return null;
  const known = rates.filter((rate) => rate !== null);
  const makes = [...new Set(set.makes)];
  const timed = makes.filter(({ casLatency }) => casLatency !== null);
  return {
    set,
    bodies: [...new Set(makes.map(({ body }) => body))],
    leastMTs: Math.min(Number.POSITIVE_INFINITY, ...known),
    mostMTs: Math.max(0, ...known),
    timed,
    timedKey: timed.map(({ rateMTs, casLatency }) => `${rateMTs}/${casLatency}`).join(),
    beside: (make) => !timed.some((other) => latenciesDiffer(other, make)),
    differ: timed.some((one) => timed.some((other) => latenciesDiffer(one, other))),
    totalMiB: set.makes.reduce((sum, { body }) => sum + body.capacityMiB, 0),
    largestMiB: Math.max(0, ...makes.map(({ body }) => body.capacityMiB)),
    mostRanks: Math.max(0, ...makes.map(({ body }) => body.ranks)),
    free: board.sockets.length - set.kept.length,
    reuse: reuseOf(board.installed.length, set.kept.length, 1),
    cents: (planCase.labourCents ?? 0) - set.creditCents,
  };
}

/** Do some lots differ in CL, at one rate, among themselves or from what is kept? */
export function clash({ timed }: Kept, lots: readonly Lot[]): boolean {
  for (let at = 0; at < lots.length; at++) {
    const make = lots[at]?.make;
    if (make === undefined) continue;
    for (const other of timed) if (latenciesDiffer(other, make)) return true;
    for (let more = at + 1; more < lots.length; more++) {
      const other = lots[more]?.make;
      if (other !== undefined && latenciesDiffer(other, make)) return true;
    }
  }
  return false;
}
