import { reportText } from '../../demo/report';
import { deviceStructure, dumpFile, dumpTable, END_STRUCTURE, joinBytes, structure } from '../../demo/smbios-dump';
import { sampleDdr4 } from '../../demo/spd-image';
import { READ_FAULTS, read } from './read';
import type { Reading } from './reading';
import { isSpd } from './spd/spd';

const MACHINE = { maker: 'Tarnhelt', product: 'Counter 4', serial: 'TC4-0042', cpu: 'Ostrin Q5', maxGb: 32 };
const TABLE = dumpTable({ ...MACHINE, devices: [{ locator: 'A1', mib: 8192, rate: 2667, part: 'VE4S8-2666' }] });
const SPD = sampleDdr4({ serial: [1, 2, 3, 4] });
const TEXT = reportText({ ...MACHINE, devices: [{ locator: 'A1', mb: 8192, rate: 2667 }] });
const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);

function reading(input: Uint8Array | string): Reading {
  const result = read(input);
  if (!result.ok) throw new Error(result.code);
  return result.reading;
}
const code = (input: Uint8Array | string) => {
  const result = read(input);
  return result.ok ? result.reading.format : result.code;
};

const hex = (byte: number): string => byte.toString(16).padStart(2, '0');
function* rows(bytes: Uint8Array, width = 16): Generator<{ at: number; row: Uint8Array }> {
  for (let at = 0; at < bytes.length; at += width) yield { at, row: bytes.subarray(at, at + width) };
}
const letters = (row: Uint8Array): string =>
  Array.from(row, (byte) => (byte >= 0x20 && byte < 0x7f ? String.fromCharCode(byte) : '.')).join('');
const dump = (bytes: Uint8Array, line: (at: number, row: Uint8Array) => string): string =>
  Array.from(rows(bytes), ({ at, row }) => line(at, row)).join('\n');
const apart = (row: Uint8Array): string => Array.from(row, hex).join(' ');
const words = (row: Uint8Array): string => apart(row).replace(/(\w\w) (\w\w)/g, '$1$2');
const swapped = (row: Uint8Array): string => apart(row).replace(/(\w\w) (\w\w)/g, '$2$1');
const address = (at: number, width: number): string => at.toString(16).padStart(width, '0');

/** The same bytes in every style of dump that is met. */
const DUMPS: [string, (bytes: Uint8Array) => string][] = [
  ['bytes alone', (bytes) => dump(bytes, (_at, row) => apart(row))],
  ['one run of digits', (bytes) => Array.from(bytes, hex).join('')],
  [
    'digits in lines of 32 bytes',
    (bytes) => Array.from(rows(bytes, 32), ({ row }) => Array.from(row, hex).join('')).join('\n'),
  ],
  ['addresses with a colon', (bytes) => dump(bytes, (at, row) => `${address(at, 4)}: ${apart(row)}`)],
  [
    'words and letters behind',
    (bytes) => dump(bytes, (at, row) => `${address(at, 8)}: ${words(row)}  ${letters(row)}`),
  ],
  [
    'bytes and letters in bars',
    (bytes) => dump(bytes, (at, row) => `${address(at, 8)}  ${apart(row)}  |${letters(row)}|`),
  ],
  ['words low byte first', (bytes) => dump(bytes, (at, row) => `${address(at, 7)} ${swapped(row)}`)],
  [
    'a table with a head of digits',
    (bytes) =>
      `     0  1  2  3  4  5  6  7  8  9  a  b  c  d  e  f    0123456789abcdef\n${dump(bytes, (at, row) => `${address(at, 2)}: ${apart(row)}    ${letters(row)}`)}`,
  ],
  [
    'numbers of a program',
    (bytes) =>
      `static const uint8_t spd[] = {\n${dump(bytes, (at, row) => `  ${Array.from(row, (byte) => `0x${hex(byte)},`).join(' ')} // ${at}`)}\n};`,
  ],
  [
    'comments and blank lines',
    (bytes) => `# read on the bench\n\n${dump(bytes, (at, row) => `${apart(row)}   # from byte ${at}`)}\n; end`,
  ],
];

