import { lines } from '../bytes/lines';

/** A titled block of `Name: value` lines; a value may go on in further lines (a list). */
export interface TextBlock {
  title: string;
  /** handle of the structure, lower case; null where the text leaves it out */
  handle: string | null;
  /** line of the title in the input, from 1 */
  line: number;
  fields: ReadonlyMap<string, string>;
}

const HANDLE = /^Handle\s+(0x[0-9a-f]+)/i;

/** More blocks than this are not kept; the largest servers have some hundreds of those that are wanted. */
const MOST_BLOCKS = 4096;
/** Fields of one block above this many are something else than a structure. */
const MOST_FIELDS = 200;

/**
 * Splits the printed text of structure tables into blocks. A block's title is the line after a handle, or the
 * first line without a colon after an empty one; indentation is not relied on, since pasting loses it. The first
 * value of a name counts. Linear in the length of the text.
 *
 * @param wanted titles of the blocks to keep
 */
export function textBlocks(text: string, wanted: ReadonlySet<string>): TextBlock[] {
  const blocks: TextBlock[] = [];
  let fields: Map<string, string> | null = null;
  let fresh = true;
  let handle: string | null = null;
  for (const { text: raw, number } of lines(text)) {
    const line = raw.replace(/^[>|\s\uFEFF]+/, '').trimEnd();
    const opened = HANDLE.exec(line)?.[1]?.toLowerCase();
    if (line === '' || opened !== undefined) {
      fresh = true;
      handle = opened ?? null;
      continue;
    }
    const colon = line.indexOf(':');
    if (colon < 0) {
      if (!fresh) continue;
      fields = wanted.has(line) ? new Map() : null;
      if (fields !== null && blocks.length < MOST_BLOCKS) blocks.push({ title: line, handle, line: number, fields });
    } else if (fields !== null && fields.size < MOST_FIELDS) {
      const name = line.slice(0, colon).trim();
      if (!fields.has(name)) fields.set(name, line.slice(colon + 1).trim());
    }
    fresh = false;
  }
  return blocks;
}
