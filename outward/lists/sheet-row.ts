/** A row of a sheet that has anything in it, with its number as the sheet counts, from 1. */
export interface SheetRow {
  line: number;
  cells: string[];
}

/** What is read of a workbook at most; what announces more is not believed, and not read on. */
export interface WorkbookLimits {
  rows: number;
  columns: number;
  /** of all parts that are read, unpacked */
  bytes: number;
}
