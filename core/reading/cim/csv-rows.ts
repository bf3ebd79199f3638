const QUOTE = 0x22;
const LF = 0x0a;
const CR = 0x0d;

/** Cells of one row above this many are dropped: no report has as many. */
const MOST_CELLS = 1024;
/** What of a quoted cell is kept, characters: no report has as many. */
const LONGEST_CELL = 64 * 1024;

export interface CsvRow {
  cells: string[];
  /** line the row begins on, from 1 */
  line: number;
}

/**
 * The rows of a CSV text (RFC 4180), one after the other, without holding them all. A quoted cell that never closes
 * runs to the end of the text. Lines without any character are left out.
 *
 * @param separator one character: comma, semicolon or tab
 */
export function* csvRows(text: string, separator: string): Generator<CsvRow> {
  const comma = separator.charCodeAt(0);
  let line = 1;
  let begun = 1;
  let cells: string[] = [];
  let at = 0;
  const take = (cell: string): void => {
    if (cells.length < MOST_CELLS) cells.push(cell);
  };
  while (at <= text.length) {
    if (text.charCodeAt(at) === QUOTE) {
      const end = closingQuote(text, at + 1);
      const cell = text.slice(at + 1, end);
      const kept = cell.slice(0, LONGEST_CELL);
      take(kept.includes('""') ? kept.replaceAll('""', '"') : kept);
      line += countLines(cell);
      at = endOfCell(text, end + 1, comma);
    } else {
      const end = endOfCell(text, at, comma);
      take(text.slice(at, end));
      at = end;
    }
    const mark = text.charCodeAt(at);
    if (mark === comma) {
      at++;
      continue;
    }
    if (cells.length > 1 || cells[0] !== '') yield { cells, line: begun };
    cells = [];
    at += mark === CR && text.charCodeAt(at + 1) === LF ? 2 : 1;
    begun = ++line;
  }
}

function closingQuote(text: string, from: number): number {
  for (let quote = text.indexOf('"', from); quote >= 0; quote = text.indexOf('"', quote + 2)) {
    if (text.charCodeAt(quote + 1) !== QUOTE) return quote;
  }
  return text.length;
}

function endOfCell(text: string, from: number, comma: number): number {
  for (let at = from; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === comma || code === LF || code === CR) return at;
  }
  return text.length;
}

function countLines(cell: string): number {
  let count = 0;
  for (let at = cell.indexOf('\n'); at >= 0; at = cell.indexOf('\n', at + 1)) count++;
  return count;
}

/** The separator of a CSV line: of comma, semicolon and tab the one that stands most often outside quotes. */
export function separatorOf(line: string): string {
  const plain = line.replace(/"[^"]*"/g, '');
  const counted = [',', ';', '\t'].map((mark) => ({ mark, times: plain.split(mark).length }));
  return counted.reduce((best, one) => (one.times > best.times ? one : best)).mark;
}
