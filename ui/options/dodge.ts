/**
 * Rows for marks on one line so that none hides another: each goes into the lowest row where it keeps its distance.
 *
 * @param xs positions in px, ascending
 * @param apart least distance between two marks of a row in px
 * @returns the row of each mark, from 0
 */
export function dodge(xs: readonly number[], apart: number): number[] {
  const lastOfRow: number[] = [];
  return xs.map((x) => {
    const free = lastOfRow.findIndex((last) => x - last >= apart);
    const row = free < 0 ? lastOfRow.length : free;
    lastOfRow[row] = x;
    return row;
  });
}
