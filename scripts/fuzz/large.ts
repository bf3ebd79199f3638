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
  'titles one after the other': () => repeated('16GB DDR4-2666 SODIMM '),
};
