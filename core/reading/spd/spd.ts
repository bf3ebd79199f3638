import { byteAt } from '../bytes/bytes';
import { READING_LIMIT_BYTES, type Reading } from '../reading';
import { decodeDdr3Spd } from './spd-ddr3';
import { decodeDdr4Spd } from './spd-ddr4';
import { decodeDdr5Spd } from './spd-ddr5';
import { revisionText, type SpdFacts } from './spd-facts';
import { decodeLegacySpd } from './spd-legacy';
import { decodeFullyBufferedSpd, decodeLowPowerSpd } from './spd-others';

interface SpdType {
  decode: (bytes: Uint8Array) => SpdFacts;
  revisionAt: number;
  /** do the first two bytes look like an SPD of this type? */
  heads: (size: number, revision: number) => boolean;
}

/** Bytes written and size of the device as SDR, DDR and DDR2 give them: up to 255 of 2^n bytes. */
const oldHead = (size: number, log2: number): boolean => size >= 64 && log2 >= 7 && log2 <= 9;
/** DDR3 and DDR4 code both in byte 0, and their revision in byte 1. */
const middleHead = (size: number, revision: number): boolean =>
  (size & 0x0f) >= 1 && (size & 0x0f) <= 4 && revision >= 0x01 && revision < 0x40;
/** DDR5 codes the device's size in bits 6 to 4 of byte 0. */
const newHead = (size: number, revision: number): boolean => (size & 0x70) !== 0 && revision >= 0x01 && revision < 0x40;

/** Key byte: the type of the memory device (JEDEC 21-C 4.1.2, byte 2; JESD400-5, byte 2). */
const SPD_TYPES: Record<number, SpdType> = {
  4: { decode: (bytes) => decodeLegacySpd(bytes, 'SDR'), revisionAt: 62, heads: oldHead },
  7: { decode: (bytes) => decodeLegacySpd(bytes, 'DDR'), revisionAt: 62, heads: oldHead },
  8: { decode: (bytes) => decodeLegacySpd(bytes, 'DDR2'), revisionAt: 62, heads: oldHead },
  9: { decode: decodeFullyBufferedSpd, revisionAt: 1, heads: middleHead },
  11: { decode: decodeDdr3Spd, revisionAt: 1, heads: middleHead },
  12: { decode: decodeDdr4Spd, revisionAt: 1, heads: middleHead },
  15: { decode: (bytes) => decodeLowPowerSpd(bytes, 'LPDDR3'), revisionAt: 1, heads: middleHead },
  16: { decode: (bytes) => decodeLowPowerSpd(bytes, 'LPDDR4'), revisionAt: 1, heads: middleHead },
  17: { decode: (bytes) => decodeLowPowerSpd(bytes, 'LPDDR4X'), revisionAt: 1, heads: middleHead },
  18: { decode: decodeDdr5Spd, revisionAt: 1, heads: newHead },
  19: { decode: (bytes) => decodeLowPowerSpd(bytes, 'LPDDR5'), revisionAt: 1, heads: newHead },
  21: { decode: (bytes) => decodeLowPowerSpd(bytes, 'LPDDR5X'), revisionAt: 1, heads: newHead },
};

/** Fewer bytes than this say too little to be taken for an SPD. */
const LEAST_BYTES = 32;
/** A device holds at most 2,048 bytes; a file far larger is something else. */
const MOST_BYTES = 4096;

/** Are these bytes an SPD, whole or in part? Told by the type byte and the bytes before it. */
export function isSpd(bytes: Uint8Array): boolean {
  if (bytes.length < LEAST_BYTES || bytes.length > MOST_BYTES) return false;
  const type = SPD_TYPES[bytes[2] ?? 0];
  return type?.heads(bytes[0] ?? 0, bytes[1] ?? 0) ?? false;
}

/** The smallest device; old SPDs fill half of it and leave the rest to the maker. */
const LEAST_DEVICE = 256;

const padding = (bytes: Uint8Array): boolean => bytes.every((byte) => byte === 0x00 || byte === 0xff);

/** A capacity that no module has was not read right: it becomes "not told". */
const believable = (mib: number | null): boolean => mib !== null && Number.isSafeInteger(mib) && mib > 0;

/**
 * Reads an SPD (JEDEC 21-C annexes for SDR to DDR4, JESD400-5 for DDR5), whole or cut. Never throws; bytes that are
 * missing read as not told, and every block whose check does not hold is named.
 */
export function readSpd(bytes: Uint8Array): Reading {
  const type = SPD_TYPES[bytes[2] ?? 0];
  if (type === undefined || bytes.length > READING_LIMIT_BYTES) {
    return { format: 'spd', warnings: ['truncated: byte 2 names no memory that is known'] };
  }
  const { module: read, detail, warnings, whole } = type.decode(bytes);
  const cut = bytes.length < whole ? [`truncated: ${bytes.length} of ${whole} bytes are here`] : [];
  const device = Math.max(whole, LEAST_DEVICE);
  const over = bytes.length > device && !padding(bytes.subarray(device));
  const long = over ? [`overlong: what follows byte ${device - 1} is not read`] : [];
  const capacityMiB = believable(read.capacityMiB) ? read.capacityMiB : null;
  const size = capacityMiB === null && cut.length === 0 ? ['capacity: what the bytes say makes none'] : [];
  const checks = detail.checks
    .filter((check) => !check.ok)
    .map((check) => `${check.kind}: bytes ${check.from} to ${check.to} do not agree with their check`);
  return {
    format: 'spd',
    module: { ...read, capacityMiB },
    spd: { bytes: bytes.length, revision: revisionText(byteAt(bytes, type.revisionAt)), ...detail },
    warnings: [...cut, ...long, ...checks, ...(warnings.length > 0 ? [] : size), ...warnings],
  };
}
