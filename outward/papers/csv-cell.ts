/**
 * What a spreadsheet takes for a formula at the beginning of a cell: the four signs, also as the full-width letters (U+FF0B,
 * U+FF0D, U+FF1D, U+FF20) that some programs read as them, and white space that they skip before one.
 */
const START = '[=+\\-@\\t\\r\\n＝＋－＠]';
const FORMULA_START = new RegExp(`^${START}`);
const GUARDED_START = new RegExp(`^'${START}`);

/** A cell that a spreadsheet shows as it is and does not run. */
export const guarded = (cell: string): string => (FORMULA_START.test(cell) ? `'${cell}` : cell);

/** The cell as it was before {@link guarded}. */
export const unguarded = (cell: string): string => (GUARDED_START.test(cell) ? cell.slice(1) : cell);
