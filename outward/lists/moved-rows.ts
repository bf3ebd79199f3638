import Papa from 'papaparse';
import { decodeText } from '../../core/reading/bytes/decode-text';
import { readWorkbook } from './workbook';

/** Rows of a file that a former program wrote, the headings first. */
export interface MovedRows {
  headings: string[];
  /** each with its line as the file counts */
  rows: { line: number; cells: string[] }[];
}

export const MOST_MOVED_ROWS = 20_000;
/** Lines that are read on, empty ones too. */
const MOST_LINES = 2 * MOST_MOVED_ROWS;
const MOST_COLUMNS = 100;
const WORKBOOK = { rows: MOST_MOVED_ROWS + 1, columns: MOST_COLUMNS, bytes: 64 * 1024 * 1024 };

const isFull = (cells: readonly string[]): boolean => cells.some((cell) => cell.trim() !== '');

type Lines = { line: number; cells: string[] }[];

/** Lines of a text whose cells are separated by comma, semicolon, tab or bar; a sentence where it is none. */
function separated(input: Uint8Array): Lines | string {
  const text = decodeText(input);
  // A text holds no such byte; a picture or a program does.
  if (text.includes('\u0000')) return 'This is no table: save it as CSV, and choose that.';
  // Empty lines are counted, and must not mislead the guess of the separator.
  const { delimiter } = Papa.parse(text, {
    delimitersToGuess: [',', ';', '\t', '|'],
    preview: 20,
    skipEmptyLines: 'greedy',
  }).meta;
  const { data } = Papa.parse<string[]>(text, { delimiter, preview: MOST_LINES });
  return data.map((cells, at) => ({ line: at + 1, cells: cells.slice(0, MOST_COLUMNS) }));
}

/** Reads a table with headings, a text or a workbook; a sentence where it is none or too long. Never throws. */
export async function readMovedRows(input: Uint8Array): Promise<MovedRows | string> {
  let lines: Lines | string;
  if (input[0] === 0x50 && input[1] === 0x4b) {
    const book = await readWorkbook(input, WORKBOOK);
    lines = book.ok ? book.rows : book.sentence;
  } else lines = separated(input);
  if (typeof lines === 'string') return lines;
  const [head, ...rows] = lines.filter(({ cells }) => isFull(cells));
  if (head === undefined || rows.length === 0) return 'There are no rows under headings in it.';
  if (rows.length > MOST_MOVED_ROWS)
    return `It has more than ${MOST_MOVED_ROWS.toLocaleString('en')} rows: move them in by parts.`;
  return { headings: head.cells.map((cell) => cell.trim().slice(0, 80)), rows };
}
