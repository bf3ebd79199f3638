import { boundedReading } from './bounded-reading';
import { looksLikeCimCsv, readCimCsv } from './cim-csv';
import { readCimJson } from './cim-json';
import { cleanText } from './clean-text';
import { decodeText } from './decode-text';
import { readHardwareTree } from './hardware-tree';
import { bytesOfHexDump } from './hex-dump';
import { looksLikeListing, readListing } from './listing';
import { type OtherFile, otherFile } from './other-files';
import { parseJson } from './parse-json';
import { looksLikePage, readProductJson, readProductPage } from './product-page';
import { READING_LIMIT_BYTES, type Reading } from './reading';
import { isSmbiosDump, isSmbiosTable, readSmbiosBinary } from './smbios-binary';
import { looksLikeSmbiosText, readSmbiosText } from './smbios-text';
import { isSpd, readSpd } from './spd';

export type ReadFault =
  | OtherFile
  | 'empty'
  | 'blank-spd'
  | 'unknown-spd'
  | 'too-large'
  | 'page-without-product'
  | 'unknown-format';
export type ReadResult = { ok: true; reading: Reading } | { ok: false; code: ReadFault };

/** One sentence for each way an input cannot be read, with what was expected. */
export const READ_FAULTS: Record<ReadFault, string> = {
  empty: 'There is nothing in this input.',
  'too-large': 'This input is over 8 MiB: a memory report is far smaller, so something else was dropped.',
  archive: 'This is a packed archive: unpack it and drop the file that is in it.',
  program: 'This is a program, not the report it makes: run it on the machine and drop what it wrote.',
  picture: 'This is a picture: type what it shows, such as the line on the module’s label.',
  document: 'This is a document for print: save the report as text, or copy the text out of it.',
  'blank-spd': 'This SPD is blank: every byte is the same, so nothing was read out of the module.',
  'unknown-spd': 'This looks like an SPD, but byte 2 names no type of memory that is known.',
  'page-without-product': 'This page holds no product data (schema.org JSON-LD): paste the title of the offer instead.',
  'unknown-format':
    'This is none of the inputs that Fenbrik reads: SMBIOS tables or their printed text, an SPD, a hardware listing or CIM data as JSON or CSV, a module’s label, a seller’s title or saved product page.',
};

/** More warnings than this say no more than that the input is badly damaged. */
const MOST_WARNINGS = 50;

function done(told: Reading): ReadResult {
  const reading = boundedReading(told);
  const { warnings } = reading;
  const more = warnings.length - MOST_WARNINGS;
  if (more <= 0) return { ok: true, reading };
  return {
    ok: true,
    reading: { ...reading, warnings: [...warnings.slice(0, MOST_WARNINGS), `and ${more} more like these`] },
  };
}

/** Bytes that are no text: tables and SPDs by their first bytes. */
function readBinary(bytes: Uint8Array): Reading | null {
  // A table is sure by its whole walk, an SPD by its first three bytes alone: those may be a table's as well.
  if (isSmbiosDump(bytes) || isSmbiosTable(bytes)) return readSmbiosBinary(bytes);
  return isSpd(bytes) ? readSpd(bytes) : null;
}

function readJson(text: string): Reading | null {
  const parsed = parseJson(text);
  if (parsed === null) return null;
  return readHardwareTree(parsed) ?? readCimJson(parsed) ?? readProductJson(parsed.value);
}

function readDump(text: string): Reading | null {
  const bytes = bytesOfHexDump(text);
  return bytes === null ? null : readBinary(bytes);
}

function readText(input: string): ReadResult {
  const text = cleanText(input);
  if (text.trim() === '') return { ok: false, code: 'empty' };
  const json = /^\s*[{[]/.test(text) ? readJson(text) : null;
  if (json !== null) return done(json);
  if (looksLikePage(text)) {
    const page = readProductPage(text);
    return page === null ? { ok: false, code: 'page-without-product' } : done(page);
  }
  if (looksLikeSmbiosText(text)) return done(readSmbiosText(text));
  const listed = looksLikeCimCsv(text) ? readCimCsv(text) : null;
  const found = listed ?? readDump(text) ?? (looksLikeListing(text) ? readListing(text) : null);
  return found === null ? { ok: false, code: 'unknown-format' } : done(found);
}

/** Text begins with few zeros; a table or an unknown binary has them everywhere. */
const LOOKED_AT = 4096;

function looksBinary(bytes: Uint8Array): boolean {
  return bytes.subarray(0, LOOKED_AT).includes(0);
}

/**
 * Reads one input, bytes of a file or pasted text, recognised by its content alone. Never throws; linear in the
 * input's length; a damaged input is read as far as it goes, with a warning that names the place.
 */
export function read(input: Uint8Array | string): ReadResult {
  if (input.length > READING_LIMIT_BYTES) return { ok: false, code: 'too-large' };
  if (typeof input === 'string') return readText(input);
  if (input.length === 0) return { ok: false, code: 'empty' };
  const other = otherFile(input);
  if (other !== null) return { ok: false, code: other };
  const binary = readBinary(input);
  if (binary !== null) return done(binary);
  const text = decodeText(input);
  return looksBinary(input) && text.includes('\0') ? { ok: false, code: 'unknown-format' } : readText(text);
}
