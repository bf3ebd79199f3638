import { MIB_PER_GB } from '../memory/capacity';
import { effectiveChannels } from './bandwidth';
import { type Board, makeBoard, piecesOf } from './board';
import { CARES, type Care, type CareReason, type Note, notesOn } from './care';
import type { Lane, PlanCase } from './case';
import type { Candidate } from './frontier';
import { type InForce, inForce } from './in-force';
import type { Reuse } from './lane-and-reuse';
import { setLatencyNs } from './latency';
import { type OfferRefusal, refusalsOf } from './refuse-offer';
import { search } from './search';

/** Where a placed module comes from: the slot it is kept from, or the offer it is bought with. */
export type Seat = { kept: string } | { offer: string };

/** A plan worth looking at. Capacity MiB, rate MT/s, bandwidth MB/s, money minor units, latency ns. */
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

const seatOrder = (seat: Seat, planCase: PlanCase): number =>
  'kept' in seat
    ? planCase.installed.findIndex(({ slot }) => slot === seat.kept)
    : planCase.installed.length + planCase.offers.findIndex(({ id }) => id === seat.offer);

/** Kept modules first, then bought ones by offer, each in the case's order of slots. */
function placementOf(planCase: PlanCase, candidate: Candidate): Record<string, Seat> {
  const seats = candidate.placed.layout.flatMap((piece, slot): [string, Seat][] => {
    const id = planCase.machine.slots[slot]?.id ?? '';
    if (piece === null || piece.source.from === 'soldered') return [];
    if (piece.source.from === 'offer') return [[id, { offer: planCase.offers[piece.source.index]?.id ?? '' }]];
    return [[id, { kept: planCase.installed[piece.source.index]?.slot ?? '' }]];
  });
  return Object.fromEntries(seats.sort(([, a], [, b]) => seatOrder(a, planCase) - seatOrder(b, planCase)));
}

function perGiB(cents: number, mib: number): number {
  return Math.round((cents * MIB_PER_GB) / mib);
}

/** The figures of a set in its places. */
export function asPlan(
  planCase: PlanCase,
  board: Board,
  force: InForce,
  candidate: Candidate,
): Omit<Plan, 'savingCents'> {
  const { lane, reuse, placed, totalMiB, priceCents, openSlots } = candidate;
  const addedMiB = totalMiB - force.today.totalMiB;
  return {
    lane,
    reuse,
    kept: candidate.kept.map((index) => planCase.installed[index]?.slot ?? ''),
    bought: candidate.bought.map(({ offer, count }) => ({ offer: planCase.offers[offer]?.id ?? '', count })),
    placement: placementOf(planCase, candidate),
    totalMiB,
    addedMiB,
    rateMTs: placed.rateMTs,
    bandwidthMBs: placed.bandwidthMBs,
    effectiveChannels: effectiveChannels(board, placed.layout),
    latencyNs: setLatencyNs(piecesOf(placed.layout).map((piece) => piece.speed)),
    openSlots,
    care: CARES[placed.care] ?? 'clear',
    reasons: [...placed.reasons],
    notes: notesOn(placed),
    priceCents,
    perGiBCents: perGiB(priceCents, totalMiB),
    perAddedGiBCents: addedMiB === 0 ? null : perGiB(priceCents, addedMiB),
  };
}

/** Adds to each plan its saving against the cheapest plan of original parts that ends at the same total. */
function withSavings(plans: readonly Omit<Plan, 'savingCents'>[]): Plan[] {
  const cheapest = new Map<number, number>();
  for (const { lane, totalMiB, priceCents } of plans) {
    if (lane !== 'original') continue;
    cheapest.set(totalMiB, Math.min(priceCents, cheapest.get(totalMiB) ?? Number.POSITIVE_INFINITY));
  }
  return plans.map((plan) => {
    const original = cheapest.get(plan.totalMiB);
    return { ...plan, savingCents: original === undefined ? null : original - plan.priceCents };
  });
}

const byName = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

function comparePlans(a: Candidate, b: Candidate): number {
  return (
    byName(a.lane, b.lane) ||
    byName(a.reuse, b.reuse) ||
    a.totalMiB - b.totalMiB ||
    a.priceCents - b.priceCents ||
    a.placed.bandwidthMBs - b.placed.bandwidthMBs ||
    a.placed.care - b.placed.care ||
    a.openSlots - b.openSlots
  );
}

/**
 * Answers a case with today's figures, the offers that cannot be used and why, and every plan worth looking at:
 * by lane, reuse, total, price, bandwidth, care and open slots, ascending. The case must have passed `caseSchema`.
 */
export function answer(planCase: PlanCase): Answer {
  const board = makeBoard(planCase);
  const force = inForce(board);
  const codes = planCase.offers.map((offer) => refusalsOf(offer.module, planCase.machine, force));
  const usable = planCase.offers.flatMap((_, index) => (codes[index]?.length ? [] : [index]));
  const found = search(planCase, board, force, usable).sort(comparePlans);
  const { totalMiB, rateMTs, bandwidthMBs } = force.today;
  return {
    baseline: { totalMiB, rateMTs, bandwidthMBs },
    refusedOffers: planCase.offers.flatMap(({ id }, index) => {
      const own = codes[index] ?? [];
      return own.length === 0 ? [] : [{ offer: id, codes: own }];
    }),
    plans: withSavings(found.map((candidate) => asPlan(planCase, board, force, candidate))),
  };
}
