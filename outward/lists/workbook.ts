import type { Entry, ZipFile } from 'yauzl';
import { logCaught } from '../../runtime/log';
import { openSheetRows } from './open-sheet';
import { type Budget, entriesOf, hear, local, NotRead, openPackage } from './package-parts';
import type { SheetRow, WorkbookLimits } from './sheet-row';

export type Workbook = { ok: true; rows: SheetRow[] } | { ok: false; sentence: string };

const MOST_STRINGS = 1_000_000;
const LONGEST_CELL = 2_000;
/** Merged cells count where headings can be. */
const MERGES_WITHIN_ROWS = 100;
const LARGEST_MERGE = 2_000;

const DAMAGED = 'This workbook is damaged or locked: save it again, or as CSV.';

/** Paths of the visible sheets in their order (ECMA-376 part 1, 18.2.20). */
async function sheetPaths(zip: ZipFile, parts: Map<string, Entry>, budget: Budget): Promise<string[]> {
  const book = parts.get('xl/workbook.xml');
  const links = parts.get('xl/_rels/workbook.xml.rels');
  if (book === undefined || links === undefined) throw new NotRead('This package is no workbook with sheets.');
  const ids: string[] = [];
  await hear(zip, book, budget, {
    open: ({ name, attributes }) => {
      if (local(name) !== 'sheet' || attributes.state === 'hidden' || attributes.state === 'veryHidden') return;
      const id = Object.entries(attributes).find(([key]) => local(key) === 'id' && key.includes(':'))?.[1];
      if (id !== undefined) ids.push(id);
    },
    close: () => {},
  });
  const targets = new Map<string, string>();
  await hear(zip, links, budget, {
    open: ({ attributes }) => {
      const { Id, Target = '', TargetMode } = attributes;
      if (Id === undefined || TargetMode === 'External') return;
      targets.set(Id, Target.startsWith('/') ? Target.slice(1) : `xl/${Target}`);
    },
    close: () => {},
  });
  return ids.flatMap((id) => targets.get(id) ?? []);
}

/** Texts that cells share, without what only says how they are read out (18.4.8). */
async function sharedStrings(zip: ZipFile, parts: Map<string, Entry>, budget: Budget): Promise<string[]> {
  const entry = parts.get('xl/sharedStrings.xml');
  const strings: string[] = [];
  if (entry === undefined) return strings;
  let now = '';
  let inText = false;
  let phonetic = false;
  await hear(zip, entry, budget, {
    open: ({ name }) => {
      const tag = local(name);
      if (tag === 'si') now = '';
      if (tag === 'rPh') phonetic = true;
      if (tag === 't') inText = true;
    },
    text: (text) => {
      if (inText && !phonetic && now.length < LONGEST_CELL) now += text;
    },
    close: (name) => {
      const tag = local(name);
      if (tag === 't') inText = false;
      if (tag === 'rPh') phonetic = false;
      if (tag !== 'si') return;
      if (strings.length >= MOST_STRINGS) throw new NotRead('This workbook holds too many texts: save it as CSV.');
      strings.push(now.slice(0, LONGEST_CELL));
    },
  });
  return strings;
}

/** Built-in formats of dates and times (18.8.30). */
const DATE_FORMATS = new Set([14, 15, 16, 17, 18, 19, 20, 21, 22, 45, 46, 47]);

/** Does a number format show a date? Letters of days and years count outside of quoted text and colours. */
const showsDate = (code: string): boolean => /[dy]/i.test(code.replace(/"[^"]*"|\\.|\[[^\]]*\]/g, ''));

/** Which cell styles show dates: by place in the list of styles. */
async function dateStyles(zip: ZipFile, parts: Map<string, Entry>, budget: Budget): Promise<ReadonlySet<number>> {
  const entry = parts.get('xl/styles.xml');
  const styles = new Set<number>();
  if (entry === undefined) return styles;
  const own = new Set<number>();
  let inCells = false;
  let place = 0;
  await hear(zip, entry, budget, {
    open: ({ name, attributes }) => {
      const tag = local(name);
      if (tag === 'numFmt' && showsDate(attributes.formatCode ?? '')) own.add(Number(attributes.numFmtId));
      if (tag === 'cellXfs') inCells = true;
      if (tag !== 'xf' || !inCells) return;
      const format = Number(attributes.numFmtId ?? 0);
      if (DATE_FORMATS.has(format) || own.has(format)) styles.add(place);
      place++;
    },
    close: (name) => {
      if (local(name) === 'cellXfs') inCells = false;
    },
  });
  return styles;
}

/** `BC12` as column and row, from 0 and 1; null where it is none. */
function placeOf(reference: string): { column: number; row: number } | null {
  const found = /^([A-Z]{1,3})(\d{1,10})$/.exec(reference);
  if (found === null) return null;
  const column = [...(found[1] ?? '')].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0) - 1;
  return { column, row: Number(found[2]) };
}

const DAY_MS = 86_400_000;
/** Days are counted from here; the 29th of February 1900, which never was, is among them. */
const FIRST_DAY_MS = Date.UTC(1899, 11, 30);

/** A number as a list would print it: a day as `2026-11-25`, what is not whole with two figures. */
function numberText(text: string, isDate: boolean): string {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value)) return '';
  if (isDate) {
    const day = new Date(FIRST_DAY_MS + Math.floor(value) * DAY_MS);
    return Number.isNaN(day.getTime()) ? '' : day.toISOString().slice(0, 10);
  }
  if (Number.isInteger(value)) return Math.abs(value) < 1e15 ? String(value) : text;
  return value.toFixed(2);
}

