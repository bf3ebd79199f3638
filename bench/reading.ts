import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readListing } from '../core/reading/listing/listing';
import { read } from '../core/reading/read';
import { dumpFile, dumpTable } from '../demo/smbios-dump';
import { sampleDdr4 } from '../demo/spd-image';

/*
 * npm run bench: the readers, each beside its rival `JSON.parse` on an equal number of bytes, in the same process.
 * Printed are milliseconds (the least of many rounds, since this machine is not alone), the aim, and the ratio.
 */

const LARGEST = 8 * 1024 * 1024;

function time(rounds: number, times: number, work: () => unknown): number {
  let least = Number.POSITIVE_INFINITY;
  for (let round = 0; round < rounds; round++) {
    const from = process.hrtime.bigint();
    for (let each = 0; each < times; each++) work();
    least = Math.min(least, Number(process.hrtime.bigint() - from) / 1e6 / times);
  }
  return least;
}

/** JSON of about this many bytes, made of what a report has: names, texts and numbers. */
function jsonOf(bytes: number): string {
  const one = { locator: 'ChannelA-DIMM0', capacityMiB: 8192, maker: 'Vellamo', part: 'VE4S8-2666', rate: 2666 };
  const rows = Array.from({ length: Math.max(1, Math.round(bytes / (JSON.stringify(one).length + 1))) }, () => one);
  const text = JSON.stringify(rows);
  return text.length <= bytes || rows.length > 1 ? text : JSON.stringify('x'.repeat(Math.max(0, bytes - 2)));
}

function dumpOf64(): Uint8Array {
  const devices = Array.from({ length: 64 }, (_, index) => ({
    locator: `P${index >> 5} CHANNEL ${String.fromCharCode(65 + ((index >> 1) & 15))} DIMM${index & 1}`,
    bank: `BANK ${index}`,
    mib: 65536,
    type: 34,
    rate: 4800,
    ranks: 2,
    maker: 'Vellamo',
    serial: index.toString(16).padStart(8, '0'),
    part: 'VE5R64-4800         ',
  }));
  return dumpFile(
    dumpTable({ maker: 'Tarnhelt', product: 'Rack 9', serial: 'TR9-1', cpu: 'Ostrin X', maxGb: 4096, devices }),
  );
}

function csvOf(bytes: number): Uint8Array {
  const head =
    'Node,BankLabel,Capacity,DataWidth,DeviceLocator,FormFactor,Manufacturer,PartNumber,SerialNumber,Speed\r\n';
  const row = 'DESK-01,BANK 0,8589934592,64,ChannelA-DIMM0,12,"Vellamo, Skerrow",VE4S8-2666,01020304,2667\r\n';
  return new TextEncoder().encode(head + row.repeat(Math.floor((bytes - head.length) / row.length)));
}

function titlesOf(count: number): string[] {
  const file = readFileSync(join(process.cwd(), 'core', 'reading', 'titles', 'tuned.txt'), 'utf8');
  const known = file
    .split('\n')
    .flatMap((line) => (line.includes(' | ') ? [line.slice(0, line.lastIndexOf(' | '))] : []));
  return Array.from({ length: count }, (_, index) => known[index % known.length] ?? '');
}

/** So many texts of the list that a reader was made with. */
function textsOf(list: string, count: number): string[] {
  const file = readFileSync(join(process.cwd(), 'core', 'reading', 'testing', list, 'tuned.txt'), 'utf8');
  const known = file
    .split(/^=== /m)
    .slice(1)
    .map((block) => block.slice(block.indexOf('\n') + 1, block.indexOf('\n-- ')));
  return Array.from({ length: count }, (_, index) => known[index % known.length] ?? '');
}

const repeated = (line: string): string => line.repeat(Math.ceil(LARGEST / line.length)).slice(0, LARGEST);

function compare(name: string, aimMs: number, bytes: number, ms: number): void {
  const json = jsonOf(bytes);
  const rival = time(15, bytes < 100_000 ? 200 : 1, () => JSON.parse(json));
  const verdict = ms < aimMs ? 'held' : 'MISSED';
  process.stdout.write(
    `${name.padEnd(34)}${ms.toFixed(3).padStart(10)} ms  aim ${String(aimMs).padStart(5)} ms ${verdict.padEnd(7)}` +
      `JSON.parse of ${bytes} bytes ${rival.toFixed(3)} ms, ratio ${(ms / rival).toFixed(1)}\n`,
  );
}

const dump = dumpOf64();
compare(
  'SMBIOS dump of 64 slots',
  0.5,
  dump.length,
  time(30, 200, () => read(dump)),
);

const spd = sampleDdr4({ latencies: [11, 13, 15, 17, 19] });
compare(
  'SPD of 512 bytes',
  0.1,
  spd.length,
  time(30, 500, () => read(spd)),
);

const titles = titlesOf(10_000);
const titleBytes = titles.reduce((sum, title) => sum + title.length, 0);
compare(
  '10,000 listing titles',
  300,
  titleBytes,
  time(15, 1, () => titles.map(readListing)),
);

const specs = textsOf('specifications', 2000);
compare(
  '2,000 specifications',
  2000,
  specs.reduce((sum, text) => sum + text.length, 0),
  time(5, 1, () => specs.map(read)),
);

const systems = textsOf('machine-texts', 2000);
compare(
  '2,000 texts of systems',
  2000,
  systems.reduce((sum, text) => sum + text.length, 0),
  time(5, 1, () => systems.map(read)),
);

const spec = repeated('Maximum memory: 64 GB DDR4-2666, 4 x 16 GB, 2 SO-DIMM slots, no ECC\n');
compare(
  'specification of 8 MiB',
  1000,
  spec.length,
  time(5, 1, () => read(spec)),
);

const blocks = repeated('Slot 1\nSize: 8 GB\nType: DDR4\nSpeed: 2667 MT/s\n\n');
compare(
  'text of a system of 8 MiB',
  1000,
  blocks.length,
  time(5, 1, () => read(blocks)),
);

const csv = csvOf(LARGEST);
compare(
  'CIM CSV of 8 MiB',
  1000,
  csv.length,
  time(5, 1, () => read(csv)),
);
