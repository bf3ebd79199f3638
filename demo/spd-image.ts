/*
 * Builds SPDs byte by byte from the JEDEC annexes, for made-up modules. The checks are worked out bit by bit, apart
 * from the reader's table.
 */

/** Who made a module: JEP106 continuation codes and id, part, serial (four bytes), year and week of making. */
export interface SpdNames {
  makerId?: readonly [continuations: number, id: number];
  part?: string;
  serial?: readonly [number, number, number, number];
  made?: readonly [year: number, week: number];
}

const bcd = (value: number): number => (Math.floor(value / 10) << 4) | (value % 10);

function put(bytes: Uint8Array, at: number, ...values: number[]): void {
  bytes.set(values, at);
}

function putText(bytes: Uint8Array, at: number, length: number, text: string): void {
  for (let index = 0; index < length; index++) bytes[at + index] = text.charCodeAt(index) || 0x20;
}

/** CRC-16 of the bytes from `from` to `to`, both included. */
function crc(bytes: Uint8Array, from: number, to: number): number {
  let value = 0;
  for (let at = from; at <= to; at++) {
    value ^= (bytes[at] ?? 0) << 8;
    for (let bit = 0; bit < 8; bit++) value = (value & 0x8000 ? (value << 1) ^ 0x1021 : value << 1) & 0xffff;
  }
  return value;
}

function putCrc(bytes: Uint8Array, from: number, to: number, at: number): void {
  const value = crc(bytes, from, to);
  put(bytes, at, value & 0xff, value >> 8);
}

/** Sets the check bytes again after bytes were changed by hand. */
export function settleSpd(bytes: Uint8Array): Uint8Array {
  const type = bytes[2] ?? 0;
  if (type === 18) putCrc(bytes, 0, 509, 510);
  else if (type === 12) {
    putCrc(bytes, 0, 125, 126);
    putCrc(bytes, 128, 253, 254);
  } else if (type === 11) putCrc(bytes, 0, (bytes[0] ?? 0) & 0x80 ? 116 : 125, 126);
  else {
    let sum = 0;
    for (let at = 0; at < 63; at++) sum += bytes[at] ?? 0;
    bytes[63] = sum & 0xff;
  }
  return bytes;
}

/** A time in ps as medium and fine timebase: the least medium that is not below it, less what is over. */
function split(ps: number): [medium: number, fine: number] {
  const medium = Math.ceil(ps / 125);
  return [medium, (ps - medium * 125) & 0xff];
}

const DENSITY_CODES: Record<number, number> = { 0.25: 0, 0.5: 1, 1: 2, 2: 3, 4: 4, 8: 5, 16: 6, 32: 7, 12: 8, 24: 9 };

/** Codes of a width: 0 is the base, each further code doubles it. */
const widthCode = (width: number, base: number): number => Math.log2(width / base);

/** Maker code, date and serial as DDR3 and later keep them, and the part name behind them. */
function putNames(bytes: Uint8Array, at: number, partAt: number, partLength: number, names: SpdNames): void {
  const [year, week] = names.made ?? [0, 0];
  put(bytes, at, names.makerId?.[0] ?? 0, names.makerId?.[1] ?? 0, 0, bcd(year), bcd(week));
  put(bytes, at + 5, ...(names.serial ?? [0, 0, 0, 0]));
  putText(bytes, partAt, partLength, names.part ?? '');
}

export interface Ddr4Spec extends SpdNames {
  /** 1 RDIMM, 2 UDIMM, 3 SO-DIMM, 4 LRDIMM, 9 72-bit SO-UDIMM */
  type: number;
  gbit: number;
  ranks: number;
  width: number;
  ecc?: boolean;
  cyclePs: number;
  latencies: readonly number[];
  aaPs: number;
  rasPs?: number;
  heightMm?: number;
  /** dies of a 3DS stack */
  stack?: number;
  /** steps of density by which odd ranks are smaller */
  oddSmaller?: number;
}

