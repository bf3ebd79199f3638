import Papa from 'papaparse';
import { z } from 'zod';
import {
  firstIssue,
  LIBRARY_COLUMNS,
  type LibraryRow,
  modelOfRow,
  rowsOfModel,
} from '../../core/machine/models/library-rows';
import { type FullModel, LIBRARY_FORMAT, modelSchema } from '../../core/machine/models/model';
import { withoutPhotos } from '../../core/machine/models/opening';
import { decodeText } from '../../core/reading/bytes/decode-text';
import { guarded, unguarded } from '../papers/csv-cell';

/** One entry of a file of models; `at` is its line in CSV, its number among the models in JSON, both from 1. */
export type LibraryEntry = { at: number; ok: true; model: FullModel } | { at: number; ok: false; sentence: string };

export type LibraryFile =
  | {
      ok: true;
      counts: 'line' | 'entry';
      entries: LibraryEntry[] /** whose file it is, where it says so */;
      shop: FileShop | null;
    }
  | { ok: false; sentence: string };

/** The shop that a file of models comes from: its name, and what tells it from all others. */
export interface FileShop {
  key: string;
  name: string;
}

const shopSchema = z.object({ key: z.uuid(), name: z.string().trim().min(1).max(120) });

/** More models than this in one file are another kind of work. */
const MOST_ENTRIES = 20_000;

const NO_FILE = `This is no file of models: it has neither "fenbrik": "${LIBRARY_FORMAT}" nor the column "maker".`;

function entryOf(value: unknown, index: number): LibraryEntry {
  const parsed = modelSchema.safeParse(value);
  return parsed.success
    ? { at: index + 1, ok: true, model: parsed.data }
    : { at: index + 1, ok: false, sentence: firstIssue(parsed.error) };
}

function readJsonLibrary(text: string): LibraryFile {
  let json: { fenbrik?: unknown; models?: unknown; shop?: unknown } | null;
  try {
    json = JSON.parse(text);
  } catch (cause) {
    const where = /position \d+(?: \(line \d+ column \d+\))?/.exec(String(cause))?.[0];
    return { ok: false, sentence: `This is broken JSON${where === undefined ? '' : ` at ${where}`}.` };
  }
  if (json?.fenbrik !== LIBRARY_FORMAT || !Array.isArray(json.models)) return { ok: false, sentence: NO_FILE };
  if (json.models.length > MOST_ENTRIES) return { ok: false, sentence: `At most ${MOST_ENTRIES} models in one file.` };
  const shop = shopSchema.safeParse(json.shop);
  return { ok: true, counts: 'entry', entries: json.models.map(entryOf), shop: shop.success ? shop.data : null };
}

const linesIn = (text: string): number => text.split(/\r\n|\r|\n/).length - 1;

function readCsvLibrary(text: string): LibraryFile {
  const entries: LibraryEntry[] = [];
  let columns: string[] | null = null;
  let line = 1;
  let from = 0;
  Papa.parse<string[]>(text, {
    step: ({ data, meta }, parser) => {
      const at = line;
      line += linesIn(text.slice(from, meta.cursor));
      from = meta.cursor;
      if (columns === null) {
        columns = data.map((name) => name.trim().toLowerCase().replace(/\s+/g, '_'));
        if (!columns.includes('maker')) parser.abort();
        return;
      }
      if (data.every((cell) => cell.trim() === '')) return;
      const row: LibraryRow = {};
      for (const column of LIBRARY_COLUMNS) {
        const cell = data[columns.indexOf(column)];
        if (cell !== undefined) row[column] = unguarded(cell);
      }
      entries.push({ at, ...modelOfRow(row) });
      if (entries.length > MOST_ENTRIES) parser.abort();
    },
  });
  if (!(columns as string[] | null)?.includes('maker')) return { ok: false, sentence: NO_FILE };
  if (entries.length > MOST_ENTRIES) return { ok: false, sentence: `At most ${MOST_ENTRIES} rows in one file.` };
  return { ok: true, counts: 'line', entries, shop: null };
}

/** Reads a file of models, JSON or CSV as its content tells. Never throws; a bad entry keeps none of the others back. */
export function readLibraryFile(input: Uint8Array): LibraryFile {
  const text = decodeText(input).replace(/^\ufeff/, '');
  if (text.trim() === '') return { ok: false, sentence: 'There is nothing in this file.' };
  return /^\s*[{[]/.test(text) ? readJsonLibrary(text) : readCsvLibrary(text);
}

/** Models as JSON, everything that stands on them. */
export function libraryJson(models: readonly FullModel[], shop: FileShop | null = null): string {
  const travelling = models.map((model) => ({ ...model, opening: withoutPhotos(model.opening) }));
  return `${JSON.stringify({ fenbrik: LIBRARY_FORMAT, ...(shop !== null && { shop }), models: travelling }, null, 2)}\n`;
}

/** Models as CSV (RFC 4180), with what its columns hold; safe to open in a spreadsheet. */
export function libraryCsv(models: readonly FullModel[]): string {
  const rows = models.flatMap(rowsOfModel);
  const cells = rows.map((row) => LIBRARY_COLUMNS.map((column) => guarded(row[column] ?? '')));
  return `${Papa.unparse([[...LIBRARY_COLUMNS], ...cells], { newline: '\r\n' })}\r\n`;
}
