import { makeBoard, type Piece } from '../model/board';
import type { PlanCase } from '../model/case';
import { countedSpeed } from '../model/counted-speed';
import { offerOf } from '../model/offer-of';
import { capUnderLoad, loadCaps } from '../rules/load-caps';
import { capOf } from '../rules/running-rate';
import type { Plan } from '../search/plan';

/** What keeps a plan from running faster; rates in MT/s. */
export type RateCause =
  | { by: 'cpu'; maxRateMTs: number }
  | { by: 'load'; maxRateMTs: number; modulesInFullest: number }
  | { by: 'kept' | 'soldered'; slot: string; rateMTs: number }
  | { by: 'bought'; offer: string; rateMTs: number }
  /** the modules would run at `capMTs`: the board's next lower rate is the running one */
  | { by: 'board'; capMTs: number };

export interface PlanExplained {
  rateMTs: number;
  limits: RateCause[];
  /** bought modules that are rated faster than they run */
  ratedFaster: { offer: string; rateMTs: number }[];
  /** what each channel holds, MiB, by the case's name of it */
  channels: { channel: string; mib: number }[];
  /** kept modules that change their slots */
  moved: { from: string; to: string }[];
}

/** A module of a plan in its slot. */
interface Seated {
  slot: number;
  piece: Pick<Piece, 'module' | 'speed'>;
  limit: (rateMTs: number) => RateCause;
}

function seatedModules(planCase: PlanCase, plan: Plan): Seated[] {
  const { machine, installed, offers } = planCase;
  const pieceOf = (module: Piece['module']) => ({ module, speed: countedSpeed(module, machine.profiles === true) });
  return machine.slots.flatMap(({ id, soldered }, slot): Seated[] => {
    if (soldered != null) {
      return [{ slot, piece: pieceOf(soldered), limit: (rateMTs) => ({ by: 'soldered', slot: id, rateMTs }) }];
    }
    const seat = plan.placement[id];
    if (seat === undefined) return [];
    if ('kept' in seat) {
      const module = installed.find((one) => one.slot === seat.kept)?.module;
      if (module === undefined) return [];
      return [{ slot, piece: pieceOf(module), limit: (rateMTs) => ({ by: 'kept', slot: seat.kept, rateMTs }) }];
    }
    const module = offerOf(offers, seat.offer)?.module;
    if (module === undefined) return [];
    return [{ slot, piece: pieceOf(module), limit: (rateMTs) => ({ by: 'bought', offer: seat.offer, rateMTs }) }];
  });
}

function distinct<T>(items: readonly T[]): T[] {
  const seen = new Set<string>();
  return items.filter((item) => {
    const key = JSON.stringify(item);
    return seen.has(key) ? false : seen.add(key);
  });
}

/** Everything whose limit is the lowest there is; the board, where it runs nothing as fast as that. */
function limitsOf(planCase: PlanCase, plan: Plan, seated: readonly Seated[]): RateCause[] {
  const board = makeBoard(planCase);
  const mostRanks = Math.max(0, ...seated.map(({ piece }) => piece.module.ranks ?? 0));
  const inChannel = (slots: readonly number[]) => seated.filter(({ slot }) => slots.includes(slot)).length;
  const modulesInFullest = Math.max(...board.slotsOf.map(inChannel));
  const load = capUnderLoad(loadCaps(planCase.machine, mostRanks), modulesInFullest);
  const cap = Math.min(...seated.map(({ piece }) => capOf(piece, board, load)));
  const cpu = planCase.machine.cpu?.maxRateMTs ?? null;
  const own: RateCause[] = seated.flatMap(({ piece, limit }) =>
    piece.speed.rateMTs === cap ? [limit(piece.speed.rateMTs)] : [],
  );
  if (cpu === cap) own.unshift({ by: 'cpu', maxRateMTs: cap });
  if (load === cap) own.unshift({ by: 'load', maxRateMTs: cap, modulesInFullest });
  if (plan.rateMTs < cap) own.unshift({ by: 'board', capMTs: cap });
  return distinct(own);
}

/** Why a plan runs as it runs, with the numbers. */
export function explainPlan(planCase: PlanCase, plan: Plan): PlanExplained {
  const seated = seatedModules(planCase, plan);
  const { machine } = planCase;
  const channels = distinct(machine.slots.map(({ channel }) => channel));
  const mibOf = (channel: string) =>
    seated
      .filter(({ slot }) => machine.slots[slot]?.channel === channel)
      .reduce((sum, { piece }) => sum + piece.module.capacityMiB, 0);
  const bought = plan.bought.flatMap(({ offer: id }) => {
    const module = offerOf(planCase.offers, id)?.module;
    if (module === undefined) return [];
    return [{ offer: id, rateMTs: countedSpeed(module, machine.profiles === true).rateMTs }];
  });
  return {
    rateMTs: plan.rateMTs,
    limits: limitsOf(planCase, plan, seated),
    ratedFaster: bought.filter(({ rateMTs }) => rateMTs > plan.rateMTs),
    channels: channels.map((channel) => ({ channel, mib: mibOf(channel) })),
    moved: Object.entries(plan.placement).flatMap(([to, seat]) =>
      'kept' in seat && seat.kept !== to ? [{ from: seat.kept, to }] : [],
    ),
  };
}
