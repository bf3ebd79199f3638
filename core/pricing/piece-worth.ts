import { roundHalfEven } from './round-half-even';

/** What a used module is worth beside a new one, hundredths of a percent, by its looks and contacts. */
const GRADE_BP = { A: 6000, B: 4500, C: 3000 } as const;
/** What is not tested may be dead: so much of that. */
const UNTESTED_BP = 6000;

export const PIECE_GRADES = ['A', 'B', 'C'] as const satisfies readonly (keyof typeof GRADE_BP)[];
export type PieceGrade = (typeof PIECE_GRADES)[number];

/**
 * What a used module is worth to the shop by the rule: a share of what a new one of its kind and size costs today, less
 * where nobody tested it. Minor units, at least 1.
 *
 * @param newGibCents what a GiB costs new, without tax; may be broken
 */
export function pieceWorth(newGibCents: number, capacityMiB: number, grade: PieceGrade, tested: boolean): number {
  const asNew = Math.round((newGibCents * capacityMiB) / 1024);
  const graded = roundHalfEven(asNew, GRADE_BP[grade], 10_000);
  return Math.max(1, tested ? graded : roundHalfEven(graded, UNTESTED_BP, 10_000));
}