/** An SPD of DDR4, 512 bytes (JEDEC 21-C 4.1.2.12, annex L). */
export function ddr4Spd(spec: Ddr4Spec): Uint8Array {
  const bytes = new Uint8Array(512);
  const high = spec.latencies.every((latency) => latency >= 23);
  const [cycle, cycleFine] = split(spec.cyclePs);
  const [aa, aaFine] = split(spec.aaPs);
  const ras = Math.ceil((spec.rasPs ?? 32000) / 125);
  put(bytes, 0, 0x23, 0x11, 0x0c, spec.type, DENSITY_CODES[spec.gbit] ?? 0, 0x21);
  put(bytes, 6, spec.stack === undefined ? 0 : 0x80 | ((spec.stack - 1) << 4) | 2);
  put(bytes, 10, spec.oddSmaller === undefined ? 0 : spec.oddSmaller << 2, 0x03);
  put(bytes, 12, (spec.oddSmaller === undefined ? 0 : 0x40) | ((spec.ranks - 1) << 3) | widthCode(spec.width, 4));
  put(bytes, 13, (spec.ecc ? 8 : 0) | 3);
  put(bytes, 18, cycle);
  for (const latency of spec.latencies) {
    const bit = latency - (high ? 23 : 7);
    const at = 20 + (bit >> 3);
    bytes[at] = (bytes[at] ?? 0) | (1 << (bit & 7));
  }
  if (high) bytes[23] = (bytes[23] ?? 0) | 0x80;
  put(bytes, 24, aa, aa, aa, ras >> 8, ras & 0xff);
  put(bytes, 121, aaFine, aaFine, aaFine, 0, cycleFine);
  put(bytes, 128, (spec.heightMm ?? 32) - 15);
  putNames(bytes, 320, 329, 20, spec);
  return settleSpd(bytes);
}

/** A made-up 8 GB DDR4-2666 SO-DIMM, changed as asked. */
export function sampleDdr4(change: Partial<Ddr4Spec> = {}): Uint8Array {
  return ddr4Spd({
    type: 3,
    gbit: 8,
    ranks: 1,
    width: 8,
    cyclePs: 750,
    latencies: [15, 17, 19],
    aaPs: 13750,
    part: 'VE4S8-2666',
    ...change,
  });
}

export interface Ddr3Spec extends SpdNames {
  type: number;
  gbit: number;
  ranks: number;
  width: number;
  ecc?: boolean;
  /** bits of byte 6: 0 is 1.5 V alone, 2 adds 1.35 V */
  voltage?: number;
  cyclePs: number;
  latencies: readonly number[];
  aaPs: number;
  rasPs?: number;
  heightMm?: number;
  /** the CRC leaves out bytes 117 to 125 */
  shortCrc?: boolean;
}

/** An SPD of DDR3, 256 bytes (JEDEC 21-C 4.1.2.11, annex K). */
export function ddr3Spd(spec: Ddr3Spec): Uint8Array {
  const bytes = new Uint8Array(256);
  const [cycle, cycleFine] = split(spec.cyclePs);
  const [aa, aaFine] = split(spec.aaPs);
  const ras = Math.ceil((spec.rasPs ?? 35000) / 125);
  const mask = spec.latencies.reduce((bits, latency) => bits | (1 << (latency - 4)), 0);
  put(bytes, 0, spec.shortCrc ? 0x92 : 0x12, 0x13, 0x0b, spec.type, DENSITY_CODES[spec.gbit] ?? 0, 0x19);
  put(bytes, 6, spec.voltage ?? 0, ((spec.ranks === 8 ? 4 : spec.ranks - 1) << 3) | widthCode(spec.width, 4));
  put(bytes, 8, (spec.ecc ? 8 : 0) | 3, 0x11, 1, 8, cycle, 0, mask & 0xff, mask >> 8, aa, 0x78, aa, 0x30, aa);
  put(bytes, 21, ras >> 8, ras & 0xff);
  put(bytes, 34, cycleFine, aaFine, aaFine, aaFine);
  put(bytes, 60, (spec.heightMm ?? 30) - 15);
  putNames(bytes, 117, 128, 18, spec);
  return settleSpd(bytes);
}

const DDR5_DENSITIES: Record<number, number> = { 4: 1, 8: 2, 12: 3, 16: 4, 24: 5, 32: 6, 48: 7, 64: 8 };

export interface Ddr5Spec extends SpdNames {
  /** 1 RDIMM, 2 UDIMM, 3 SO-DIMM, 8 CAMM2 */
  type: number;
  gbit: number;
  ranks: number;
  width: number;
  /** check bits of each subchannel: 0, 4 or 8 */
  check?: 0 | 4 | 8;
  cyclePs: number;
  latencies: readonly number[];
  aaPs: number;
  rasPs?: number;
  heightMm?: number;
  /** code of the dies in a package, high three bits of byte 4 */
  dies?: number;
  /** the odd ranks' chips, where they differ */
  odd?: { gbit: number; width: number };
}

