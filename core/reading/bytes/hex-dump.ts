import { lines } from './lines';

/** More bytes than this are not taken from a dump; the largest structure tables have less. */
const MOST_BYTES = 256 * 1024;
/** A dump of a byte a line has no more. */
const MOST_LINES = 300_000;
/** Fewer bytes than this are no dump of anything that is read. */
const LEAST_BYTES = 32;
/** A line longer than this is no line of a dump, save for one that is nothing but digits. */
const LONGEST_LINE = 4096;
/** Bytes on a line with an address, where the addresses do not tell otherwise. */
const USUAL_ROW = 16;

interface Row {
  address: number | null;
  bytes: number[];
}

const COMMENT = /(?:#|\/\/|;|\/\*).*$/;
const LETTERS_BEHIND = /\|.*$/;
const WITH_COLON = /^(?:0x)?([0-9a-f]{1,8})(?:h)?:\s*/i;
/** An address without a colon is longer than a byte and stands before bytes or words. */
const WITHOUT_COLON = /^(?:0x)?([0-9a-f]{6,8})\s+(?=[0-9a-f]{2})/i;
/** Digits in one run from here up are bytes without anything between them. */
const LEAST_RUN = 18;
const NO_DIGIT = /[^0-9a-f]/i;

/** Bytes of a token: one, or several in the order they are written; words of a plain word dump come low byte first. */
function bytesOfToken(token: string, swapped: boolean): number[] | null {
  const digits = token.replace(/^0x/i, '').replace(/,$/, '');
  if (!/^(?:[0-9a-f]{2}){1,8}$/i.test(digits)) return null;
  const bytes: number[] = [];
  for (let at = 0; at < digits.length; at += 2) bytes.push(Number.parseInt(digits.slice(at, at + 2), 16));
  return swapped && bytes.length === 2 ? bytes.reverse() : bytes;
}

function rowOf(line: string): Row | null {
  const text = line.replace(COMMENT, '').replace(LETTERS_BEHIND, '').trim();
  if (text === '') return null;
  if (text.length >= LEAST_RUN && text.length % 2 === 0 && !NO_DIGIT.test(text))
    return { address: null, bytes: longDigits(text) };
  if (text.length > LONGEST_LINE) return null;
  const colon = WITH_COLON.exec(text);
  const plain = colon === null ? WITHOUT_COLON.exec(text) : null;
  const address = colon?.[1] ?? plain?.[1];
  const rest = text.slice((colon ?? plain)?.[0].length ?? 0);
  const bytes: number[] = [];
  // Words of four digits behind an address without a colon come low byte first.
  const swapped = plain !== null && /^[0-9a-f]{4}(?:\s|$)/i.test(rest);
  for (const token of rest.split(/[\s,{}]+/)) {
    if (token === '') continue;
    const more = bytesOfToken(token, swapped);
    if (more === null) break;
    bytes.push(...more);
  }
  return bytes.length === 0 ? null : { address: address === undefined ? null : Number.parseInt(address, 16), bytes };
}

function longDigits(text: string): number[] {
  const bytes: number[] = [];
  for (let at = 0; at < text.length && bytes.length < MOST_BYTES; at += 2) {
    bytes.push(Number.parseInt(text.slice(at, at + 2), 16));
  }
  return bytes;
}

/** How many bytes a row holds by the addresses of two rows that follow each other; letters behind them are no bytes. */
function rowLength(rows: readonly Row[]): number {
  const [first, second] = rows.filter(({ address }) => address !== null);
  const step = (second?.address ?? 0) - (first?.address ?? 0);
  return step >= 4 && step <= 64 ? step : USUAL_ROW;
}

/** A row may be a whole dump in one run of digits: too many for one call. */
function append(bytes: number[], more: readonly number[]): void {
  for (const byte of more) bytes.push(byte);
}

/** Puts rows together; a row that repeats up to the next address (`*`) is written out. Null: an address does not follow. */
function joined(rows: readonly (Row | 'same')[]): Uint8Array {
  const length = rowLength(rows.filter((row) => row !== 'same'));
  const bytes: number[] = [];
  let base: number | null = null;
  let last: number[] = [];
  let same = false;
  for (const row of rows) {
    if (row === 'same') {
      same = true;
      continue;
    }
    if (row.address !== null) {
      base ??= row.address;
      const at = row.address - base;
      while (same && last.length > 0 && bytes.length < Math.min(at, MOST_BYTES)) append(bytes, last);
      // A gap, or rows out of order: what follows is not known to belong here.
      if (at !== bytes.length) break;
    }
    same = false;
    last = row.address === null ? row.bytes : row.bytes.slice(0, length);
    append(bytes, last);
    if (bytes.length >= MOST_BYTES) break;
  }
  return Uint8Array.from(bytes.slice(0, MOST_BYTES));
}

/**
 * The bytes of a hex dump: with or without addresses, letters behind the bytes, comments (`#`, `//`, `;`) and lines that
 * say nothing; bytes apart, in words, or in one run of digits. Null where it is no dump.
 */
export function bytesOfHexDump(text: string): Uint8Array | null {
  const rows: (Row | 'same')[] = [];
  let others = 0;
  let count = 0;
  for (const { text: line, number } of lines(text)) {
    if (number > MOST_LINES) break;
    if (line.trim() === '' || /^\s*(?:#|\/\/|;)/.test(line)) continue;
    const row = line.trim() === '*' ? 'same' : rowOf(line);
    if (row === null) {
      if (++others > rows.length + 8) return null;
      continue;
    }
    if (row !== 'same' || rows.at(-1) !== 'same') rows.push(row);
    count += row === 'same' ? 0 : row.bytes.length;
    if (count > MOST_BYTES) break;
  }
  if (others > rows.length || count < LEAST_BYTES) return null;
  const bytes = joined(rows);
  return bytes.length < LEAST_BYTES ? null : bytes;
}
