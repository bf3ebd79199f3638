import { deviceStructure, dumpFile, dumpTable } from '../../demo/smbios-dump';

/** The largest input that is read, bytes. */
export const LARGEST = 8 * 1024 * 1024;

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);

function repeated(piece: string | Uint8Array, before = '', length = LARGEST): Uint8Array {
  const unit = typeof piece === 'string' ? bytesOf(piece) : piece;
  const bytes = new Uint8Array(length);
  bytes.set(bytesOf(before));
  for (let at = before.length; at < length; at += unit.length) bytes.set(unit.subarray(0, length - at), at);
  return bytes;
}

function uniqueKeys(): Uint8Array {
  let text = '{"class":"memory"';
  for (let key = 0; text.length < LARGEST - 20; key++) text += `,"${key.toString(36)}":1`;
  return bytesOf(`${text}}`);
}

const HEAD = 'Capacity,Speed,DeviceLocator\n';
const DEVICE = deviceStructure(1, { locator: 'A1', mib: 8192, length: 0x15 });
const MACHINE = { maker: 'T', product: 'C', serial: 'S', cpu: 'Q', maxGb: 32, devices: [] };

/** Inputs of the largest size that are made to cost as much as they can, by name. */
export const LARGE: Record<string, () => Uint8Array> = {
  'line ends': () => repeated('\n'),
  blanks: () => repeated(' '),
  zeros: () => repeated('\0'),
  'high letters': () => repeated(Uint8Array.of(0x93)),
  'letters of two bytes': () => repeated('\u00e9'),
  'text blocks': () => repeated('Memory Device\nSize: 1\nLocator: a\n\n'),
  'short text blocks': () => repeated('Memory Device\n\n', 'Size: 1\nLocator: a\n'),
  'fields of one block': () => repeated('a:b\nc:d\n', 'Memory Device\nSize: 1\nLocator: a\n'),
  structures: () => repeated(DEVICE),
  'structures behind an entry point': () => {
    const bytes = repeated(DEVICE);
    bytes.set(dumpFile(dumpTable(MACHINE)).subarray(0, 32));
    return bytes;
  },
  'open brackets': () => repeated('['),
  'empty objects': () => repeated('{},', '['),
  'empty lists': () => repeated('[],', '['),
  'small numbers': () => repeated('1,', '['),
  'large numbers': () => repeated('1.5e9,', '['),
  'short strings': () => repeated('"a",', '['),
  'objects of memory': () => repeated('{"Capacity":1,"Speed":1},', '['),
  'keys that all differ': uniqueKeys,
  quotes: () => repeated('"'),
  'backslashes in a string': () => repeated('\\"', '["'),
  'rows of a list': () => repeated('1,2,3\n', HEAD),
  'rows of one cell': () => repeated('a\n', HEAD),
  'cells of one row': () => repeated(',', HEAD),
  'a quote that never closes': () => repeated('a""', `${HEAD}"`),
  'heads of columns': () => repeated(HEAD),
  'hex digits in a run': () => repeated('0f'),
  'hex digits apart': () => repeated('0f '),
  'rows that repeat': () => repeated('*\n', '0000: 00 00 00 00 00 00 00 00 00 00 00 00 00 00 00 00\n'),
  scripts: () => repeated('<script type="application/ld+json">{"@type":"Product"}</script>', '<html>'),
  'scripts that never close': () => repeated('<script type="application/ld+json">', '<html>'),
  'tags that never close': () => repeated('<script ', '<html>'),
  'lines of a specification': () => repeated('Maximum memory: 64 GB DDR4-2666, 4 x 16 GB, 2 SO-DIMM slots, no ECC\n'),
  'a specification without line ends': () => repeated('up to 64 GB DDR4 in 2 slots, '),
  'labels above their values': () => repeated('Memory\n8 GB\n'),
  'colons of a line': () => repeated('a: b: '),
  'slots of a table': () => repeated('BANK 0/DIMM0: Size: 8 GB, Type: DDR4, Speed: 2667 MHz\n'),
  'blocks of modules': () => repeated('Slot 1\nSize: 8 GB\nType: DDR4\nSpeed: 2667 MT/s\n\n'),
  'properties of instances': () => repeated('Capacity : 8589934592\nDeviceLocator : A1\nSpeed : 2667\n\n'),
  'a properties table': () => repeated('8589934592  A1  2667\n', 'Capacity    DeviceLocator  Speed\n'),
  'nodes of a tree': () => repeated('  *-bank:0\n     size: 8GiB\n', '*-memory\n'),
  'rows of a page': () => repeated('<tr><td>Memory</td><td>8 GB</td></tr>', '<html><table>'),
  'elements that never close': () => repeated('<div>', '<html>'),
  'headings that never close': () => repeated('<h1>', '<html>'),
  'references of letters': () => repeated('&amp;', '<html>'),
  'titles one after the other': () => repeated('16GB DDR4-2666 SODIMM '),
};
