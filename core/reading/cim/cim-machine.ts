import { type Generation, isLowPower } from '../../memory/generation';
import { printedRate } from '../../memory/printed-rate';
import { meant, socketName } from '../placeholder';
import { NOTHING_TOLD, type ReadMachine, type ReadModule, type ReadSlot } from '../reading';
import { serialText, withSerials } from '../slot-serials';
import { bufferingOfDetail, ERROR_CORRECTIONS, MEMORY_TYPES, SYSTEM_MEMORY_USE } from '../smbios/smbios-codes';
import { sumKnown } from '../sum-known';
import type { CimClass, CimRecord } from './cim-record';

/** DMTF CIM_PhysicalMemory.MemoryType, where it names a generation. Newer ones are told by SMBIOSMemoryType alone. */
const CIM_TYPES: Record<number, Generation> = {
  3: 'SDR',
  17: 'SDR',
  20: 'DDR',
  21: 'DDR2',
  22: 'DDR2',
  24: 'DDR3',
  25: 'DDR2',
  26: 'DDR4',
};

/** DMTF CIM_Chip.FormFactor: modules by name; 14 to 23 are packages of single chips. */
const CIM_FORMS: Record<number, string> = { 7: 'SIMM', 8: 'DIMM', 11: 'RIMM', 12: 'SO-DIMM', 13: 'SO-RIMM' };
const FIRST_CHIP_FORM = 14;
const LAST_CHIP_FORM = 23;

/** Below this a "speed" is no rate in MT/s: the base class of the schema counts it in ns. */
const LEAST_RATE = 66;

type Properties = CimRecord['properties'];

/** A whole number as a property gives it; null for anything else. */
function whole(properties: Properties, name: string): number | null {
  const text = properties.get(name)?.trim() ?? '';
  if (!/^\d{1,16}(\.0+)?$/.test(text)) return null;
  const value = Number(text);
  return Number.isSafeInteger(value) ? value : null;
}

const rate = (properties: Properties, name: string): number | null => {
  const value = whole(properties, name);
  return value === null || value < LEAST_RATE ? null : printedRate(value);
};

const MOST_MILLIVOLTS = 10_000;

function voltagesOf(properties: Properties): number[] | null {
  const known = ['minvoltage', 'maxvoltage', 'configuredvoltage']
    .map((name) => whole(properties, name) ?? 0)
    .filter((mv) => mv > 0 && mv <= MOST_MILLIVOLTS);
  return known.length === 0 ? null : [...new Set(known)].sort((a, b) => a - b);
}

const BYTES_PER_MIB = 1024 * 1024;

function capacityOf(properties: Properties): number | null {
  const mib = (whole(properties, 'capacity') ?? 0) / BYTES_PER_MIB;
  return Number.isInteger(mib) && mib > 0 ? mib : null;
}

function moduleOf(properties: Properties): ReadModule {
  const type = MEMORY_TYPES[whole(properties, 'smbiosmemorytype') ?? -1];
  const formCode = whole(properties, 'formfactor') ?? 0;
  const form = CIM_FORMS[formCode] ?? null;
  const chip = formCode >= FIRST_CHIP_FORM && formCode <= LAST_CHIP_FORM;
  const total = whole(properties, 'totalwidth') || null;
  const data = whole(properties, 'datawidth') || null;
  const ranks = (whole(properties, 'attributes') ?? 0) & 0x0f;
  return {
    ...NOTHING_TOLD,
    capacityMiB: capacityOf(properties),
    generation: type?.generation ?? CIM_TYPES[whole(properties, 'memorytype') ?? -1] ?? null,
    form,
    buffering: type?.fullyBuffered ? 'fully-buffered' : bufferingOfDetail(whole(properties, 'typedetail')),
    ecc: total === null || data === null ? null : total > data,
    rateMTs: rate(properties, 'speed'),
    configuredRateMTs: rate(properties, 'configuredclockspeed'),
    ranks: ranks || null,
    voltagesMv: voltagesOf(properties),
    maker: meant(properties.get('manufacturer')),
    part: meant(properties.get('partnumber')),
    serial: serialText(properties.get('serialnumber')),
    soldered: chip || (isLowPower(type?.generation ?? null) && form === null) ? true : form === null ? null : false,
  };
}

