import { isLowPower } from '../../memory/generation';
import { printedRate } from '../../memory/printed-rate';
import { byteAt, byteSum, dwordAt, qwordAt, standsAt, wordAt } from '../bytes/bytes';
import { makerIdText } from '../maker-id';
import { meant, socketName } from '../placeholder';
import { NOTHING_TOLD, type Reading, type ReadModule } from '../reading';
import { serialText } from '../slot-serials';
import {
  bufferingOfDetail,
  ERROR_CORRECTIONS,
  FORM_FACTORS,
  MEMORY_TYPES,
  STORE_TYPES,
  SYSTEM_MEMORY_USE,
} from './smbios-codes';
import { type MemoryArray, type MemoryDevice, machineOfFacts, missingSlots } from './smbios-machine';
import { byteOf, dwordOf, qwordOf, type SmbiosStructure, stringAt, walkStructures, wordOf } from './smbios-structures';

/** SmbiosStructure types that are read (DSP0134 clauses 7.1, 7.2, 7.3, 7.5, 7.17, 7.18). */
const TYPE = { firmware: 0, system: 1, board: 2, cpu: 4, array: 16, device: 17 } as const;
const WANTED: ReadonlySet<number> = new Set(Object.values(TYPE));

/** Offsets in the Memory Device structure (7.18, table 82). */
const DEVICE = {
  array: 0x04,
  totalWidth: 0x08,
  dataWidth: 0x0a,
  size: 0x0c,
  form: 0x0e,
  locator: 0x10,
  bank: 0x11,
  type: 0x12,
  detail: 0x13,
  speed: 0x15,
  maker: 0x17,
  serial: 0x18,
  part: 0x1a,
  attributes: 0x1b,
  extendedSize: 0x1c,
  configuredSpeed: 0x20,
  minVoltage: 0x22,
  maxVoltage: 0x24,
  configuredVoltage: 0x26,
  makerId: 0x2c,
  extendedSpeed: 0x54,
  extendedConfiguredSpeed: 0x58,
} as const;

/** Offsets in the Physical Memory Array structure (7.17, table 78). */
const ARRAY = {
  use: 0x05,
  errorCorrection: 0x06,
  maxCapacity: 0x07,
  devices: 0x0d,
  extendedMaxCapacity: 0x0f,
} as const;

const KIB_PER_MIB = 1024;
const BYTES_PER_MIB = 1024 * 1024;

/** `empty`: no module in the socket; null: one of unknown size. Size in MiB, or KiB with bit 15 set (7.18). */
function sizeOf(structure: SmbiosStructure): number | 'empty' | null {
  const size = wordOf(structure, DEVICE.size);
  if (size === null || size === 0xffff) return null;
  if (size === 0) return 'empty';
  if (size === 0x7fff) return (dwordOf(structure, DEVICE.extendedSize) ?? 0) & 0x7fffffff || null;
  const mib = size & 0x8000 ? (size & 0x7fff) / KIB_PER_MIB : size;
  return Number.isInteger(mib) ? mib : null;
}

/** A rate in MT/s: 0 unknown, 0xFFFF in the extended field (7.18, Speed and Extended Speed). */
function rateAt(structure: SmbiosStructure, at: number, extended: number): number | null {
  const speed = wordOf(structure, at);
  const rate = speed === 0xffff ? (dwordOf(structure, extended) ?? 0) & 0x7fffffff : (speed ?? 0);
  return rate === 0 ? null : printedRate(rate);
}

function voltagesOf(structure: SmbiosStructure): number[] | null {
  const fields = [DEVICE.minVoltage, DEVICE.maxVoltage, DEVICE.configuredVoltage];
  const known: number[] = [];
  for (const at of fields) {
    const mv = wordOf(structure, at) ?? 0;
    if (mv > 0 && mv < 0xffff && !known.includes(mv)) known.push(mv);
  }
  return known.length === 0 ? null : known.sort((a, b) => a - b);
}

const widthAt = (structure: SmbiosStructure, at: number): number | null => {
  const bits = wordOf(structure, at) ?? 0;
  return bits === 0 || bits === 0xffff ? null : bits;
};

