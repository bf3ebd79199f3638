/** A slot that may be filled or stay empty. */
export const OPEN = -1;
/** A socket that has to be filled. */
export const MUST = -2;
/** A socket that has to stay empty. */
export const CLOSED = -3;

/** What stands where, and what is still to be placed. */
export interface PartialPlacement {
  /** by slot: the number of the shape that stands there, or one of the marks above */
  slots: number[];
  /** modules still to be placed, by number of shape */
  left: number[];
  /** by slot: the shape of a module still to be placed that is in this slot today; -1: none */
  homes: number[];
}

/** What a placement has to give. */
export interface Demand {
  /** what each channel may hold: at most so much, just so much, or just so much unless it is empty; MiB */
  channel: { rule: 'at-most' | 'each' | 'each-filled'; mib: number };
  /** modules in the fullest channel */
  fullest: { least: number; most: number };
  /** no bank may hold modules of unequal capacity */
  matched: boolean;
}

/** Where nothing is demanded but what the machine itself refuses. */
export const ANYWHERE: Demand = {
  channel: { rule: 'at-most', mib: Number.POSITIVE_INFINITY },
  fullest: { least: 0, most: Number.POSITIVE_INFINITY },
  matched: false,
};
