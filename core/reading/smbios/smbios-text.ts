import { isLowPower } from '../../memory/generation';
import { meant, socketName } from '../placeholder';
import { NOTHING_TOLD, type Reading, type ReadMachine, type ReadModule } from '../reading';
import { serialText } from '../slot-serials';
import { type MemoryArray, type MemoryDevice, machineOfFacts, missingSlots } from './smbios-machine';
import {
  bitsOf,
  bufferingOf,
  formOf,
  generationOf,
  isSolderedForm,
  millivolts,
  rateOf,
  sizeMiB,
} from './smbios-values';
import { type TextBlock, textBlocks } from './text-blocks';

type Fields = TextBlock['fields'];

/**
 * Lines that such a text has. Blanks are matched within a line only: a pattern that could run over line ends would
 * take time in the square of a text of empty lines.
 */
const LINES = [/^[>| \t]*Memory Device[ \t\r]*$/m, /^[>| \t]*Size[ \t]*:/m, /^[>| \t]*Locator[ \t]*:/m];

/** Is this the printed text of SMBIOS tables? It is when it holds a memory device with a size and a locator. */
export function looksLikeSmbiosText(text: string): boolean {
  return LINES.every((line) => line.test(text));
}

/** Titles of the structures that are read. */
const TITLES: ReadonlySet<string> = new Set([
  'BIOS Information',
  'System Information',
  'Base Board Information',
  'Processor Information',
  'Physical Memory Array',
  'Memory Device',
]);

/** Running and rated voltages of a device, each once, ascending; null where none is printed. */
function voltagesOf(fields: Fields): number[] | null {
  const names = ['Minimum Voltage', 'Maximum Voltage', 'Configured Voltage'];
  const known = names.map((name) => millivolts(fields.get(name))).filter((mv) => mv !== null);
  return known.length === 0 ? null : [...new Set(known)].sort((a, b) => a - b);
}

/** Total width above data width carries check bits (DSP0134 7.18, Total Width and Data Width). */
function eccOf(fields: Fields): boolean | null {
  const total = bitsOf(fields.get('Total Width'));
  const data = bitsOf(fields.get('Data Width'));
  return total === null || data === null ? null : total > data;
}

function moduleOf(fields: Fields): ReadModule {
  const type = fields.get('Type');
  const form = fields.get('Form Factor');
  return {
    ...NOTHING_TOLD,
    capacityMiB: sizeMiB(fields.get('Size')),
    generation: generationOf(type),
    form: formOf(form),
    buffering: bufferingOf(fields.get('Type Detail'), type),
    ecc: eccOf(fields),
    rateMTs: rateOf(fields.get('Speed')),
    configuredRateMTs: rateOf(fields.get('Configured Memory Speed') ?? fields.get('Configured Clock Speed')),
    ranks: /^\d{1,2}$/.test(fields.get('Rank') ?? '') ? Number(fields.get('Rank')) : null,
    voltagesMv: voltagesOf(fields),
    maker: meant(fields.get('Manufacturer')),
    makerId:
      /^Bank (\d+), Hex 0x([0-9A-Fa-f]{2})$/
        .exec(fields.get('Module Manufacturer ID') ?? '')
        ?.slice(1, 3)
        .join('-') ?? null,
    part: meant(fields.get('Part Number')),
    serial: serialText(fields.get('Serial Number')),
    soldered:
      isSolderedForm(form) || (isLowPower(generationOf(type)) && formOf(form) === null)
        ? true
        : form == null
          ? null
          : false,
  };
}

const EMPTY_SIZE = /^(no module installed|not installed|none|0( [kmgt]i?b)?)$/i;

/** One device, with what is wrong with it. A device without a size line holds nothing we can tell. */
function deviceOf({ fields, line }: TextBlock): MemoryDevice & { warnings: string[] } {
  const size = fields.get('Size');
  const locator = socketName(fields.get('Locator'));
  const place = `line ${line}, ${locator ?? 'a slot without a name'}`;
  const warnings: string[] = [];
  const empty = size !== undefined && EMPTY_SIZE.test(size);
  const installed = empty ? null : moduleOf(fields);
  if (size === undefined) warnings.push(`truncated: ${place}: no size line`);
  else if (!empty && installed?.capacityMiB == null) warnings.push(`${place}: size not told ("${size.slice(0, 40)}")`);
  if (installed !== null && installed.rateMTs === null) warnings.push(`${place}: rate not told`);
  const slot = { locator, bank: socketName(fields.get('Bank Locator')), installed };
  return { array: fields.get('Array Handle')?.toLowerCase() ?? null, slot, warnings };
}

/** Devices that are memory of the machine, not its firmware's flash. */
function isSystemMemory({ fields }: TextBlock): boolean {
  return !/flash|rom/i.test(fields.get('Type') ?? '') || /ram/i.test(fields.get('Type') ?? '');
}

/** "None" says something of error correction: that there is none. */
function arrayOf({ handle, fields }: TextBlock): MemoryArray {
  const correction = fields.get('Error Correction Type') ?? 'Unknown';
  const devices = fields.get('Number Of Devices') ?? '';
  return {
    handle,
    system: /^(system memory)?$/i.test(fields.get('Use') ?? ''),
    slotCount: /^\d{1,4}$/.test(devices) ? Number(devices) : null,
    maxCapacityMiB: sizeMiB(fields.get('Maximum Capacity')),
    errorCorrection: /^unknown$/i.test(correction) ? null : correction,
  };
}

function machineOf(blocks: readonly TextBlock[], devices: readonly MemoryDevice[]): ReadMachine {
  const first = (title: string): Fields => blocks.find((block) => block.title === title)?.fields ?? new Map();
  const system = first('System Information');
  const board = first('Base Board Information');
  const firmware = first('BIOS Information');
  const cpus = blocks.filter(({ title }) => title === 'Processor Information');
  return machineOfFacts({
    maker: meant(system.get('Manufacturer')),
    model: meant(system.get('Product Name')),
    serial: meant(system.get('Serial Number')),
    board: { maker: meant(board.get('Manufacturer')), model: meant(board.get('Product Name')) },
    firmware: { version: meant(firmware.get('Version')), date: meant(firmware.get('Release Date')) },
    cpus: cpus
      .filter(({ fields }) => !/unpopulated/i.test(fields.get('Status') ?? ''))
      .map(({ fields }) => ({ name: meant(fields.get('Version')), socket: meant(fields.get('Socket Designation')) })),
    arrays: blocks.filter(({ title }) => title === 'Physical Memory Array').map(arrayOf),
    devices,
  });
}

/**
 * Reads the printed text of SMBIOS tables (DMTF DSP0134; structures 0, 1, 2, 4, 16, 17) as far as it goes.
 * Never throws; what is missing is null, and warnings name the line.
 */
export function readSmbiosText(text: string): Reading & { machine: ReadMachine } {
  const blocks = textBlocks(text, TITLES);
  const devices = blocks
    .filter(({ title }) => title === 'Memory Device')
    .filter(isSystemMemory)
    .map(deviceOf);
  const machine = machineOf(blocks, devices);
  const missing = missingSlots(machine, 'text');
  const warnings = devices.flatMap((device) => device.warnings);
  return { format: 'smbios-text', machine, warnings: missing === null ? warnings : [...warnings, missing] };
}