interface Cell {
  column: number;
  type: string;
  style: number;
  value: string;
}

interface Merge {
  column: number;
  row: number;
  columns: number;
  rows: number;
}

/** Rows of one sheet (18.3.1.73). Formulas are not run: what was last shown stands beside them. */
async function sheetRows(
  zip: ZipFile,
  entry: Entry,
  {
    strings,
    dates,
    limits,
    budget,
  }: { strings: string[]; dates: ReadonlySet<number>; limits: WorkbookLimits; budget: Budget },
): Promise<SheetRow[]> {
  const rows: SheetRow[] = [];
  const merges: Merge[] = [];
  let line = 0;
  let cells: string[] = [];
  let cell: Cell | null = null;
  let taking = false;
  const textOf = ({ type, value, style }: Cell): string => {
    if (type === 's') return strings[Number(value)] ?? '';
    if (type === 'inlineStr' || type === 'str') return value.slice(0, LONGEST_CELL);
    if (type === 'b') return value === '1' ? 'yes' : 'no';
    if (type === 'e') return '';
    return type === 'd' ? value.slice(0, 10) : numberText(value, dates.has(style));
  };
  await hear(zip, entry, budget, {
    open: ({ name, attributes }) => {
      const tag = local(name);
      if (tag === 'row') {
        line = /^\d{1,10}$/.test(attributes.r ?? '') ? Number(attributes.r) : line + 1;
        cells = [];
      } else if (tag === 'c') {
        const column = placeOf(attributes.r ?? '')?.column ?? (cell === null ? 0 : cell.column + 1);
        cell = { column, type: attributes.t ?? 'n', style: Number(attributes.s ?? 0), value: '' };
      } else if (tag === 'v' || tag === 't') taking = true;
      else if (tag === 'mergeCell') {
        const [from, to] = (attributes.ref ?? '').split(':').map(placeOf);
        if (from == null || to == null || from.row > MERGES_WITHIN_ROWS) return;
        const merge = { ...from, columns: to.column - from.column + 1, rows: to.row - from.row + 1 };
        if (merge.columns > 0 && merge.rows > 0 && merge.columns * merge.rows <= LARGEST_MERGE) merges.push(merge);
      }
    },
    text: (text) => {
      if (taking && cell !== null && cell.value.length < LONGEST_CELL) cell.value += text;
    },
    close: (name) => {
      const tag = local(name);
      if (tag === 'v' || tag === 't') taking = false;
      if (tag === 'c' && cell !== null) {
        const text = textOf(cell);
        if (text !== '' && cell.column > limits.columns - 1) {
          throw new NotRead(`Line ${line} has over ${limits.columns} columns: this is no price list.`);
        }
        if (text !== '') {
          while (cells.length < cell.column) cells.push('');
          cells[cell.column] = text;
        }
      }
      if (tag !== 'row') return;
      cell = null;
      if (cells.every((text) => text.trim() === '')) return;
      if (rows.length >= limits.rows) throw new NotRead(`At most ${limits.rows} rows in one list.`);
      rows.push({ line, cells });
    },
  });
  return spread(rows, merges);
}

/** What stands in merged cells stands in each of them: a heading over two columns heads both. */
function spread(rows: SheetRow[], merges: readonly Merge[]): SheetRow[] {
  const byLine = new Map(rows.map((row) => [row.line, row]));
  for (const { column, row, columns, rows: height } of merges) {
    const text = byLine.get(row)?.cells[column];
    if (text === undefined) continue;
    for (let down = 0; down < height; down++) {
      const cells = byLine.get(row + down)?.cells;
      for (let across = 0; cells !== undefined && across < columns; across++) {
        while (cells.length <= column + across) cells.push('');
        if (cells[column + across] === '') cells[column + across] = text;
      }
    }
  }
  return rows;
}

/**
 * Reads the fullest visible sheet of a workbook (ECMA-376, Office Open XML; OASIS OpenDocument). Never throws: what is hostile, damaged or
 * larger than the limits is told in a sentence. Nothing in it is run, and no part but sheets, texts and styles is opened.
 */
export async function readWorkbook(input: Uint8Array, limits: WorkbookLimits): Promise<Workbook> {
  let zip: ZipFile | null = null;
  try {
    zip = await openPackage(input);
    const parts = await entriesOf(zip);
    const budget: Budget = { left: limits.bytes };
    const open = parts.has('xl/workbook.xml') ? undefined : parts.get('content.xml');
    if (open !== undefined) return { ok: true, rows: await openSheetRows(zip, open, { limits, budget }) };
    const paths = await sheetPaths(zip, parts, budget);
    const strings = await sharedStrings(zip, parts, budget);
    const dates = await dateStyles(zip, parts, budget);
    let fullest: SheetRow[] = [];
    for (const path of paths) {
      const entry = parts.get(path);
      if (entry === undefined) continue;
      const rows = await sheetRows(zip, entry, { strings, dates, limits, budget });
      if (rows.length > fullest.length) fullest = rows;
    }
    return { ok: true, rows: fullest };
  } catch (cause) {
    if (cause instanceof NotRead) return { ok: false, sentence: cause.message };
    logCaught(cause, 'reading a workbook');
    return { ok: false, sentence: DAMAGED };
  } finally {
    zip?.close();
  }
}