function slotOf(properties: Properties): ReadSlot {
  const locator = socketName(properties.get('devicelocator'));
  const capacity = properties.get('capacity')?.trim();
  const empty = capacity === '0';
  return { locator, bank: socketName(properties.get('banklabel')), installed: empty ? null : moduleOf(properties) };
}

const KIB_PER_MIB = 1024;

/** Capacity of an array in MiB; both properties count KiB, and the wider one holds where the other ran over. */
function arrayCapacity(properties: Properties): number | null {
  const kib = whole(properties, 'maxcapacityex') || whole(properties, 'maxcapacity') || 0;
  return Math.floor(kib / KIB_PER_MIB) || null;
}

/** A CIM date as `2019-03-11`: `20190311000000.000000+000`, or milliseconds since 1970 as some writers of JSON have it. */
function dateText(text: string | null): string | null {
  if (text === null) return null;
  const digits = /^(\d{4})(\d{2})(\d{2})\d{6}\./.exec(text);
  if (digits !== null) return digits.slice(1, 4).join('-');
  const millis = /^\/Date\((\d{1,14})/.exec(text);
  return millis === null ? text : new Date(Number(millis[1])).toISOString().slice(0, 10);
}

function bitsOf(architecture: string | undefined): number | null {
  const found = /(32|64)/.exec(architecture ?? '');
  return found === null ? null : Number(found[1]);
}

/**
 * The machine that CIM instances describe (DMTF CIM schema). The schema knows filled sockets only: a count of sockets
 * above theirs is no damage.
 */
export function machineOfCim(records: readonly CimRecord[]): { machine: ReadMachine; warnings: string[] } {
  const all = (name: CimClass): Properties[] =>
    records.filter(({ cimClass }) => cimClass === name).map(({ properties }) => properties);
  const first = (name: CimClass): Properties => all(name)[0] ?? new Map();
  const [system, board, firmware, os] = [
    first('ComputerSystem'),
    first('BaseBoard'),
    first('BIOS'),
    all('OperatingSystem')[0],
  ];
  const arrays = all('PhysicalMemoryArray').filter((array) => (whole(array, 'use') ?? 3) === SYSTEM_MEMORY_USE);
  const corrections = arrays.map((array) => ERROR_CORRECTIONS[whole(array, 'memoryerrorcorrection') ?? 0] ?? null);
  const slots = withSerials(all('PhysicalMemory').map(slotOf));
  const machine: ReadMachine = {
    maker: meant(system.get('manufacturer')),
    model: meant(system.get('model')),
    serial: meant(firmware.get('serialnumber')),
    board: { maker: meant(board.get('manufacturer')), model: meant(board.get('product')) },
    firmware: { version: meant(firmware.get('smbiosbiosversion')), date: dateText(meant(firmware.get('releasedate'))) },
    cpus: all('Processor').map((cpu) => ({
      name: meant(cpu.get('name')),
      socket: meant(cpu.get('socketdesignation')),
    })),
    os: os === undefined ? null : { name: meant(os.get('caption')), bits: bitsOf(os.get('osarchitecture')) },
    memory: {
      slotCount: sumKnown(arrays.map((array) => whole(array, 'memorydevices') || null)),
      maxCapacityMiB: sumKnown(arrays.map(arrayCapacity)),
      errorCorrection: corrections.find((correction) => correction !== null) ?? null,
      ...visibleOf(system, os),
      slots,
    },
  };
  return { machine, warnings: slots.flatMap(warningsOf) };
}

/** What the operating system can use, MiB: it counts KiB, the system's own class bytes. */
function visibleOf(system: Properties, os: Properties | undefined): { visibleMiB?: number } {
  const kib = os === undefined ? null : whole(os, 'totalvisiblememorysize');
  const bytes = whole(system, 'totalphysicalmemory');
  const mib = kib ? Math.floor(kib / KIB_PER_MIB) : bytes ? Math.floor(bytes / BYTES_PER_MIB) : 0;
  return mib > 0 ? { visibleMiB: mib } : {};
}

function warningsOf({ locator, installed }: ReadSlot): string[] {
  if (installed === null) return [];
  const place = locator ?? 'a slot without a name';
  return [
    ...(installed.capacityMiB === null ? [`${place}: size not told`] : []),
    ...(installed.rateMTs === null ? [`${place}: rate not told`] : []),
  ];
}
