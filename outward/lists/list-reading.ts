import { makerKey } from '../../core/maker-key';
import type { MemoryModule } from '../../core/memory/module';
import { correctRow, type RowFix } from '../../core/price-list/correct-row';
import { type GuessedColumns, guessColumns } from '../../core/price-list/guess-columns';
import { type ListColumns, type ListedRow, readRow } from '../../core/price-list/read-row';
import { rowCost } from '../../core/price-list/row-cost';
import { wholeModule } from '../../core/price-list/whole-module';
import type { CountingGround } from '../../core/pricing/counted-price';
import { currencyDecimals } from '../../core/pricing/currency';
import { type Encoding, EncodingSeer, TextPieces } from '../../core/reading/bytes/decode-text';
import { copyLine } from './copy-text';
import { NotRead } from './package-parts';
import { type FileRow, SeparatedRows } from './separated-rows';
import { readWorkbook } from './workbook';

/** How a list is read. */
export interface ListOrder {
  listId: number;
  /** null: as its first piece tells */
  encoding: Encoding | null;
  /** columns that a person said; null: they are guessed */
  told: ListColumns | null;
  /** columns of the seller's earlier list, which count where the headings are the same */
  remembered: (ListColumns & { names: string[] }) | null;
  /** what a person said of rows, by line */
  fixes: Record<string, RowFix>;
  ground: CountingGround;
  /** the maker whose own parts the seller sells; empty: none */
  partsOf: string;
  /** so many of its rows are told as they are read, for anyone who only tries; left out: none */
  tells?: number;
}

/** What a list turned out to be, once it is read. */
export interface ListEnd {
  guessed: GuessedColumns;
  used: ListColumns;
  /** the first rows as they stand */
  sample: string[][];
  /** rows that are no offers, such as group heads */
  passedOver: { count: number; first: { line: number; text: string }[] };
  /** why prices cannot be counted; null: they can */
  sentence: string | null;
}

/** A row as it was read, for anyone who only tries a list. */
export interface ToldRow {
  title: string;
  printedCents: number | null;
  origin: ListedRow['origin'];
  /** how many doubts there are */
  doubts: number;
}

/** What one piece of a list came to. */
export interface ListPiece {
  /** its rows in the text format of COPY, columns as {@link LISTED_COLUMNS} */
  lines: Uint8Array;
  rows: number;
  /** modules that came up for the first time, with the number that rows call them by */
  specs: { nr: number; module: MemoryModule }[];
  /** the first rows as they were read, where these were asked for */
  told: ToldRow[];
  /** with the last piece */
  end: ListEnd | null;
}

/** Columns of a row as {@link ListReading} writes them. */
export const LISTED_COLUMNS = [
  ...[
    'list_id',
    'line',
    'sku',
    'title',
    'modules',
    'spec',
    'maker',
    'part',
    'printed_cents',
    'currency',
    'stock',
    'used',
  ],
  ...['cost_cents', 'steps', 'doubts', 'as_read', 'fate', 'origin', 'original_of', 'original_key', 'made_for'],
];

const MOST_ROWS = 2_000_000;
const MOST_COLUMNS = 200;
/** A workbook is read as a whole: so many rows, and so many bytes of its parts, unpacked. */
const WORKBOOK = { rows: 50_000, columns: MOST_COLUMNS, bytes: 128 * 1024 * 1024, packed: 32 * 1024 * 1024 };
/** So many rows tell what the columns are. */
const HEAD_ROWS = 80;
const SHOWN_ROWS = 6;
const SHOWN_CELL = 200;
const SHOWN_PASSED_OVER = 5;
const MOST_SPECS = 100_000;

/** How a package of parts begins (ECMA-376), and how an old or locked workbook does. */
const PACKAGE = [0x50, 0x4b, 0x03, 0x04];
const COMPOUND = [0xd0, 0xcf, 0x11, 0xe0];

const begins = (input: Uint8Array, bytes: readonly number[]): boolean => bytes.every((byte, at) => input[at] === byte);

const held = (cells: readonly string[], column: number): boolean => (cells[column]?.trim() ?? '') !== '';

const isEmpty = (cells: readonly string[]): boolean => cells.every((cell) => cell.trim() === '');

/** Headings and footers between the offers: rows that have next to nothing in them. */
function isOfferRow(cells: readonly string[], wanted: readonly number[]): boolean {
  let most = 0;
  for (const column of wanted) if (held(cells, column) && ++most >= 2) return true;
  return wanted.length < 2 && !isEmpty(cells);
}

