/*
 * Builds SMBIOS tables byte by byte (DMTF DSP0134), for made-up machines: what a dump tool would write of them.
 */

/** A field of a structure: its offset and its bytes as a little-endian number, or a string of the structure. */
export type DumpField =
  | readonly [at: number, width: 1 | 2 | 4 | 8, value: number]
  | readonly [at: number, text: string];

function putNumber(area: Uint8Array, at: number, width: number, value: number): void {
  let rest = value;
  for (let index = 0; index < width; index++) {
    area[at + index] = rest % 256;
    rest = Math.floor(rest / 256);
  }
}

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);

export function joinBytes(...parts: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

/** One structure: header, formatted area of the given length, its strings and their end (6.1.2, 6.1.3). */
export function structure(type: number, length: number, handle: number, fields: readonly DumpField[]): Uint8Array {
  const area = new Uint8Array(length);
  const strings: Uint8Array[] = [];
  putNumber(area, 0, 1, type);
  putNumber(area, 1, 1, length);
  putNumber(area, 2, 2, handle);
  for (const field of fields) {
    if (field.length === 3) {
      if (field[0] + field[1] <= length) putNumber(area, field[0], field[1], field[2]);
    } else if (field[0] < length) {
      strings.push(bytesOf(field[1]), Uint8Array.of(0));
      area[field[0]] = strings.length / 2;
    }
  }
  return joinBytes(area, ...strings, Uint8Array.of(...(strings.length === 0 ? [0, 0] : [0])));
}

/** A made-up memory device. Sizes MiB, rates MT/s, voltages mV; lengths of a structure by version of the standard. */
export interface DumpDevice {
  locator: string;
  bank?: string;
  mib: number | 'empty' | 'unknown';
  /** code of 7.18.2; 26 is DDR4 */
  type?: number;
  /** code of 7.18.1; 9 is a DIMM, 13 an SO-DIMM */
  form?: number;
  /** bits of 7.18.3 */
  detail?: number;
  totalWidth?: number;
  dataWidth?: number;
  rate?: number;
  configured?: number;
  ranks?: number;
  millivolts?: number;
  maker?: string;
  serial?: string;
  part?: string;
  /** continuation codes and id of the maker (7.18, Module Manufacturer ID) */
  makerId?: readonly [number, number];
  array?: number;
  length?: number;
}

const LARGEST_SIZE = 0x7fff;
const LARGEST_RATE = 0xffff;

/** A memory device, structure 17; `length` 0x15 is version 2.1, 0x1B 2.3, 0x1C 2.6, 0x22 2.7, 0x28 2.8, 0x54 3.2, 0x64 3.7. */
export function deviceStructure(handle: number, device: DumpDevice): Uint8Array {
  const { mib } = device;
  const size = mib === 'empty' ? 0 : mib === 'unknown' ? 0xffff : Math.min(mib, LARGEST_SIZE);
  const extended = typeof mib === 'number' && mib >= LARGEST_SIZE ? mib : 0;
  const rate = device.rate ?? 0;
  const configured = device.configured ?? rate;
  const empty = mib === 'empty';
  const volts = empty ? 0 : (device.millivolts ?? 1200);
  return structure(17, device.length ?? 0x5c, handle, [
    [0x04, 2, device.array ?? 0x27],
    [0x06, 2, 0xfffe],
    [0x08, 2, empty ? 0xffff : (device.totalWidth ?? 64)],
    [0x0a, 2, empty ? 0xffff : (device.dataWidth ?? 64)],
    [0x0c, 2, size],
    [0x0e, 1, empty ? 2 : (device.form ?? 9)],
    [0x10, device.locator],
    [0x11, device.bank ?? 'BANK 0'],
    [0x12, 1, empty ? 2 : (device.type ?? 26)],
    [0x13, 2, empty ? 4 : (device.detail ?? (1 << 7) | (1 << 14))],
    [0x15, 2, Math.min(rate, LARGEST_RATE)],
    [0x17, empty ? 'NO DIMM' : (device.maker ?? 'Unknown')],
    [0x18, empty ? 'NO DIMM' : (device.serial ?? '00000000')],
    [0x1a, empty ? 'NO DIMM' : (device.part ?? 'Unknown')],
    [0x1b, 1, device.ranks ?? 0],
    [0x1c, 4, extended],
    [0x20, 2, Math.min(configured, LARGEST_RATE)],
    [0x22, 2, volts],
    [0x24, 2, volts],
    [0x26, 2, volts],
    [0x2c, 1, device.makerId?.[0] ?? 0],
    [0x2d, 1, device.makerId?.[1] ?? 0],
    [0x54, 4, rate >= LARGEST_RATE ? rate : 0],
    [0x58, 4, configured >= LARGEST_RATE ? configured : 0],
  ]);
}

export interface DumpMachine {
  maker: string;
  product: string;
  serial: string;
  cpu: string;
  maxGb: number;
  devices: readonly DumpDevice[];
}

/** Above this many KiB the capacity of an array stands in its extended field, in bytes (7.17). */
const LARGEST_KIB = 0x80000000;

export function arrayStructure(handle: number, maxGb: number, devices: number, use = 3): Uint8Array {
  const kib = maxGb * 1024 * 1024;
  return structure(16, 0x17, handle, [
    [0x04, 1, 3],
    [0x05, 1, use],
    [0x06, 1, 3],
    [0x07, 4, Math.min(kib, LARGEST_KIB)],
    [0x0b, 2, 0xfffe],
    [0x0d, 2, devices],
    [0x0f, 8, kib >= LARGEST_KIB ? kib * 1024 : 0],
  ]);
}

export const END_STRUCTURE = structure(127, 4, 0xfeff, []);

/** The structure table of a made-up machine. */
export function dumpTable(machine: DumpMachine): Uint8Array {
  return joinBytes(
    structure(0, 0x1a, 0, [
      [0x04, 'Skerrow Firmware'],
      [0x05, '1.14'],
      [0x08, '03/11/2019'],
    ]),
    structure(1, 0x1b, 1, [
      [0x04, machine.maker],
      [0x05, machine.product],
      [0x06, 'Default string'],
      [0x07, machine.serial],
    ]),
    structure(2, 0x0f, 2, [
      [0x04, machine.maker],
      [0x05, `${machine.product}-MB`],
      [0x09, 1, 1],
      [0x0d, 1, 10],
    ]),
    structure(4, 0x30, 0x14, [
      [0x04, 'CPU0'],
      [0x05, 1, 3],
      [0x10, machine.cpu],
      [0x18, 1, 0x41],
    ]),
    arrayStructure(0x27, machine.maxGb, machine.devices.length),
    ...machine.devices.map((device, index) => deviceStructure(0x28 + index, device)),
    END_STRUCTURE,
  );
}

/** Sets the byte that makes a range add up to 0 modulo 256. */
function settle(bytes: Uint8Array, at: number, from: number, to: number): void {
  bytes[at] = 0;
  let sum = 0;
  for (let index = from; index < to; index++) sum += bytes[index] ?? 0;
  bytes[at] = (256 - (sum % 256)) % 256;
}

/** A dump as memory-table dump tools write it: the entry point (5.2.1, 5.2.2), then the table at byte 32. */
export function dumpFile(table: Uint8Array, entry: '32-bit' | '64-bit' = '64-bit'): Uint8Array {
  const head = new Uint8Array(32);
  if (entry === '64-bit') {
    head.set(bytesOf('_SM3_'));
    head.set([0, 0x18, 3, 7, 0, 1, 0], 5);
    putNumber(head, 12, 4, table.length);
    putNumber(head, 16, 8, 32);
    settle(head, 5, 0, 0x18);
  } else {
    head.set(bytesOf('_SM_'));
    head.set([0, 0x1f, 2, 8], 4);
    head.set(bytesOf('_DMI_'), 16);
    putNumber(head, 22, 2, table.length);
    putNumber(head, 24, 4, 32);
    head[30] = 0x28;
    settle(head, 21, 16, 0x1f);
    settle(head, 4, 0, 0x1f);
  }
  return joinBytes(head, table);
}
