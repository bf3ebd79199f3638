import { MIB_PER_GB } from '../../memory/capacity';
import { type Board, type Piece, piecesOf } from '../model/board';
import type { PlanCase } from '../model/case';
import { countedSpeed } from '../model/counted-speed';
import type { Reuse } from '../model/lane-and-reuse';
import type { Lane } from '../model/lanes';
import { setLatencyNs } from '../model/latency';
import { machinesOf } from '../model/machines';
import type { Purchase } from '../model/purchase';
import type { Placed } from '../placement/placement';
import { type Care, type CareReason, careAt, type Note, notesOn } from '../rules/care';
import type { EffectiveLimits } from '../rules/effective-limits';
import type { OfferRefusal } from '../rules/refuse-offer';
import type { Candidate } from './candidates';

/** Where a placed module comes from: the slot it is kept from, or the offer it is bought with. */
export type Seat = { kept: string } | { offer: string };

/**
 * A plan worth looking at. Of several equal machines it is the plan of one, and what is bought and what it costs are told
 * for all. Capacity MiB, rate MT/s, bandwidth MB/s, money minor units, latency ns.
 */
export interface Plan {
  lane: Lane;
  reuse: Reuse;
  kept: string[];
  bought: { offer: string; count: number }[];
  /** by slot; soldered ones are not named */
  placement: Record<string, Seat>;
  totalMiB: number;
  addedMiB: number;
  rateMTs: number;
  bandwidthMBs: number;
  effectiveChannels: number;
  latencyNs: number | null;
  openSlots: number;
  care: Care;
  reasons: CareReason[];
  notes: Note[];
  priceCents: number;
  /** rounded to the nearest minor unit; null where nothing is added */
  perGiBCents: number;
  perAddedGiBCents: number | null;
  savingCents: number | null;
}

export interface Answer {
  baseline: { totalMiB: number; rateMTs: number | null; bandwidthMBs: number };
  refusedOffers: { offer: string; codes: OfferRefusal[] }[];
  plans: Plan[];
}

/** Kept modules first, then bought ones by offer, each in the case's order of slots. */
function placementOf(
  { machine, installed, offers }: PlanCase,
  chosen: Chosen,
  { seating }: Placed,
): Record<string, Seat> {
  const placement: Record<string, Seat> = {};
  const idOf = (slot: number | undefined): string => machine.slots[slot ?? -1]?.id ?? '';
  for (const [nr, index] of chosen.kept.entries()) {
    placement[idOf(seating.kept[nr])] = { kept: installed[index]?.slot ?? '' };
  }
  for (const [nr, { offer }] of chosen.bought.entries()) {
    const seat = { offer: offers[offer]?.id ?? '' };
    for (const slot of seating.bought[nr] ?? []) placement[idOf(slot)] = seat;
  }
  return placement;
}

function perGiB(cents: number, mib: number): number {
  return Math.round((cents * MIB_PER_GB) / mib);
}

/** A module of an offer; null where the case has no such offer. */
function pieceOf({ offers, machine }: PlanCase, offer: number): Piece | null {
  const module = offers[offer]?.module;
  if (module === undefined) return null;
  return { module, speed: countedSpeed(module, machine.profiles === true), source: { from: 'offer', index: offer } };
}

/** What is chosen, before it has places. */
export type Chosen = Pick<Candidate, 'lane' | 'reuse' | 'kept' | 'totalMiB' | 'priceCents' | 'openSlots'> & {
  bought: readonly Purchase[];
};

/** What is kept, as plans speak of it. */
export interface Stay {
  /** in the order of `installed` */
  slots: string[];
  /** soldered ones first, each kind of module once */
  pieces: readonly Piece[];
}

/** Modules that a plan's figures and notes tell apart, each once. */
function distinctPieces(pieces: readonly Piece[]): Piece[] {
  const seen = new Set<string>();
  return pieces.filter(({ module: { maker, ranks }, speed: { rateMTs, casLatency } }) => {
    const kind = JSON.stringify([maker, ranks, rateMTs, casLatency]);
    return seen.has(kind) ? false : seen.add(kind);
  });
}

/** @param kept places in `installed`, ascending */
export function stayOf(planCase: PlanCase, board: Board, kept: readonly number[]): Stay {
  return {
    slots: kept.map((index) => planCase.installed[index]?.slot ?? ''),
    pieces: distinctPieces([...piecesOf(board.soldered), ...kept.flatMap((index) => board.installed[index] ?? [])]),
  };
}

/**
 * The figures of a set in its places.
 *
 * @param originalCents price of the cheapest plan of original parts with the same total, minor units
 */
export function asPlan(
  planCase: PlanCase,
  force: EffectiveLimits,
  candidate: Chosen,
  stay: Stay,
  placed: Placed,
  originalCents: number | undefined,
): Plan {
  const { lane, reuse, totalMiB, priceCents, openSlots } = candidate;
  const addedMiB = totalMiB - force.today.totalMiB;
  const machines = machinesOf(planCase);
  const bought = candidate.bought.flatMap(({ offer }) => pieceOf(planCase, offer) ?? []);
  return {
    lane,
    reuse,
    kept: [...stay.slots],
    bought: candidate.bought.map(({ offer, count }) => ({ offer: planCase.offers[offer]?.id ?? '', count })),
    placement: placementOf(planCase, candidate, placed),
    totalMiB,
    addedMiB,
    rateMTs: placed.rateMTs,
    bandwidthMBs: placed.bandwidthMBs,
    effectiveChannels: placed.seating.effectiveChannels,
    latencyNs: setLatencyNs([...stay.pieces, ...bought].map((piece) => piece.speed)),
    openSlots,
    care: careAt(placed.care),
    reasons: [...placed.reasons],
    notes: notesOn(stay.pieces, bought, placed.rateMTs),
    priceCents,
    perGiBCents: perGiB(priceCents, machines * totalMiB),
    perAddedGiBCents: addedMiB === 0 ? null : perGiB(priceCents, machines * addedMiB),
    savingCents: originalCents === undefined ? null : originalCents - priceCents,
  };
}
