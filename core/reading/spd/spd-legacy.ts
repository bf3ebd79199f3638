import type { Generation } from '../../memory/generation';
import { byteAt } from '../bytes/bytes';
import { makerIdText } from '../maker-id';
import { NOTHING_TOLD } from '../reading';
import { asciiAt, madeAt, madeChecks, type SpdFacts, serialAt, setBits, sumCheck } from './spd-facts';
import { DDR2_KINDS, type SpdKind } from './spd-kinds';
import { type LatencyPoint, standardRate, timingsByPoint } from './spd-timings';

/*
 * SPDs of SDR, DDR and DDR2 share their outline (JEDEC 21-C 4.1.2.5, annex D, annex J); what differs stands in one
 * table per generation.
 */

type LegacyGeneration = 'SDR' | 'DDR' | 'DDR2';

interface Layout {
  /** CL by bit of byte 18 */
  latencies: readonly (number | null)[];
  /** capacity of one rank by bit of byte 31, MiB */
  rankMiB: readonly number[];
  /** step in CL between the cycles stored in bytes 9, 23 and 25 */
  step: number;
  /** supply by byte 8, mV */
  voltageMv: Record<number, number>;
}

const LAYOUTS: Record<LegacyGeneration, Layout> = {
  SDR: {
    latencies: [1, 2, 3, 4, 5, 6, 7],
    rankMiB: [4, 8, 16, 32, 64, 128, 256, 512],
    step: 1,
    voltageMv: { 1: 3300 },
  },
  DDR: {
    latencies: [1, 1.5, 2, 2.5, 3, 3.5, 4],
    rankMiB: [1024, 2048, 16, 32, 64, 128, 256, 512],
    step: 0.5,
    voltageMv: { 4: 2500 },
  },
  DDR2: {
    latencies: [null, null, 2, 3, 4, 5, 6, 7],
    rankMiB: [1024, 2048, 4096, 8192, 16384, 128, 256, 512],
    step: 1,
    voltageMv: { 5: 1800 },
  },
};

/** Fractions of a ns in the low four bits of a cycle time (annexes D and J, byte 9); 0 to 9 are tenths. */
const FRACTIONS_PS: Record<number, number> = { 10: 250, 11: 333, 12: 667, 13: 750, 14: 875 };

/** A cycle time: ns in the high four bits, tenths or a named fraction in the low ones; 0 is not told. */
function cycleAt(bytes: Uint8Array, at: number): number | null {
  const byte = byteAt(bytes, at);
  if (byte === null || byte === 0 || byte === 0xff) return null;
  const low = byte & 0x0f;
  const fraction = low < 10 ? low * 100 : FRACTIONS_PS[low];
  return fraction === undefined ? null : (byte >> 4) * 1000 + fraction || null;
}

/** SDR stores its third cycle in steps of a quarter ns (4.1.2.5, byte 25). */
function quarterAt(bytes: Uint8Array, at: number): number | null {
  const byte = byteAt(bytes, at);
  return byte === null || byte === 0 || byte === 0xff ? null : byte * 250;
}

const wholeNs = (bytes: Uint8Array, at: number): number | null => {
  const byte = byteAt(bytes, at);
  return byte === null || byte === 0 || byte === 0xff ? null : byte * 1000;
};

function latencyPoints(bytes: Uint8Array, generation: LegacyGeneration, latencies: number[]): LatencyPoint[] {
  const highest = latencies.at(-1);
  if (highest === undefined) return [];
  const { step } = LAYOUTS[generation];
  const third = generation === 'SDR' ? quarterAt(bytes, 25) : cycleAt(bytes, 25);
  const stored = new Map([
    [highest, cycleAt(bytes, 9)],
    [highest - step, cycleAt(bytes, 23)],
    [highest - 2 * step, third],
  ]);
  return latencies.map((casLatency) => ({ casLatency, ps: stored.get(casLatency) ?? null }));
}

/**
 * Capacity by the rank sizes of byte 31: one size for all ranks, or two of them for two unequal ranks.
 *
 * @returns null where bits and ranks do not go together
 */
function capacityOf(sizes: readonly number[], ranks: number | null): number | null {
  const [first, second] = sizes;
  if (first === undefined || ranks === null) return null;
  if (second === undefined) return first * ranks;
  return sizes.length === 2 && ranks === 2 ? first + second : null;
}

/** Capacity of the first rank by rows, columns, banks and width (bytes 3, 4, 17, 6), MiB. */
function addressedMiB(bytes: Uint8Array): number | null {
  const [rows, columns, banks] = [byteAt(bytes, 3), byteAt(bytes, 4), byteAt(bytes, 17)];
  if (!rows || !columns || !banks) return null;
  return (2 ** ((rows & 0x0f) + (columns & 0x0f)) * banks * 8) / (1024 * 1024);
}

