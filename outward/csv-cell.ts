/** What a spreadsheet takes for a formula at the beginning of a cell. */
const FORMULA_START = /^[=+\-@\t\r]/;

/** A cell that a spreadsheet shows as it is and does not run. */
export const guarded = (cell: string): string => (FORMULA_START.test(cell) ? `'${cell}` : cell);

/** The cell as it was before {@link guarded}. */
export const unguarded = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);
