import Papa from 'papaparse';
import type { ColumnRole } from '../core/price-list/column-roles';
import { type GuessedColumns, guessColumns } from '../core/price-list/guess-columns';
import { type ListedRow, readRow } from '../core/price-list/read-row';
import { decodeText } from '../core/reading/decode-text';
import { readWorkbook } from './workbook';

/** Which column holds what, as a person said or a seller's earlier list was corrected to; null: it is guessed. */
export interface ListColumns {
  headings: number | null;
  columns: Partial<Record<ColumnRole, number>>;
}

export type PriceListFile =
  | {
      ok: true;
      guessed: GuessedColumns;
      used: ListColumns;
      rows: ListedRow[];
      /** the first rows as they stand, for somebody to look at the columns */
      sample: string[][];
    }
  | { ok: false; sentence: string };

const MOST_ROWS = 50_000;
const MOST_COLUMNS = 200;
/** All that is read of a workbook, unpacked. */
const MOST_UNPACKED = 128 * 1024 * 1024;
const SAMPLE_ROWS = 80;
const SHOWN_ROWS = 6;

const filled = (cells: readonly string[]): number => cells.filter((cell) => cell.trim() !== '').length;

/** Headings and footers between the offers: rows that have next to nothing in them. */
function isOfferRow(cells: readonly string[], columns: ListColumns['columns']): boolean {
  const wanted = Object.values(columns);
  const held = wanted.filter((column) => (cells[column]?.trim() ?? '') !== '').length;
  return held >= 2 || (wanted.length < 2 && filled(cells) > 0);
}

/** A row with anything in it, with its line in the file. */
interface FileRow {
  line: number;
  cells: string[];
}

type FileRows = { ok: true; rows: FileRow[] } | { ok: false; sentence: string };

/** How a package of parts begins (ECMA-376), and how an old or locked workbook does. */
const PACKAGE = [0x50, 0x4b, 0x03, 0x04];
const COMPOUND = [0xd0, 0xcf, 0x11, 0xe0];

const begins = (input: Uint8Array, bytes: readonly number[]): boolean => bytes.every((byte, at) => input[at] === byte);

/** Separated values: comma, semicolon, tab or bar, quoted or not, in any encoding. */
function separatedRows(input: Uint8Array): FileRows {
  const text = decodeText(input).replace(/^\ufeff/, '');
  if (text.trim() === '') return { ok: false, sentence: 'There is nothing in this file.' };
  const { data } = Papa.parse<string[]>(text, { delimitersToGuess: [',', ';', '\t', '|'], preview: MOST_ROWS + 1 });
  if (data.length > MOST_ROWS) return { ok: false, sentence: `At most ${MOST_ROWS} rows in one list.` };
  const wide = data.findIndex((cells) => cells.length > MOST_COLUMNS);
  if (wide >= 0)
    return { ok: false, sentence: `Line ${wide + 1} has over ${MOST_COLUMNS} columns: this is no price list.` };
  return { ok: true, rows: data.map((cells, at) => ({ cells, line: at + 1 })) };
}

async function rowsOf(input: Uint8Array): Promise<FileRows> {
  if (begins(input, PACKAGE)) {
    return readWorkbook(input, { rows: MOST_ROWS, columns: MOST_COLUMNS, bytes: MOST_UNPACKED });
  }
  if (begins(input, COMPOUND)) {
    return {
      ok: false,
      sentence: 'This workbook is of an old kind or locked: save it as XLSX or CSV without a password.',
    };
  }
  return separatedRows(input);
}

/**
 * Reads a price list, separated values or a workbook. Never throws; rows that are no offers (group heads, footers) are
 * passed over, those that are doubtful are told.
 *
 * @param told columns to go by; null: guessed
 */
export async function readPriceList(input: Uint8Array, told: ListColumns | null): Promise<PriceListFile> {
  const file = await rowsOf(input);
  if (!file.ok) return file;
  const data = file.rows.map(({ cells }) => cells);
  if (data.every((cells) => cells.length < 2)) {
    return { ok: false, sentence: 'There is no table in this file: a price list has a column for the price at least.' };
  }
  const guessed = guessColumns(data.slice(0, SAMPLE_ROWS));
  const used = told ?? { headings: guessed.headings, columns: guessed.columns };
  const first = used.headings === null ? 0 : used.headings + 1;
  const rows = file.rows
    .slice(first)
    .filter(({ cells }) => isOfferRow(cells, used.columns))
    .map(({ cells, line }) => readRow(cells, used.columns, line));
  const from = used.headings ?? 0;
  return { ok: true, guessed, used, rows, sample: data.slice(from, from + SHOWN_ROWS) };
}