function moduleOf(structure: SmbiosStructure, capacityMiB: number | null): ReadModule {
  const type = MEMORY_TYPES[byteOf(structure, DEVICE.type) ?? 0];
  const form = FORM_FACTORS[byteOf(structure, DEVICE.form) ?? 0];
  const total = widthAt(structure, DEVICE.totalWidth);
  const data = widthAt(structure, DEVICE.dataWidth);
  const makerId = wordOf(structure, DEVICE.makerId);
  return {
    ...NOTHING_TOLD,
    capacityMiB,
    generation: type?.generation ?? null,
    form: form?.form ?? null,
    buffering: type?.fullyBuffered ? 'fully-buffered' : bufferingOfDetail(wordOf(structure, DEVICE.detail)),
    ecc: total === null || data === null ? null : total > data,
    rateMTs: rateAt(structure, DEVICE.speed, DEVICE.extendedSpeed),
    configuredRateMTs: rateAt(structure, DEVICE.configuredSpeed, DEVICE.extendedConfiguredSpeed),
    ranks: (byteOf(structure, DEVICE.attributes) ?? 0) & 0x0f || null,
    voltagesMv: voltagesOf(structure),
    maker: meant(stringAt(structure, DEVICE.maker)),
    makerId: makerId === null ? null : makerIdText(makerId & 0xff, makerId >> 8),
    part: meant(stringAt(structure, DEVICE.part)),
    serial: serialText(stringAt(structure, DEVICE.serial)),
    soldered: solderedOf(form, isLowPower(type?.generation ?? null)),
  };
}

/** Soldered memory is told by its form; low-power memory is soldered too unless its form is a module's. */
function solderedOf(form: { form: string | null; soldered: boolean } | undefined, lowPower: boolean): boolean | null {
  if (form?.soldered || (lowPower && form === undefined)) return true;
  return form === undefined ? null : false;
}

const handleText = (handle: number | null): string | null => (handle === null ? null : String(handle));

function deviceOf(structure: SmbiosStructure): MemoryDevice & { warnings: string[] } {
  const locator = socketName(stringAt(structure, DEVICE.locator));
  const size = sizeOf(structure);
  const installed = size === 'empty' ? null : moduleOf(structure, size);
  const warnings: string[] = [];
  const warn = (what: string): void => {
    warnings.push(`structure at byte ${structure.at}, ${locator ?? 'a slot without a name'}: ${what}`);
  };
  if (size === null) warn('size not told');
  if (installed !== null && installed.rateMTs === null) warn('rate not told');
  const slot = { locator, bank: socketName(stringAt(structure, DEVICE.bank)), installed };
  return { array: handleText(wordOf(structure, DEVICE.array)), slot, warnings };
}

/** Maximum capacity in KiB; 0x80000000 means: in bytes in the extended field (7.17). */
function maxCapacityOf(structure: SmbiosStructure): number | null {
  const kib = dwordOf(structure, ARRAY.maxCapacity) ?? 0;
  if (kib !== 0x80000000) return kib === 0 ? null : Math.floor(kib / KIB_PER_MIB) || null;
  const bytes = qwordOf(structure, ARRAY.extendedMaxCapacity) ?? 0;
  return Math.floor(bytes / BYTES_PER_MIB) || null;
}

function arrayOf(structure: SmbiosStructure): MemoryArray {
  const use = byteOf(structure, ARRAY.use);
  const devices = wordOf(structure, ARRAY.devices);
  return {
    handle: handleText(structure.handle),
    system: use === null || use === SYSTEM_MEMORY_USE,
    slotCount: devices === 0 ? null : devices,
    maxCapacityMiB: maxCapacityOf(structure),
    errorCorrection: ERROR_CORRECTIONS[byteOf(structure, ARRAY.errorCorrection) ?? 0] ?? null,
  };
}

/** Is this CPU there? Bit 6 of its status says so (7.5.4); a structure too short for it is taken to be. */
const populated = (structure: SmbiosStructure): boolean => ((byteOf(structure, 0x18) ?? 0x40) & 0x40) !== 0;

/** Of several boards the one that hosts (feature bit 0, 7.3.1), else the first. */
function mainBoard(boards: readonly SmbiosStructure[]): SmbiosStructure | undefined {
  return boards.find((board) => ((byteOf(board, 0x09) ?? 0) & 1) === 1) ?? boards[0];
}

interface Table {
  bytes: Uint8Array;
  warnings: string[];
}

/** Does a structure begin here, and another behind it? Told by a short walk. */
function beginsTable(dump: Uint8Array, from: number): boolean {
  const { structures } = walkStructures(dump.subarray(from, from + LOOKED_AT), ALL_TYPES);
  return structures.length > 1;
}
const LOOKED_AT = 2048;
const ALL_TYPES: ReadonlySet<number> = new Set(Array.from({ length: 128 }, (_, type) => type));

/**
 * Where the table of a dump lies: at the offset that the entry point names, as dump tools rewrite it; right behind the
 * entry point, as two files put together have it; or behind it on the next 16 bytes.
 */
