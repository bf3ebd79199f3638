import { boundedReading } from './bounded-reading';
import { cleanText } from './bytes/clean-text';
import { decodeText } from './bytes/decode-text';
import { bytesOfHexDump } from './bytes/hex-dump';
import { type OtherFile, otherFile } from './bytes/other-files';
import { parseJson } from './bytes/parse-json';
import { looksLikeCimCsv, readCimCsv } from './cim/cim-csv';
import { readCimJson } from './cim/cim-json';
import { LISTING_LIMIT, looksLikeListing, readListing } from './listing/listing';
import { looksLikePage, readProductJson, readProductPage } from './listing/product-page';
import { readMachineText } from './machine-text/read-machine-text';
import { READING_LIMIT_BYTES, type ReadClaim, type Reading } from './reading';
import { isSmbiosDump, isSmbiosTable, readSmbiosBinary } from './smbios/smbios-binary';
import { looksLikeSmbiosText, readSmbiosText } from './smbios/smbios-text';
import { isSpd, readSpd } from './spd/spd';
import { foldText } from './specification/fold-text';
import { pageName, pageText } from './specification/page-text';
import { isOtherProse } from './specification/prose';
import { readSpecification } from './specification/read-specification';
import { readHardwareTree } from './tree/hardware-tree';

export type ReadFault =
  | OtherFile
  | 'ambiguous'
  | 'empty'
  | 'blank-spd'
  | 'unknown-spd'
  | 'too-large'
  | 'page-without-product'
  | 'unknown-format';
/** A reading; or several that a text allows, of which a person must say which is meant; or why there is none. */
export type ReadResult =
  | { ok: true; reading: Reading }
  | { ok: false; code: 'ambiguous'; candidates: Reading[] }
  | { ok: false; code: Exclude<ReadFault, 'ambiguous'> };

