import { type Board, type Layout, piecesOf } from './board';
import { channelCapacities, totalMiB } from './capacity-of';
import type { InForce } from './in-force';
import { differ } from './refuse-set';
import { boardRateUnder, capOf, loadCap } from './running-rate';

/** How much a person must mind a plan, least first. */
export const CARES = ['clear', 'heads-up', 'off-book'] as const;
export type Care = (typeof CARES)[number];

/** A layout with the figures its care depends on. */
export interface Judged {
  board: Board;
  force: InForce;
  layout: Layout;
  rateMTs: number;
  bandwidthMBs: number;
}

type Reason = { care: Exclude<Care, 'clear'>; holds: (set: Judged) => boolean };

function mixedRate({ board, force, layout }: Judged): boolean {
  const load = loadCap(board, layout);
  return differ(piecesOf(layout).map((piece) => boardRateUnder(force.boardRates, capOf(piece, board, load))));
}

function mixedLatency({ layout }: Judged): boolean {
  const pieces = piecesOf(layout);
  return pieces.some(({ speed }) =>
    differ(pieces.filter((one) => one.speed.rateMTs === speed.rateMTs).map((one) => one.speed.casLatency)),
  );
}

function eccLost({ force, layout }: Judged): boolean {
  const today = piecesOf(force.today.layout);
  const allEcc = today.length > 0 && today.every((piece) => piece.module.ecc);
  return allEcc && piecesOf(layout).some((piece) => !piece.module.ecc);
}

function unmatchedBank({ board, layout }: Judged): boolean {
  if (board.machine.pairing !== 'advised') return false;
  return board.banks.some((bank) => differ(bank.map((slot) => layout[slot]?.module.capacityMiB)));
}

/** Every reason to mind, by name, with its care and the rule that tells it. */
export const CARE_REASONS = {
  'ecc-lost': { care: 'heads-up', holds: eccLost },
  'ecc-mix': {
    care: 'heads-up',
    holds: ({ layout }) => new Set(piecesOf(layout).map((piece) => piece.module.ecc)).size > 1,
  },
  'mixed-latency': { care: 'heads-up', holds: mixedLatency },
  'mixed-rate': { care: 'heads-up', holds: mixedRate },
  'module-off-book': {
    care: 'off-book',
    holds: ({ force, layout }) => {
      const { official } = force.module;
      if (official === null) return false;
      return piecesOf(layout).some((one) => one.source.from === 'offer' && one.module.capacityMiB > official);
    },
  },
  'os-limit': {
    care: 'heads-up',
    holds: ({ board, layout }) => {
      const visible = board.machine.os?.visibleMiB;
      return visible != null && totalMiB(layout) > visible;
    },
  },
  'slower-than-today': {
    care: 'heads-up',
    holds: ({ force: { today }, rateMTs, bandwidthMBs }) =>
      today.rateMTs !== null && (rateMTs < today.rateMTs || bandwidthMBs < today.bandwidthMBs),
  },
  'total-off-book': {
    care: 'off-book',
    holds: ({ force, layout }) => force.total.official !== null && totalMiB(layout) > force.total.official,
  },
  'total-unknown': { care: 'heads-up', holds: ({ force }) => force.total.official === null },
  'uneven-channels': {
    care: 'heads-up',
    holds: ({ board, layout }) => board.channelCount > 1 && differ(channelCapacities(board, layout)),
  },
  'unmatched-bank': { care: 'heads-up', holds: unmatchedBank },
} as const satisfies Record<string, Reason>;
export type CareReason = keyof typeof CARE_REASONS;

/** Reasons that depend on where the modules are; all others are the same in any places. */
const PLACE_REASONS: readonly CareReason[] = ['mixed-rate', 'slower-than-today', 'uneven-channels', 'unmatched-bank'];
const FIXED_REASONS = (Object.keys(CARE_REASONS) as CareReason[]).filter((name) => !PLACE_REASONS.includes(name));

/** The reasons that hold for these modules wherever they are. */
export function fixedReasons(board: Board, force: InForce, layout: Layout): CareReason[] {
  const set = { board, force, layout, rateMTs: 0, bandwidthMBs: 0 };
  return FIXED_REASONS.filter((name) => CARE_REASONS[name].holds(set));
}

/** All reasons that hold for a set in its places, alphabetical, given those that hold anywhere. */
export function careReasons(set: Judged, fixed: readonly CareReason[]): CareReason[] {
  return [...fixed, ...PLACE_REASONS.filter((name) => CARE_REASONS[name].holds(set))].sort();
}

/** The highest care of the reasons, as its place in {@link CARES}. */
export function careRank(reasons: readonly CareReason[]): number {
  return Math.max(0, ...reasons.map((name) => CARES.indexOf(CARE_REASONS[name].care)));
}

/** What is shown without care. */
export const NOTES = ['mixed-maker', 'mixed-ranks', 'runs-below-rating'] as const;
export type Note = (typeof NOTES)[number];

/** The notes on a set, alphabetical. */
export function notesOn({ layout, rateMTs }: Pick<Judged, 'layout' | 'rateMTs'>): Note[] {
  const pieces = piecesOf(layout);
  const holds: Record<Note, boolean> = {
    'mixed-maker': differ(pieces.map((piece) => piece.module.maker)),
    'mixed-ranks': differ(pieces.map((piece) => piece.module.ranks)),
    'runs-below-rating': pieces.some((piece) => piece.source.from === 'offer' && piece.speed.rateMTs > rateMTs),
  };
  return NOTES.filter((note) => holds[note]);
}
