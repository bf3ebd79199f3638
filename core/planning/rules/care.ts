import type { Board, Piece } from '../model/board';
import { channelCapacities } from './capacity-of';
import type { EffectiveLimits } from './effective-limits';
import { differ } from './refuse-set';

/** How much a person must mind a plan, least first. */
export const CARES = ['clear', 'heads-up', 'off-book'] as const;
export type Care = (typeof CARES)[number];

/** The same as a number, so that the search compares and stores it: the least first. */
export type CareLevel = 0 | 1 | 2;

/** A level, as its word. */
export const careAt = (level: CareLevel): Care => CARES[level];

export const CLEAR: CareLevel = 0;
export const HEADS_UP: CareLevel = 1;

/** The greater of two. */
export const moreCare = (one: CareLevel, other: CareLevel): CareLevel => (one > other ? one : other);

/** Where a care stands, the least first. */
export const careLevel = (care: Care): CareLevel => CARES.indexOf(care) as CareLevel;

/** What a set is like wherever its modules stand. */
export interface SetFacts {
  totalMiB: number;
  /** some module has ECC, some has none */
  ecc: boolean;
  nonEcc: boolean;
  /** the largest of the bought modules, MiB; 0: nothing is bought */
  largestBoughtMiB: number;
}

/** What a set is like together, in its places. */
export interface SetStanding {
  /** two modules of one rate differ in known CL */
  latenciesDiffer: boolean;
  /** the board rate that each module's own cap would allow is not the same for all */
  mixedRate: boolean;
  /** running rate or bandwidth is below today's */
  slower: boolean;
  uneven: boolean;
  unmatched: boolean;
}

/** Are there several channels whose capacities are not all equal? An empty one counts 0. */
export function unevenChannels(board: Board, slots: readonly number[]): boolean {
  return board.channelCount > 1 && differ(channelCapacities(board, slots));
}

/** Does a bank hold modules of unequal capacity, where that is advised against? */
export function unmatchedBank(board: Board, slots: readonly number[]): boolean {
  if (board.machine.pairing !== 'advised') return false;
  return board.banks.some((bank) => differ(bank.map((slot) => slots[slot] || null)));
}

type Minded = Exclude<Care, 'clear'>;
type FixedReason = { care: Minded; holds: (set: SetFacts, force: EffectiveLimits, board: Board) => boolean };
type PlaceReason = { care: Minded; holds: (set: SetStanding) => boolean };

/** Reasons to mind that hold for a set wherever its modules stand. */
const FIXED_REASONS = {
  'ecc-lost': { care: 'heads-up', holds: ({ nonEcc }, { today }) => today.allEcc && nonEcc },
  'ecc-mix': { care: 'heads-up', holds: ({ ecc, nonEcc }) => ecc && nonEcc },
  'module-off-book': {
    care: 'off-book',
    holds: ({ largestBoughtMiB }, { module }) => module.official !== null && largestBoughtMiB > module.official,
  },
  'os-limit': {
    care: 'heads-up',
    holds: (set, _, { machine }) => machine.os?.visibleMiB != null && set.totalMiB > machine.os.visibleMiB,
  },
  'total-off-book': {
    care: 'off-book',
    holds: (set, { total }) => total.official !== null && set.totalMiB > total.official,
  },
  'total-unknown': { care: 'heads-up', holds: (_, { total }) => total.official === null },
} as const satisfies Record<string, FixedReason>;

/** Reasons to mind that depend on the modules together and on where they stand. */
const PLACE_REASONS = {
  'mixed-latency': { care: 'heads-up', holds: ({ latenciesDiffer }) => latenciesDiffer },
  'mixed-rate': { care: 'heads-up', holds: ({ mixedRate }) => mixedRate },
  'slower-than-today': { care: 'heads-up', holds: ({ slower }) => slower },
  'uneven-channels': { care: 'heads-up', holds: ({ uneven }) => uneven },
  'unmatched-bank': { care: 'heads-up', holds: ({ unmatched }) => unmatched },
} as const satisfies Record<string, PlaceReason>;

/** Every reason to mind, by name, with its care and the rule that tells it. */
export const CARE_REASONS = { ...FIXED_REASONS, ...PLACE_REASONS };
export type CareReason = keyof typeof CARE_REASONS;

const names = <T extends object>(table: T) => Object.keys(table) as (keyof T)[];
const FIXED_NAMES = names(FIXED_REASONS);
const PLACE_NAMES = names(PLACE_REASONS);

/** The reasons that hold for a set wherever its modules stand. */
export function fixedReasons(set: SetFacts, force: EffectiveLimits, board: Board): CareReason[] {
  const reasons: CareReason[] = [];
  for (const name of FIXED_NAMES) if (FIXED_REASONS[name].holds(set, force, board)) reasons.push(name);
  return reasons;
}

/** All reasons that hold for a set in its places, alphabetical, given those that hold anywhere. */
export function careReasons(set: SetStanding, fixed: readonly CareReason[]): CareReason[] {
  const all = [...fixed];
  for (const name of PLACE_NAMES) if (PLACE_REASONS[name].holds(set)) all.push(name);
  return all.length > 1 ? all.sort() : all;
}

/** The highest care of the reasons. */
export function careRank(reasons: readonly CareReason[]): CareLevel {
  let most = CLEAR;
  for (const name of reasons) most = moreCare(most, careLevel(CARE_REASONS[name].care));
  return most;
}

/** What is shown without care. */
export const NOTES = ['mixed-maker', 'mixed-ranks', 'runs-below-rating'] as const;
export type Note = (typeof NOTES)[number];

/** The notes on a set, alphabetical. */
export function notesOn(there: readonly Piece[], bought: readonly Piece[], rateMTs: number): Note[] {
  const pieces = [...there, ...bought];
  const holds: Record<Note, boolean> = {
    'mixed-maker': differ(pieces.map((piece) => piece.module.maker)),
    'mixed-ranks': differ(pieces.map((piece) => piece.module.ranks)),
    'runs-below-rating': bought.some((piece) => piece.speed.rateMTs > rateMTs),
  };
  return NOTES.filter((note) => holds[note]);
}