/** An SPD of DDR5, 1024 bytes (JESD400-5). */
export function ddr5Spd(spec: Ddr5Spec): Uint8Array {
  const bytes = new Uint8Array(1024);
  put(bytes, 0, 0x30, 0x10, 0x12, spec.type, ((spec.dies ?? 0) << 5) | (DDR5_DENSITIES[spec.gbit] ?? 0));
  put(bytes, 6, widthCode(spec.width, 4) << 5);
  if (spec.odd !== undefined) put(bytes, 8, DDR5_DENSITIES[spec.odd.gbit] ?? 0, 0, widthCode(spec.odd.width, 4) << 5);
  put(bytes, 20, spec.cyclePs & 0xff, spec.cyclePs >> 8);
  for (const latency of spec.latencies) {
    const bit = (latency - 20) / 2;
    const at = 24 + (bit >> 3);
    bytes[at] = (bytes[at] ?? 0) | (1 << (bit & 7));
  }
  const ras = spec.rasPs ?? 32000;
  for (const [at, ps] of [
    [30, spec.aaPs],
    [32, spec.aaPs],
    [34, spec.aaPs],
    [36, ras],
  ] as const) {
    put(bytes, at, ps & 0xff, ps >> 8);
  }
  put(bytes, 230, (spec.heightMm ?? 32) - 15);
  put(bytes, 234, (spec.odd === undefined ? 0 : 0x40) | ((spec.ranks - 1) << 3), 0x22 | ((spec.check ?? 0) << 1));
  putNames(bytes, 512, 521, 30, spec);
  return settleSpd(bytes);
}

export interface OldSpec extends SpdNames {
  generation: 'SDR' | 'DDR' | 'DDR2';
  rows: number;
  columns: number;
  banks: number;
  ranks: number;
  /** bits of byte 31 */
  rankBits: number;
  ecc?: boolean;
  width?: number;
  /** byte 20 of DDR2, byte 21 of SDR and DDR */
  kind?: number;
  /** bits of byte 18 */
  latencyBits: number;
  /** bytes 9, 23 and 25 as stored */
  cycles: readonly [number, number, number];
  /** bytes 27, 29 and 30 as stored */
  times?: readonly [rp: number, rcd: number, ras: number];
  /** high three bits of byte 5 in DDR2 */
  heightCode?: number;
}

/** An SPD of SDR, DDR or DDR2, 256 bytes (JEDEC 21-C 4.1.2.5, annexes D and J). */
export function oldSpd(spec: OldSpec): Uint8Array {
  const bytes = new Uint8Array(256);
  const ddr2 = spec.generation === 'DDR2';
  const wide = spec.ecc ? 72 : 64;
  put(bytes, 0, 128, 8, { SDR: 4, DDR: 7, DDR2: 8 }[spec.generation], spec.rows, spec.columns);
  put(bytes, 5, ddr2 ? ((spec.heightCode ?? 0) << 5) | (spec.ranks - 1) : spec.ranks, wide);
  put(bytes, 8, { SDR: 1, DDR: 4, DDR2: 5 }[spec.generation], spec.cycles[0]);
  put(bytes, 11, spec.ecc ? 2 : 0, 0x82, spec.width ?? 8, spec.ecc ? 8 : 0);
  put(bytes, 17, spec.banks, spec.latencyBits);
  put(bytes, ddr2 ? 20 : 21, spec.kind ?? 0);
  put(bytes, 23, spec.cycles[1]);
  put(bytes, 25, spec.cycles[2]);
  const [rp, rcd, ras] = spec.times ?? [60, 60, 45];
  put(bytes, 27, rp);
  put(bytes, 29, rcd, ras, spec.rankBits);
  put(bytes, 62, 0x10);
  const [continuations, id] = spec.makerId ?? [0, 0];
  put(bytes, 64, ...Array.from({ length: continuations }, () => 0x7f), id);
  putText(bytes, 73, 18, spec.part ?? '');
  put(bytes, 93, bcd(spec.made?.[0] ?? 0), bcd(spec.made?.[1] ?? 0), ...(spec.serial ?? [0, 0, 0, 0]));
  return settleSpd(bytes);
}
