/** A titled block of `Name: value` lines; a value may go on in further lines (a list). */
export interface TextBlock {
  title: string;
  /** line of the title in the input, from 1 */
  line: number;
  fields: ReadonlyMap<string, string>;
}

const HANDLE = /^\s*Handle\s+0x[0-9a-f]+/i;

/**
 * Splits the printed text of structure tables into blocks. A block's title is the line after a handle, or the
 * first line without a colon after an empty one; indentation is not relied on, since pasting loses it. The first
 * value of a name counts. Linear in the length of the text.
 */
export function textBlocks(text: string): TextBlock[] {
  const blocks: TextBlock[] = [];
  let fields = new Map<string, string>();
  let fresh = true;
  for (const [index, raw] of text.split(/\r\n|\r|\n/).entries()) {
    const line = raw.replace(/^[>|\s\uFEFF]+/, '').trimEnd();
    if (line === '' || HANDLE.test(line)) {
      fresh = true;
      continue;
    }
    const colon = line.indexOf(':');
    if (colon < 0) {
      if (!fresh) continue;
      fields = new Map();
      blocks.push({ title: line.trim(), line: index + 1, fields });
      fresh = false;
      continue;
    }
    const name = line.slice(0, colon).trim();
    if (!fields.has(name)) fields.set(name, line.slice(colon + 1).trim());
    fresh = false;
  }
  return blocks;
}
