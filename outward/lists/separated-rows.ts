import Papa from 'papaparse';
import { NotRead } from './package-parts';

/** A row with anything in it, with its number in the file, from 1. */
export interface FileRow {
  line: number;
  cells: string[];
}

const DELIMITERS = [',', ';', '\t', '|'];
/** So much of the beginning tells how the file is separated, letters. */
const HEAD = 64 * 1024;
/** A row of an offer is far shorter; what is longer has a quote that never ends, letters. */
const LONGEST_ROW = 1024 * 1024;
const QUOTE = '"';

interface Habits {
  delimiter: string;
  newline: '\n' | '\r';
}

interface Parsed {
  data: string[][];
  errors: { code: string; row: number }[];
  meta: { cursor: number };
}

/** Lines whose quotes make no sense; with more of them the file is of some other kind. */
const MOST_SPOILT = 100;

function habitsOf(head: string): Habits {
  const newline = head.includes('\n') ? '\n' : '\r';
  const told = /^sep=([,;\t|])[\r\n]/i.exec(head)?.[1];
  const { meta } = Papa.parse<string[]>(head, { delimitersToGuess: DELIMITERS, preview: 80, newline });
  return { delimiter: told ?? meta.delimiter, newline };
}

/**
 * Rows of separated values (RFC 4180) that come piece by piece: comma, semicolon, tab or bar, quoted or not, line ends
 * of any system. A row that is separated by another mark than the others is read by that; a quote that never ends
 * spoils its own line and no other.
 */
export class SeparatedRows {
  #habits: Habits | null = null;
  #rest = '';
  #line = 0;
  #spoiltLines = 0;

  /**
   * The rows that are whole with this piece.
   *
   * @param last no further piece follows
   * @throws NotRead where a row is too long to be one
   */
  next(piece: string, last: boolean): FileRow[] {
    let text = this.#rest + piece;
    // A line end may be cut between its two letters.
    const held = !last && text.endsWith('\r') ? '\r' : '';
    text = (held === '' ? text : text.slice(0, -1)).replaceAll('\r\n', '\n');
    if (this.#habits === null) {
      if (text.length < HEAD && !last) {
        this.#rest = text + held;
        return [];
      }
      this.#habits = habitsOf(text.slice(0, HEAD));
      text = text.replace(/^sep=[,;\t|][\r\n]/i, '');
    }
    const rows: FileRow[] = [];
    for (;;) {
      const { data, errors, meta } = this.#parse(text, !last);
      const endless = text.length - meta.cursor > LONGEST_ROW;
      const spoilt = this.#spoilt(errors, data.length, last, endless);
      for (const cells of data.slice(0, spoilt ?? data.length)) this.#add(rows, cells);
      text = spoilt === null ? text.slice(meta.cursor) : this.#afterLine(rows, text, spoilt);
      if (spoilt === null) break;
    }
    this.#rest = text + held;
    return rows;
  }

  #parse(text: string, ignoreLast: boolean, preview = 0): Parsed {
    const parser = new Papa.Parser({ ...(this.#habits as Habits), quoteChar: QUOTE, preview });
    return parser.parse(text, 0, ignoreLast) as Parsed;
  }

  /** The first row whose quotes make no sense; null: there is none, or the rest of it may follow. */
  #spoilt(errors: Parsed['errors'], rows: number, last: boolean, endless: boolean): number | null {
    const first = errors[0]?.row ?? (endless ? rows : null);
    if (first === null || (first >= rows && !last && !endless)) return null;
    if (++this.#spoiltLines > MOST_SPOILT) {
      throw new NotRead(`Over ${MOST_SPOILT} lines have a quotation mark that never ends: this is no price list.`);
    }
    return first;
  }

  /** Takes the line of a spoilt row as it stands, split at every mark; returns the text that follows it. */
  #afterLine(rows: FileRow[], text: string, row: number): string {
    const { delimiter, newline } = this.#habits as Habits;
    const at = row === 0 ? 0 : this.#parse(text, false, row).meta.cursor;
    const end = text.indexOf(newline, at);
    this.#add(rows, text.slice(at, end < 0 ? text.length : end).split(delimiter));
    return end < 0 ? '' : text.slice(end + 1);
  }

  #add(rows: FileRow[], cells: string[]): void {
    this.#line++;
    if (cells.some((cell) => cell.length > LONGEST_ROW)) {
      throw new NotRead(`Line ${this.#line} is over a million letters long: this is no price list.`);
    }
    rows.push({ line: this.#line, cells: cells.length === 1 ? this.#otherwise(cells) : cells });
  }

  /** A row of one cell may be separated by another mark. */
  #otherwise(cells: string[]): string[] {
    const [text = ''] = cells;
    const other = DELIMITERS.find((mark) => mark !== this.#habits?.delimiter && text.split(mark).length > 2);
    if (other === undefined) return cells;
    return (new Papa.Parser({ delimiter: other, newline: '\n', quoteChar: QUOTE }).parse(text, 0, false) as Parsed)
      .data[0] as string[];
  }
}