/** One sentence for each way an input cannot be read, with what was expected. */
export const READ_FAULTS: Record<ReadFault, string> = {
  empty: 'This input is empty, so nothing was read.',
  'too-large': 'This input is over 8 MiB: a memory report is far smaller, so something else was dropped.',
  archive: 'This is a packed archive: unpack it and drop the file that is in it.',
  program: 'This is a program, not the report it makes: run it on the machine and drop what it wrote.',
  picture: 'This is a picture: type what it shows, such as the line on the module’s label.',
  document: 'This is a document for print: save the report as text, or copy the text out of it.',
  'blank-spd': 'This SPD is blank: every byte is the same, so nothing was read out of the module.',
  'unknown-spd': 'This looks like an SPD, but byte 2 names no type of memory that is known.',
  'page-without-product':
    'Nothing about memory can be read on this page: paste the lines about it, or the title of the offer.',
  ambiguous: 'This may be one module’s label or title, or what a kind of machine takes: say which it is.',
  'unknown-format':
    'Fenbrik cannot read this. It reads: a report of a machine’s memory (SMBIOS, CIM, a hardware listing, a system’s own text), an SPD, a module’s label or title, a specification, or a seller’s page.',
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

function readText(input: string): ReadResult {
  const text = cleanText(input);
  if (text.trim() === '') return { ok: false, code: 'empty' };
  const json = /^\s*[{[]/.test(text) ? readJson(text) : null;
  if (json !== null) return done(json);
  // What begins as data and is none of ours is no text to look for words in.
  if (/^\s*(?:\{|\[\s*[[{"])/.test(text)) return { ok: false, code: 'unknown-format' };
  if (looksLikePage(text)) return readPage(text);
  if (looksLikeSmbiosText(text)) return done(readSmbiosText(text));
  const listed = looksLikeCimCsv(text) ? readCimCsv(text) : null;
  // A table of sizes with units has the same heads as a list of instances, and no instance's sizes.
  const isSized = listed?.machine?.memory.slots.some(
    ({ installed }) => installed === null || installed.capacityMiB !== null,
  );
  if (listed !== null && (isSized || readMachineText(text) === null)) return done(listed);
  const dumped = bytesOfHexDump(text);
  const told = dumped === null ? null : readBinary(dumped);
  if (told !== null) return done(told);
  const spd = dumped === null ? null : spdFault(dumped);
  return spd === null ? readWords(text) : { ok: false, code: spd };
}

/** A saved page: what it sells where that is memory, else what it specifies. */
function readPage(page: string): ReadResult {
  const product = readProductPage(page);
  const isMemory = product?.module?.generation != null || product?.module?.capacityMiB != null;
  if (product !== null && isMemory) return done(product);
  const { reading, sure } = readSpecification(pageText(page), pageName(page));
  // Places in a page's text are none in the page.
  const claims = reading.claims.map(({ start: _, end: __, ...claim }) => claim as ReadClaim);
  if (sure === 'sure') return done({ ...reading, claims });
  return product === null ? { ok: false, code: 'page-without-product' } : done(product);
}

/** A label that was typed or copied has no more lines than this. */
const LABEL_LINES = 14;

/** Words that are no report: one line that is a label or a title, or a text that says what a kind of machine takes. */
function readWords(text: string): ReadResult {
  const machine = readMachineText(text);
  // A summary that names neither slots nor a maker may be a page's data as well: what says what is taken is one.
  if (machine !== null && !mayBeSpecification(machine)) return done(machine);
  const isTitle = looksLikeListing(text);
  const isLong = text.trim().includes('\n');
  const { reading, sure, strength } = readSpecification(text);
  if (machine !== null && sure !== 'sure') return done(machine);
  if (sure === 'sure') {
    const title =
      isTitle && !isLong && strength < 2 && !LABELLED.test(text) && !isSentence(text) ? readListing(text) : null;
    // Only a size that is one module's makes a title of it.
    return title === null || title.module.capacityMiB === null ? done(reading) : ambiguous(title, reading);
  }
  if (isOtherProse(foldText(text.slice(0, LISTING_LIMIT)))) return { ok: false, code: 'unknown-format' };
  if (isTitle && !isLong && isSentence(text)) return ambiguous(readListing(text), reading);
  if (isTitle && !isLong)
    return sure === 'maybe' && LABELLED.test(text) ? ambiguous(readListing(text), reading) : done(readListing(text));
  const isShort = isTitle && text.trim().split('\n').length <= LABEL_LINES;
  return isShort && sure !== 'none' ? ambiguous(readListing(text)) : { ok: false, code: 'unknown-format' };
}

/** Words that end as sentences do, and are some: no title has them. */
const isSentence = (text: string): boolean =>
  /\p{L}{2}[^.]*[\p{L}\d)]\.(?:\s|$)/u.test(text.slice(0, LISTING_LIMIT)) && text.split(' ', 9).length > 8;

/** Does a system's text tell no more than a page on the machine would? No page tells the version of its firmware. */
const mayBeSpecification = ({ machine }: Reading): boolean =>
  machine?.memory.slots.length === 0 &&
  machine.memory.visibleMiB === undefined &&
  machine.maker === null &&
  machine.firmware.version === null;

/** A line that begins with what it is about, as a machine's data do. */
const LABELLED =
  /^\s*(?:installed |system |main |standard )?(?:memory|ram|arbeitsspeicher|speicher|memoire(?: vive)?|mémoire(?: vive)?|memoria|memória|geheugen|werkgeheugen)[^:]{0,20}:/i;

const ambiguous = (...candidates: Reading[]): ReadResult => ({
  ok: false,
  code: 'ambiguous',
  candidates: candidates.map(boundedReading),
});

/** What a text can be said to be where two readings of it are possible. */
export const SAID_KINDS = ['listing', 'specification'] as const;
export type SaidKind = (typeof SAID_KINDS)[number];

/** Reads a text as what a person says that it is: one module's label or title, or what a kind of machine takes. */
export function readAs(input: Uint8Array | string, kind: SaidKind): ReadResult {
  if (input.length > READING_LIMIT_BYTES) return { ok: false, code: 'too-large' };
  const text = cleanText(typeof input === 'string' ? input : decodeText(input));
  if (text.trim() === '') return { ok: false, code: 'empty' };
  if (kind === 'listing') return done(readListing(text.trim()));
  return done(
    looksLikePage(text) ? readSpecification(pageText(text), pageName(text)).reading : readSpecification(text).reading,
  );
}

/** Sizes of SPD devices, bytes. */
const SPD_SIZES: ReadonlySet<number> = new Set([128, 256, 512, 1024]);

/** Bytes of an SPD's size that are none: blank, or of a type that nobody knows. Null: they are something else. */
function spdFault(bytes: Uint8Array): 'blank-spd' | 'unknown-spd' | null {
  if (!SPD_SIZES.has(bytes.length)) return null;
  const [first] = bytes;
  if ((first === 0x00 || first === 0xff) && bytes.every((byte) => byte === first)) return 'blank-spd';
  return 'unknown-spd';
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
  const fault = spdFault(input);
  if (fault === 'blank-spd') return { ok: false, code: fault };
  const text = decodeText(input);
  if (!looksBinary(input) || !text.includes('\0')) return readText(text);
  return { ok: false, code: fault ?? 'unknown-format' };
}
