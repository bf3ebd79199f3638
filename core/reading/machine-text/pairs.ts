import { lines } from '../bytes/lines';
import { foldText } from '../specification/fold-text';
import { saysEmpty } from './values';

/** A key and its value as a line has them: the key folded, the value as written. */
export interface Pair {
  key: string;
  value: string;
}

/** Lines that belong together: a heading, and keys with values. */
export interface Block {
  /** the line above that has no value; empty where there is none */
  heading: string;
  pairs: Pair[];
  /** line of its beginning, from 1 */
  line: number;
}

/** A line longer than this is none of a report; blocks and keys above these numbers are not kept. */
const LONGEST_LINE = 1_000;
const MOST_BLOCKS = 2_000;
const MOST_PAIRS = 200;
/** Lines looked at: a report of a large server has some thousands. */
const MOST_LINES = 60_000;

const SEPARATOR = /^(?<key>[^:=\t]{1,60}?)(?: ?\.{3,} ?:? ?| *[:=](?!\/\/)| *\t+| {3,})(?<value>.*)$/;
const COLON = /^(?<key>[^:=\t]{1,60}?) *[:=]\t* *(?<value>.*)$/;

/** Lines of an overview that part a key from its value with a blank alone. */
const KNOWN =
  /^(?<key>processor|prozessor|processeur|procesador|processore|processador|chip|serial number|seriennummer|num[eé]ro de s[eé]rie|n[uú]mero de serie|serienummer|numero di serie|(?:memory|arbeitsspeicher|m[eé]moire|mem[oó]ria|geheugen)(?= \d[\d.,]* ?[gmt][bo]\b)) (?<value>.*\d.*)$/i;

/** A line's key and value; null where it has none. A value may be empty. */
export function pairOf(line: string): Pair | null {
  const text = line.trim();
  const found = COLON.exec(text) ?? SEPARATOR.exec(text) ?? (text.length <= 100 ? KNOWN.exec(text) : null);
  const key = found?.groups?.key?.trim() ?? '';
  if (found === null || !/\p{L}/u.test(key)) return null;
  return { key: foldText(key), value: (found.groups?.value ?? '').trim() };
}

/** Words that names of sockets and modules are made of: `BANK 0/DIMM0`, `DIMM #1`, `ChannelA-DIMM0`, `DIMM_P0_A0`, `Steckplatz 2`. */
const SLOT_NOUN =
  /^(?:bank|slots?|[a-z]{0,2}dimm|sodimm|modul|module|modulo|device|channel|kanal|steckplatz|emplacement|barrette|ranura|sleuf|banco|xmm|socket|mem|memory|speichermodul|geheugenmodule|speichersteckplatz|ddr|riegel|pente)$/;
const SLOT_OTHER = /^(?:cpu|node|proc|processor|memory|ram|so|p|c|ch|board|no|nr|[a-z])$/;
const LONGEST_NAME = 40;
/** Without a figure or a letter on its own nothing is counted: most headings need no further look. */
const COUNTS = /\d|(?<![a-z])[a-h](?![a-z])|(?:channel|kanal|dimm|slot|bank)[a-h](?![a-z])/i;

/** Is a heading the name of a socket or of a module that is listed? It holds a figure or a letter that counts. */
export function isSlotName(heading: string): boolean {
  if (heading.length > LONGEST_NAME || !COUNTS.test(heading)) return false;
  const folded = foldText(heading.trim());
  const parts = folded.match(/[a-z]+|\d+/g) ?? [];
  // A letter that counts stands behind its noun: `ChannelA` folds to one word.
  const words = parts.flatMap((part) => {
    const joined = /^(channel|kanal|dimm|slot|bank)([a-h])$/.exec(part);
    return joined === null ? [part] : [joined[1] ?? '', joined[2] ?? ''];
  });
  const isCounted = words.some((word) => /^\d{1,2}$/.test(word) || /^[a-h]$/.test(word));
  const isNamed = words.some((word) => SLOT_NOUN.test(word));
  return (
    isCounted &&
    isNamed &&
    words.every((word) => /^\d{1,2}$/.test(word) || SLOT_NOUN.test(word) || SLOT_OTHER.test(word))
  );
}

/** `Size: 8 GB, Type: DDR4` as several pairs; a value with no key of its own stays whole. */
function inlinePairs(value: string): Pair[] {
  const pieces = value.split(/[,;|] */).flatMap((piece) => pairOf(piece) ?? []);
  return pieces.length >= 2 ? pieces : [];
}

/**
 * A text's blocks: parted by empty lines, by headings, and where a key comes again. Linear in the text.
 */
export function blocksOf(text: string): Block[] {
  const blocks: Block[] = [];
  let block: Block = { heading: '', pairs: [], line: 1 };
  let keys = new Set<string>();
  const begin = (heading: string, line: number): void => {
    if (block.pairs.length > 0 || isSlotName(block.heading)) blocks.push(block);
    block = { heading, pairs: [], line };
    keys = new Set();
  };
  for (const { text: raw, number } of lines(text)) {
    if (number > MOST_LINES || blocks.length >= MOST_BLOCKS) break;
    const line = raw.slice(0, LONGEST_LINE).trim();
    if (line === '') {
      // An empty line under a heading parts nothing.
      if (block.pairs.length > 0) begin('', number);
      continue;
    }
    const pair = pairOf(line);
    if (pair === null || pair.value === '') {
      if (isSlotName(block.heading) && block.pairs.length === 0 && saysEmpty(line)) {
        block.pairs.push({ key: 'status', value: line });
        continue;
      }
      if (/\p{L}/u.test(line)) begin(line.replace(/:$/, ''), number);
      continue;
    }
    const inline = inlinePairs(pair.value);
    if (inline.length > 0 && isSlotName(pair.key)) {
      begin(line.slice(0, line.search(/[:=\t]/)), number);
      block.pairs.push(...inline);
      begin('', number + 1);
      continue;
    }
    if (keys.has(pair.key)) begin('', number);
    keys.add(pair.key);
    if (block.pairs.length < MOST_PAIRS) block.pairs.push(pair);
  }
  begin('', 0);
  return blocks;
}