/** SDR and DDR: byte 21 tells registers and buffers, and nothing tells the form. */
function kindByAttributes(bytes: Uint8Array): SpdKind {
  const attributes = byteAt(bytes, 21);
  if (attributes === null) return { form: null, buffering: null };
  return { form: null, buffering: (attributes & 0x03) !== 0 ? 'registered' : 'unbuffered' };
}

/** DDR2 height by the high three bits of byte 5, upper bound in mm (annex J). */
const DDR2_HEIGHTS: readonly (number | null)[] = [25.4, 25.4, 30, 30, 30.5, null, null, null];

/** JEP106: id behind as many 0x7F continuation codes as its bank asks for, bytes 64 to 71. */
function legacyMakerId(bytes: Uint8Array): string | null {
  for (let continuations = 0; continuations < 8; continuations++) {
    const byte = byteAt(bytes, 64 + continuations);
    if (byte !== 0x7f) return makerIdText(continuations, byte);
  }
  return null;
}

function isEcc(bytes: Uint8Array, generation: LegacyGeneration): boolean | null {
  const byte = byteAt(bytes, 11);
  if (byte === null) return null;
  // SDR and DDR number the kinds (2 is ECC), DDR2 gives each a bit (bit 1 is data ECC).
  return generation === 'DDR2' ? (byte & 0x02) !== 0 : byte === 2;
}

/** Decodes an SPD of SDR, DDR or DDR2. Bytes that the dump does not hold read as not told. */
export function decodeLegacySpd(bytes: Uint8Array, generation: LegacyGeneration): SpdFacts {
  const layout = LAYOUTS[generation];
  const rankByte = byteAt(bytes, 5);
  const ranks = rankByte === null ? null : generation === 'DDR2' ? (rankByte & 0x07) + 1 : rankByte || null;
  const sizes = setBits(byteAt(bytes, 31) ?? 0, 8).map((bit) => layout.rankMiB[bit] ?? 0);
  const latencies = setBits(byteAt(bytes, 18) ?? 0, 8)
    .map((bit) => layout.latencies[bit] ?? null)
    .filter((latency) => latency !== null);
  const points = latencyPoints(bytes, generation, latencies);
  const cycle = cycleAt(bytes, 9);
  const rateMTs = cycle === null ? null : standardRate(generation, cycle);
  const times = {
    rcd: shortTime(bytes, 29, generation),
    rp: shortTime(bytes, 27, generation),
    ras: wholeNs(bytes, 30),
  };
  const timings = rateMTs === null ? [] : timingsByPoint(generation, rateMTs, points, times);
  const kind = generation === 'DDR2' ? (DDR2_KINDS[byteAt(bytes, 20) ?? 0] ?? null) : kindByAttributes(bytes);
  const voltage = layout.voltageMv[byteAt(bytes, 8) ?? -1];
  const warnings: string[] = [];
  const addressed = addressedMiB(bytes);
  if (addressed !== null && sizes.length > 0 && !sizes.includes(addressed)) {
    warnings.push(
      `byte 31 says ranks of ${sizes.join(' and ')} MiB, rows, columns and banks (bytes 3, 4, 17) say ${addressed} MiB`,
    );
  }
  return {
    whole: 128,
    warnings,
    module: {
      ...NOTHING_TOLD,
      capacityMiB: capacityOf(sizes, ranks),
      generation: generation satisfies Generation,
      form: kind?.form ?? null,
      buffering: kind?.buffering ?? null,
      ecc: isEcc(bytes, generation),
      rateMTs,
      ranks,
      deviceWidth: (byteAt(bytes, 13) ?? 0) & 0x7f || null,
      casLatency: timings.find((one) => one.rateMTs === rateMTs)?.casLatency ?? null,
      voltagesMv: voltage === undefined ? null : [voltage],
      heightMm: generation === 'DDR2' && rankByte !== null ? (DDR2_HEIGHTS[rankByte >> 5] ?? null) : null,
      makerId: legacyMakerId(bytes),
      part: asciiAt(bytes, 73, 18),
      serial: serialAt(bytes, 95),
      soldered: false,
    },
    detail: {
      logicalRanks: ranks,
      stackHeight: 1,
      asymmetric: sizes.length === 0 ? null : sizes.length > 1,
      deviceGbit: null,
      casLatencies: latencies,
      timings,
      made: madeAt(bytes, 93),
      chipMakerId: null,
      checks: madeChecks(sumCheck(bytes)),
    },
  };
}

/** tRCD and tRP: whole ns in SDR, quarters of a ns from DDR on (annex D, bytes 27 and 29). */
function shortTime(bytes: Uint8Array, at: number, generation: LegacyGeneration): number | null {
  return generation === 'SDR' ? wholeNs(bytes, at) : quarterAt(bytes, at);
}