/** All that distinguishes modules, but for who made them and what they call them. */
function specKey({ module }: ListedRow): string {
  const { generation, form, buffering, ecc, capacityMiB, rateMTs, casLatency, ranks, voltagesMv } = module;
  const { deviceWidth, deviceGbit, heightMm } = module;
  const chips = `${ranks} ${deviceWidth} ${deviceGbit} ${heightMm}`;
  return `${generation} ${form} ${buffering} ${ecc} ${capacityMiB} ${rateMTs} ${casLatency} ${chips} ${voltagesMv ?? ''}`;
}

/** Numbers the modules of a list, each told once. */
class Specs {
  readonly #numbers = new Map<string, number | null>();
  fresh: ListPiece['specs'] = [];

  /** null: it is no module that could be planned with */
  numberOf(row: ListedRow): number | null {
    const key = specKey(row);
    const known = this.#numbers.get(key);
    if (known !== undefined) return known;
    const module = wholeModule({ ...row.module, maker: null, part: null });
    if (this.#numbers.size >= MOST_SPECS) throw new NotRead('This list has too many kinds of module to be one.');
    const nr = module === null ? null : this.#numbers.size + 1;
    this.#numbers.set(key, nr);
    if (nr !== null && module !== null) this.fresh.push({ nr, module });
    return nr;
  }
}

/**
 * Reads a price list piece by piece, separated values or a workbook: guesses its columns, reads its rows, counts their
 * prices. Rows that are no offers are passed over, those that are doubtful are told; a file that is no price list is
 * told in a sentence.
 */
export class ListReading {
  readonly #order: ListOrder;
  /** of the currency that the seller prints in */
  readonly #decimals: number;
  readonly #rows = new SeparatedRows();
  readonly #specs = new Specs();
  #text: TextPieces | null = null;
  /** a workbook's bytes, until it is whole */
  #book: Uint8Array[] | null = null;
  #begun = false;
  #head: FileRow[] | null = [];
  #end: ListEnd | null = null;
  /** columns that hold anything */
  #wanted: number[] = [];
  /** rows come upon, and offers among them */
  #seen = 0;
  readonly #told: ToldRow[] = [];
  #count = 0;

  constructor(order: ListOrder) {
    this.#order = order;
    this.#decimals = currencyDecimals(order.ground.terms.currency);
  }

  /**
   * Takes the next piece of the file.
   *
   * @param last no further piece follows
   * @returns what came of it, or why this is no price list, in a sentence
   */
  async take(
    bytes: Uint8Array,
    last: boolean,
  ): Promise<{ ok: true; piece: ListPiece } | { ok: false; sentence: string }> {
    try {
      const rows = await this.#rowsOf(bytes, last);
      this.#specs.fresh = [];
      const lines = this.#linesOf(rows, last);
      const encoded = new TextEncoder().encode(lines.join(''));
      const end = last ? this.#end : null;
      const piece = { lines: encoded, rows: lines.length, specs: this.#specs.fresh, told: this.#told, end };
      return { ok: true, piece };
    } catch (cause) {
      if (cause instanceof NotRead) return { ok: false, sentence: cause.message };
      throw cause;
    }
  }

  async #rowsOf(bytes: Uint8Array, last: boolean): Promise<FileRow[]> {
    if (!this.#begun) {
      this.#begun = true;
      if (begins(bytes, COMPOUND)) {
        throw new NotRead('This workbook is of an old kind or locked: save it as XLSX, ODS or CSV without a password.');
      }
      if (begins(bytes, PACKAGE)) this.#book = [];
      else this.#text = new TextPieces(this.#order.encoding ?? encodingOf(bytes));
    }
    if (this.#text !== null) return this.#rows.next(this.#text.next(bytes, last), last);
    return this.#bookRows(bytes, last);
  }

  async #bookRows(bytes: Uint8Array, last: boolean): Promise<FileRow[]> {
    const parts = this.#book ?? [];
    parts.push(bytes);
    if (parts.reduce((sum, part) => sum + part.length, 0) > WORKBOOK.packed) {
      throw new NotRead('A workbook is at most 32 MiB: save it as CSV.');
    }
    if (!last) return [];
    const book = await readWorkbook(Buffer.concat(parts), WORKBOOK);
    this.#book = [];
    if (!book.ok) throw new NotRead(book.sentence);
    return book.rows;
  }

