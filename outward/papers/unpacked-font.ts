import { inflateSync } from 'node:zlib';

const WOFF_HEADER = 44;
const WOFF_ENTRY = 20;
const SFNT_HEADER = 12;
const SFNT_ENTRY = 16;
const aligned = (length: number): number => (length + 3) & ~3;

/**
 * A font file without its packing: the tables of a WOFF (W3C WOFF 1.0) as the OpenType file that they came from. Anyone who reads
 * the same font often does not inflate its tables again each time.
 *
 * @throws RangeError where the file is no WOFF or is cut off
 */
export function unpackedFont(woff: Buffer): Buffer {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new RangeError('this is no WOFF file');
  const count = woff.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, index) => {
    const at = WOFF_HEADER + index * WOFF_ENTRY;
    const [offset, packed, length] = [woff.readUInt32BE(at + 4), woff.readUInt32BE(at + 8), woff.readUInt32BE(at + 12)];
    const bytes = woff.subarray(offset, offset + packed);
    const table = packed < length ? inflateSync(bytes) : bytes;
    if (table.length !== length) throw new RangeError('a table of this WOFF file is cut off');
    return { tag: woff.subarray(at, at + 4), sum: woff.readUInt32BE(at + 16), table };
  });
  const size = tables.reduce((sum, { table }) => sum + aligned(table.length), SFNT_HEADER + count * SFNT_ENTRY);
  const font = Buffer.alloc(size);
  const highest = 2 ** Math.floor(Math.log2(count));
  woff.copy(font, 0, 4, 8);
  font.writeUInt16BE(count, 4);
  font.writeUInt16BE(highest * 16, 6);
  font.writeUInt16BE(Math.log2(highest), 8);
  font.writeUInt16BE((count - highest) * 16, 10);
  let at = SFNT_HEADER + count * SFNT_ENTRY;
  tables.forEach(({ tag, sum, table }, index) => {
    const entry = SFNT_HEADER + index * SFNT_ENTRY;
    tag.copy(font, entry);
    font.writeUInt32BE(sum, entry + 4);
    font.writeUInt32BE(at, entry + 8);
    font.writeUInt32BE(table.length, entry + 12);
    table.copy(font, at);
    at += aligned(table.length);
  });
  return font;
}