describe('an input is recognised by its content', () => {
  test.each([
    ['smbios', TABLE],
    ['smbios', dumpFile(TABLE)],
    ['smbios', dumpFile(TABLE, '32-bit')],
    ['smbios-text', TEXT],
    ['smbios-text', bytesOf(TEXT)],
    ['spd', SPD],
    ['listing', '16GB 2Rx8 PC4-2666V-SE1-11'],
    ['listing', bytesOf('8GB DDR4 2666 SODIMM')],
    ['hardware-tree', '[{"class":"memory","id":"bank:0","size":1073741824}]'],
    ['cim-json', '{"Capacity":1073741824,"DeviceLocator":"A1"}'],
    ['cim-csv', 'Capacity,DeviceLocator\n1073741824,A1'],
    ['product-page', '{"@context":"https://schema.org","@type":"Product","name":"8GB DDR4"}'],
  ])('as %s', (format, input) => {
    expect(code(input)).toBe(format);
  });

  it('as SMBIOS where a table begins as an SPD might', () => {
    const table = joinBytes(
      structure(1, 0x1b, 0x0b, [[0x04, 'Tarnhelt']]),
      deviceStructure(0x28, { locator: 'A1', mib: 4096, rate: 1600 }),
      END_STRUCTURE,
    );
    expect(isSpd(table)).toBe(true);
    expect(code(table)).toBe('smbios');
  });

  it('and neither a model’s name nor a customer’s is taken for a listing', () => {
    for (const text of [
      'Counter 4',
      'Tarnhelt Counter 4 2019',
      'Runa Halvard',
      '+46 70 123 45 67',
      'Box 16GB',
      'hello',
    ]) {
      expect(code(text)).toBe('unknown-format');
    }
  });
});

describe('a hex dump', () => {
  test.each(DUMPS)('of an SPD is read as %s', (_name, write) => {
    expect(reading(write(SPD))).toEqual(reading(SPD));
  });

  test.each(DUMPS)('of SMBIOS tables is read as %s', (_name, write) => {
    const whole = dumpFile(TABLE);
    expect(reading(write(whole)).machine).toEqual(reading(whole).machine);
  });

  it('writes out rows that a dump left out because they repeat', () => {
    const repeated = SPD.slice();
    repeated.fill(0, 384, 480);
    const lines = dump(repeated, (at, row) => `${address(at, 8)}  ${apart(row)}`).split('\n');
    const short = [...lines.slice(0, 25), '*', ...lines.slice(30)].join('\n');
    expect(reading(short)).toEqual(reading(repeated));
  });

  it('with a gap is read up to it', () => {
    const lines = dump(SPD, (at, row) => `${address(at, 8)}  ${apart(row)}`).split('\n');
    expect(reading([...lines.slice(0, 10), ...lines.slice(12)].join('\n')).warnings[0]).toBe(
      'truncated: 160 of 512 bytes are here',
    );
  });

  it('of something else is no reading', () => {
    expect(code(dump(new Uint8Array(300).fill(7), (_at, row) => apart(row)))).toBe('unknown-format');
    expect(code(dump(new Uint8Array(256).fill(7), (_at, row) => apart(row)))).toBe('unknown-spd');
    expect(code('de ad be ef')).toBe('unknown-format');
  });
});

it('names no more than fifty things that are wrong', () => {
  const devices = Array.from({ length: 200 }, (_, index) => ({ locator: `S${index}`, mib: 'unknown' as const }));
  const { warnings } = reading(dumpTable({ ...MACHINE, devices }));
  expect(warnings).toHaveLength(51);
  expect(warnings[50]).toBe('and 350 more like these');
});

describe('what is no report', () => {
  const header = (...bytes: number[]) => Uint8Array.from([...bytes, ...new Array<number>(80).fill(0)]);
  test.each([
    ['empty', ''],
    ['empty', new Uint8Array(0)],
    ['empty', ' \n\t '],
    ['archive', header(0x50, 0x4b, 3, 4)],
    ['archive', header(0x1f, 0x8b)],
    ['program', header(0x4d, 0x5a, 0x90)],
    ['program', header(0x7f, 0x45, 0x4c, 0x46)],
    ['picture', header(0x89, 0x50, 0x4e, 0x47)],
    ['document', bytesOf('%PDF-1.7')],
    ['too-large', new Uint8Array(8 * 1024 * 1024 + 1)],
    ['unknown-format', new Uint8Array(1000)],
    ['blank-spd', new Uint8Array(512)],
    ['blank-spd', new Uint8Array(256).fill(0xff)],
    ['unknown-spd', Uint8Array.from({ length: 512 }, (_, at) => (at * 37) % 251)],
    ['unknown-format', '{"a": 1}'],
    ['unknown-format', '{"a": '],
    ['unknown-format', '['.repeat(1_000_000)],
    ['unknown-format', `${'{"class":"memory","id":"bank:0","a":'.repeat(5000)}1${'}'.repeat(5000)}`],
    ['unknown-format', `[${'{},'.repeat(300_000)}{"class":"memory","id":"bank:0"}]`],
    ['page-without-product', '<!doctype html><html><body><h1>8GB DDR4</h1></body></html>'],
  ])('is %s', (expected, input) => {
    expect(code(input)).toBe(expected);
  });

  it('gets one sentence each', () => {
    for (const sentence of Object.values(READ_FAULTS)) expect(sentence).toMatch(/^[^\n]{20,240}[.]$/);
  });
});
