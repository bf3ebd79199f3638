import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { reportText } from '../../demo/report';
import { dumpFile, dumpTable } from '../../demo/smbios-dump';
import { ddr3Spd, ddr5Spd, oldSpd, sampleDdr4 } from '../../demo/spd-image';

const MACHINE = { maker: 'Tarnhelt', product: 'Counter 4', serial: 'TC4-0042', cpu: 'Ostrin Q5', maxGb: 32 };
const NAMES = { makerId: [2, 0xa7], part: 'VE4S8-2666', serial: [1, 2, 3, 4], made: [21, 7] } as const;

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const hex = (bytes: Uint8Array): string => Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join(' ');

function utf16(text: string): Uint8Array {
  const bytes = new Uint8Array(2 + text.length * 2);
  bytes.set([0xff, 0xfe]);
  for (let at = 0; at < text.length; at++)
    bytes.set([text.charCodeAt(at) & 0xff, text.charCodeAt(at) >> 8], 2 + at * 2);
  return bytes;
}

const CIM = {
  Capacity: 8589934592,
  Speed: 2667,
  SMBIOSMemoryType: 26,
  FormFactor: 12,
  DeviceLocator: 'ChannelA-DIMM0',
  BankLabel: 'BANK 0',
  Manufacturer: 'Vellamo',
  PartNumber: 'VE4S8-2666',
  SerialNumber: '01020304',
};
const CIM_CSV = [Object.keys(CIM), Object.values(CIM)]
  .map((cells) => cells.map((cell) => `"${cell}"`).join(';'))
  .join('\r\n');
const BANK = {
  id: 'bank:0',
  class: 'memory',
  description: 'SODIMM DDR4 Synchronous 2667 MHz',
  size: 8589934592,
  slot: 'A1',
};
const TREE = {
  id: 'desk',
  class: 'system',
  product: 'Counter 4',
  children: [{ id: 'memory', class: 'memory', children: [BANK] }],
};
const PRODUCT = {
  '@type': 'Product',
  name: '16GB (2x8GB) DDR4-2666 SO-DIMM',
  offers: { '@type': 'Offer', price: '49.90', priceCurrency: 'EUR' },
};

/** Titles of the reader's own list, without what they should say. */
function titles(): Uint8Array[] {
  const file = join(process.cwd(), 'core', 'reading', 'titles', 'tuned.txt');
  const all = readFileSync(file, 'utf8').split('\n');
  return all.filter((line) => line.includes(' | ')).map((line) => bytesOf(line.slice(0, line.lastIndexOf(' | '))));
}

/** Texts of the list that a reader was made with, without what they should say. */
function listed(list: string): Uint8Array[] {
  const file = readFileSync(join(process.cwd(), 'core', 'reading', 'testing', list, 'tuned.txt'), 'utf8');
  const blocks = file.split(/^=== /m).slice(1);
  return blocks.map((block) => bytesOf(block.slice(block.indexOf('\n') + 1, block.indexOf('\n-- '))));
}

/** One good input of every kind that is read, by the name of its kind. */
export function seeds(): { kind: string; bytes: Uint8Array }[] {
  const devices = [
    { locator: 'ChannelA-DIMM0', mib: 8192, rate: 2667, ranks: 1, part: 'VE4S8-2666', serial: '01020304' },
    { locator: 'ChannelB-DIMM0', mib: 'empty' },
  ] as const;
  const table = dumpTable({ ...MACHINE, devices });
  const ddr4 = sampleDdr4(NAMES);
  const text = reportText({
    ...MACHINE,
    devices: [
      { locator: 'A1', mb: 8192, rate: 2667 },
      { locator: 'B1', mb: null },
    ],
  });
  const old = { ...NAMES, rows: 13, columns: 9, banks: 4, ranks: 2, rankBits: 0x20, latencyBits: 0x06 } as const;
  const page = `<!doctype html><html><script type="application/ld+json">${JSON.stringify(PRODUCT)}</script></html>`;
  return [
    { kind: 'smbios', bytes: dumpFile(table) },
    { kind: 'smbios', bytes: dumpFile(table, '32-bit') },
    { kind: 'smbios', bytes: table },
    { kind: 'smbios-text', bytes: bytesOf(text) },
    { kind: 'smbios-text', bytes: utf16(text) },
    { kind: 'hardware-tree', bytes: bytesOf(JSON.stringify(TREE, null, 1)) },
    { kind: 'cim-json', bytes: bytesOf(JSON.stringify([CIM, { MemoryDevices: 2, MaxCapacity: 33554432 }])) },
    { kind: 'cim-csv', bytes: bytesOf(CIM_CSV) },
    { kind: 'cim-csv', bytes: utf16(CIM_CSV) },
    { kind: 'spd', bytes: ddr4 },
    {
      kind: 'spd',
      bytes: ddr3Spd({
        ...NAMES,
        type: 3,
        gbit: 4,
        ranks: 2,
        width: 8,
        cyclePs: 1250,
        latencies: [9, 11],
        aaPs: 13125,
      }),
    },
    {
      kind: 'spd',
      bytes: ddr5Spd({
        ...NAMES,
        type: 2,
        gbit: 16,
        ranks: 1,
        width: 8,
        cyclePs: 357,
        latencies: [40, 46],
        aaPs: 16000,
      }),
    },
    { kind: 'spd', bytes: oldSpd({ ...old, generation: 'SDR', cycles: [0x75, 0xa0, 0] }) },
    { kind: 'spd', bytes: oldSpd({ ...old, generation: 'DDR', cycles: [0x50, 0x60, 0x75] }) },
    { kind: 'spd', bytes: oldSpd({ ...old, generation: 'DDR2', cycles: [0x25, 0x30, 0x3d] }) },
    { kind: 'spd', bytes: bytesOf(hex(ddr4)) },
    { kind: 'product-page', bytes: bytesOf(page) },
    { kind: 'product-page', bytes: bytesOf(JSON.stringify(PRODUCT)) },
    ...listed('specifications').map((bytes) => ({ kind: 'specification', bytes })),
    ...listed('machine-texts').map((bytes) => ({ kind: 'machine-text', bytes })),
    ...titles().map((bytes) => ({ kind: 'listing', bytes })),
  ];
}
