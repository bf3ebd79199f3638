import { byteAt, byteSum, dwordAt, wordAt } from '../bytes/bytes';
import { meant } from '../placeholder';
import type { ReadModule, SpdCheck, SpdDetail } from '../reading';
import { crc16 } from './crc16';

/** What a decoder of one generation's SPD hands over; the frame adds lengths and warnings. */
export interface SpdFacts {
  module: ReadModule;
  detail: Omit<SpdDetail, 'bytes' | 'revision'>;
  warnings: string[];
  /** bytes that a whole SPD of this kind has */
  whole: number;
}

/** A part name as it stands in an SPD: printable ASCII, padded at its end with blanks, 0x00 or 0xFF. */
export function asciiAt(bytes: Uint8Array, from: number, length: number): string | null {
  let text = '';
  for (const byte of bytes.subarray(from, from + length)) {
    if (byte === 0x00 || byte === 0xff) break;
    text += byte >= 0x20 && byte < 0x7f ? String.fromCharCode(byte) : ' ';
  }
  return meant(text);
}

/** A serial number of four bytes in hexadecimal, as firmware prints it; null where none was written. */
export function serialAt(bytes: Uint8Array, at: number): string | null {
  const serial = dwordAt(bytes, at);
  if (serial === null || serial === 0 || serial === 0xffffffff) return null;
  return [0, 1, 2, 3].map((index) => hexByte(bytes[at + index] ?? 0)).join('');
}

const hexByte = (byte: number): string => byte.toString(16).toUpperCase().padStart(2, '0');

const bcd = (byte: number | null): number | null =>
  byte === null || (byte & 0x0f) > 9 || byte >> 4 > 9 ? null : (byte >> 4) * 10 + (byte & 0x0f);

/** Year and week of making, two BCD bytes, as `2021-W07`; null where none was written. */
export function madeAt(bytes: Uint8Array, at: number): string | null {
  const year = bcd(byteAt(bytes, at));
  const week = bcd(byteAt(bytes, at + 1));
  if (year === null || week === null || week < 1 || week > 53) return null;
  // Two digits: SPDs are younger than 1990.
  return `${year >= 90 ? 1900 + year : 2000 + year}-W${String(week).padStart(2, '0')}`;
}

/** The revision byte as `1.1`. */
export function revisionText(byte: number | null): string | null {
  return byte === null || byte === 0 || byte === 0xff ? null : `${byte >> 4}.${byte & 0x0f}`;
}

/** Check of a block by CRC-16, stored low byte first right behind it; null where the dump ends before. */
export function crcCheck(bytes: Uint8Array, from: number, to: number, storedAt: number): SpdCheck | null {
  const stored = wordAt(bytes, storedAt);
  if (stored === null) return null;
  const computed = crc16(bytes, from, to);
  return { kind: 'CRC', from, to, stored, computed, ok: stored === computed };
}

/** Check of bytes 0 to 62 by their sum modulo 256, in byte 63 (SDR, DDR, DDR2). */
export function sumCheck(bytes: Uint8Array): SpdCheck | null {
  const stored = byteAt(bytes, 63);
  if (stored === null) return null;
  const computed = byteSum(bytes, 0, 63);
  return { kind: 'checksum', from: 0, to: 62, stored, computed, ok: stored === computed };
}

/** The checks that could be made. */
export const madeChecks = (...checks: (SpdCheck | null)[]): SpdCheck[] => checks.filter((check) => check !== null);

/** Bit numbers that are set, lowest first. */
export function setBits(value: number, width: number): number[] {
  const bits: number[] = [];
  for (let bit = 0; bit < width; bit++) if ((value >>> bit) & 1) bits.push(bit);
  return bits;
}

/** A time of a medium and a fine timebase in ps: the fine part is a signed byte. */
export function timePs(medium: number | null, fine: number | null, mtbPs: number, ftbPs: number): number | null {
  if (medium === null || medium === 0) return null;
  const signed = fine === null ? 0 : fine >= 0x80 ? fine - 0x100 : fine;
  return Math.round(medium * mtbPs + signed * ftbPs);
}

/** A size that a code doubles from a base: 0 is the base. Codes above `most` are reserved and say nothing. */
export function doubled(base: number, code: number, most: number): number | null {
  return code > most ? null : base * 2 ** code;
}