  /** The first rows wait until there are enough of them to guess the columns. */
  #linesOf(rows: FileRow[], last: boolean): string[] {
    let ready = rows;
    if (this.#head !== null) {
      this.#head.push(...rows);
      if (this.#head.length < HEAD_ROWS && !last) return [];
      ready = this.#head;
      this.#head = null;
      this.#end = this.#begin(ready);
      this.#wanted = Object.values(this.#end.used.columns);
    }
    const end = this.#end;
    const lines: string[] = [];
    if (end === null) return lines;
    for (const row of ready) {
      const line = this.#lineOf(row, end);
      if (line !== null) lines.push(line);
    }
    return lines;
  }

  #begin(head: readonly FileRow[]): ListEnd {
    const cells = head.slice(0, HEAD_ROWS).map((row) => row.cells);
    if (cells.every(isEmpty)) throw new NotRead('There is nothing in this file.');
    if (cells.every((row) => row.length < 2)) {
      throw new NotRead('There is no table in this file: a price list has at least a column for the price.');
    }
    const guessed = guessColumns(cells);
    const { told, remembered } = this.#order;
    const shown = (from: number) =>
      cells.slice(from, from + SHOWN_ROWS).map((row) => row.map((cell) => cell.slice(0, SHOWN_CELL)));
    const same =
      remembered !== null &&
      remembered.headings === guessed.headings &&
      JSON.stringify(remembered.names) === JSON.stringify(shown(guessed.headings ?? 0)[0]);
    const used = told ?? (same ? remembered : guessed);
    return {
      guessed,
      used: { headings: used.headings, columns: used.columns, capacityIs: used.capacityIs ?? null },
      sample: shown(used.headings ?? 0),
      passedOver: { count: 0, first: [] },
      sentence: null,
    };
  }

  #lineOf({ line, cells }: FileRow, end: ListEnd): string | null {
    const { headings } = end.used;
    if (cells.length > MOST_COLUMNS) {
      throw new NotRead(`Line ${line} has over ${MOST_COLUMNS} columns: this is no price list.`);
    }
    const at = this.#seen++;
    if (headings !== null && at <= headings) return null;
    if (!isOfferRow(cells, this.#wanted)) {
      if (!isEmpty(cells)) {
        const { passedOver } = end;
        passedOver.count++;
        const text = cells.filter((cell) => cell.trim() !== '').join(' · ');
        if (passedOver.first.length < SHOWN_PASSED_OVER)
          passedOver.first.push({ line, text: text.slice(0, SHOWN_CELL) });
      }
      return null;
    }
    if (++this.#count > MOST_ROWS) throw new NotRead(`At most ${MOST_ROWS} rows in one list.`);
    return this.#written(readRow(cells, end.used, line, this.#decimals, this.#order.partsOf), end);
  }

  #written(read: ListedRow, end: ListEnd): string {
    const row = correctRow(read, this.#order.fixes[read.line]);
    if (this.#told.length < (this.#order.tells ?? 0)) {
      const { title, printedCents, origin, doubts: told } = row;
      this.#told.push({ title, printedCents, origin, doubts: told.length });
    }
    const spec = row.doubts.length === 0 ? this.#specs.numberOf(row) : null;
    const doubts = row.doubts.length === 0 && spec === null ? ['contradiction'] : row.doubts;
    const cost = doubts.length === 0 ? rowCost(row, this.#order.ground) : null;
    if (cost?.ok === false && cost.sentence !== null) end.sentence = cost.sentence;
    return copyLine([
      this.#order.listId,
      row.line,
      row.sku,
      row.title,
      row.modules,
      spec,
      row.module.maker,
      row.module.part,
      row.printedCents,
      row.currency,
      row.stock,
      row.used,
      cost?.ok ? cost.costCents : null,
      cost?.ok && cost.steps !== null ? JSON.stringify(cost.steps) : null,
      doubts.length === 0 ? null : `{${doubts.join(',')}}`,
      read.doubts.length === 0 ? null : JSON.stringify(read),
      // Until it is compared with what there is.
      doubts.length === 0 ? 'new' : 'doubtful',
      row.origin,
      ...originalOf(row),
      row.madeFor.length === 0 ? null : arrayText(row.madeFor),
    ]);
  }
}

/** Whose original a row is, as said and as makers are compared. */
function originalOf({ origin, originalOf: maker }: ListedRow): [string | null, string | null] {
  const key = origin === 'original' ? makerKey(maker) : '';
  return key === '' ? [null, null] : [maker.trim(), key];
}

/** Texts as an array is written in PostgreSQL. */
const arrayText = (texts: readonly string[]): string =>
  `{${texts.map((text) => `"${text.replace(/[\\"]/g, '\\$&')}"`).join(',')}}`;

function encodingOf(bytes: Uint8Array): Encoding {
  const seer = new EncodingSeer();
  seer.see(bytes);
  return seer.end();
}