function tableStart(dump: Uint8Array, named: number | null, entryLength: number): number {
  const aligned = (entryLength + 15) & ~15;
  const places = [named ?? 0, entryLength, aligned, ENTRY_AREA].filter((at) => at >= entryLength && at < dump.length);
  return places.find((at) => beginsTable(dump, at)) ?? Math.min(places[0] ?? aligned, dump.length);
}
/** Dump tools leave so many bytes for the entry point. */
const ENTRY_AREA = 32;

function tableBytes(dump: Uint8Array, named: number | null, length: number | null, entryLength: number): Table {
  const from = tableStart(dump, named, entryLength);
  const left = dump.length - from;
  const warnings: string[] = [];
  if (length !== null && length > left) {
    warnings.push(`truncated: the table should have ${length} bytes, the dump holds ${left} of them`);
  }
  return { bytes: dump.subarray(from, from + Math.min(length ?? left, left)), warnings };
}

const checksum = (dump: Uint8Array, length: number, name: string): string[] =>
  byteSum(dump, 0, length) === 0 ? [] : [`checksum: the ${name} entry point’s bytes do not add up`];

/** The table behind an entry point of either kind, 5.2.1 and 5.2.2. */
function tableOfDump(dump: Uint8Array): Table {
  if (standsAt(dump, 0, '_SM3_')) {
    const length = byteAt(dump, 6) ?? 0x18;
    // The size is a maximum: the table may end before it.
    const table = tableBytes(dump, qwordAt(dump, 16), null, length);
    return { ...table, warnings: [...checksum(dump, length, '64-bit'), ...table.warnings] };
  }
  const length = byteAt(dump, 5) ?? 0x1f;
  const table = tableBytes(dump, dwordAt(dump, 24), wordAt(dump, 22) || null, length);
  // Version 2.1 gives the length as 0x1E by a mistake of the standard's; the check covers 0x1F bytes.
  return { ...table, warnings: [...checksum(dump, Math.max(length, 0x1f), '32-bit'), ...table.warnings] };
}

/** Do these bytes begin with an entry point? */
export const isSmbiosDump = (bytes: Uint8Array): boolean => standsAt(bytes, 0, '_SM_') || standsAt(bytes, 0, '_SM3_');

/**
 * Are these bytes a structure table without an entry point? They are when a walk over them meets its end-of-table
 * structure, or at least a memory device that is long enough, before anything is wrong.
 */
export function isSmbiosTable(bytes: Uint8Array): boolean {
  const [type, length] = bytes;
  if (type === undefined || length === undefined || length < 4 || length > bytes.length) return false;
  const { structures, closed } = walkStructures(bytes, new Set([...WANTED, 127]));
  if (closed && structures.length > 1) return true;
  return structures.some(({ type, length }) => type === TYPE.device && length >= 0x15) && structures.length > 2;
}

/**
 * Reads SMBIOS tables, binary: an entry point (either kind) and the table it leads to, or the table alone (DMTF
 * DSP0134 2.1 to 3.7; structures 0, 1, 2, 4, 16, 17). Never throws; linear; fields past a structure's length are null.
 */
export function readSmbiosBinary(bytes: Uint8Array): Reading {
  const table = isSmbiosDump(bytes) ? tableOfDump(bytes) : { bytes, warnings: [] };
  const { structures, warnings } = walkStructures(table.bytes, WANTED);
  const all = (type: number): SmbiosStructure[] => structures.filter((structure) => structure.type === type);
  const [firmware] = all(TYPE.firmware);
  const [system] = all(TYPE.system);
  const board = mainBoard(all(TYPE.board));
  const said = (structure: SmbiosStructure | undefined, at: number): string | null =>
    structure === undefined ? null : meant(stringAt(structure, at));
  const devices = all(TYPE.device)
    .filter((device) => !STORE_TYPES.has(byteOf(device, DEVICE.type) ?? 0))
    .map(deviceOf);
  const machine = machineOfFacts({
    maker: said(system, 4),
    model: said(system, 5),
    serial: said(system, 7),
    board: { maker: said(board, 4), model: said(board, 5) },
    firmware: { version: said(firmware, 5), date: said(firmware, 8) },
    cpus: all(TYPE.cpu)
      .filter(populated)
      .map((cpu) => ({ name: said(cpu, 0x10), socket: said(cpu, 4) })),
    arrays: all(TYPE.array).map(arrayOf),
    devices,
  });
  const missing = missingSlots(machine, 'dump');
  return {
    format: 'smbios',
    machine,
    warnings: [
      ...table.warnings,
      ...warnings,
      ...devices.flatMap((device) => device.warnings),
      ...(missing === null ? [] : [missing]),
    ],
  };
}
