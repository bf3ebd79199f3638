/** A mark that wants a place on the line of its rung. */
export interface WantedMark {
  key: string;
  /** px */
  x: number;
}

export interface SeatedMark extends WantedMark {
  row: number;
}

/**
 * Places for marks so that none hides another: each goes into the lowest row where it keeps its distance. Where there are
 * only so many rows, those that find no room are folded away.
 *
 * @param marks the ones that matter most first
 * @param apart least distance between two marks of a row, px
 * @returns the seated ones from left to right
 */
export function seatMarks(
  marks: readonly WantedMark[],
  apart: number,
  rows = Number.POSITIVE_INFINITY,
): { seated: SeatedMark[]; folded: string[] } {
  const taken: number[][] = [];
  const seated: SeatedMark[] = [];
  const folded: string[] = [];
  for (const mark of marks) {
    let row = taken.findIndex((xs) => xs.every((x) => Math.abs(x - mark.x) >= apart));
    if (row < 0 && taken.length < rows) row = taken.push([]) - 1;
    if (row < 0) folded.push(mark.key);
    else {
      taken[row]?.push(mark.x);
      seated.push({ ...mark, row });
    }
  }
  return { seated: seated.sort((a, b) => a.x - b.x || a.row - b.row), folded };
}
