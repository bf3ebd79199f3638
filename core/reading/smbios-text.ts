import { meant } from './placeholder';
import type { Reading, ReadMachine, ReadModule, ReadSlot } from './reading';
import {
  bitsOf,
  bufferingOf,
  formOf,
  generationOf,
  isLowPower,
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
    capacityMiB: sizeMiB(fields.get('Size')),
    generation: generationOf(type),
    form: formOf(form),
    buffering: bufferingOf(fields.get('Type Detail'), type),
    ecc: eccOf(fields),
    rateMTs: rateOf(fields.get('Speed')),
    configuredRateMTs: rateOf(fields.get('Configured Memory Speed') ?? fields.get('Configured Clock Speed')),
    ranks: /^\d{1,2}$/.test(fields.get('Rank') ?? '') ? Number(fields.get('Rank')) : null,
    deviceWidth: null,
    casLatency: null,
    voltagesMv: voltagesOf(fields),
    heightMm: null,
    maker: meant(fields.get('Manufacturer')),
    makerId:
      /^Bank (\d+), Hex 0x([0-9A-Fa-f]{2})$/
        .exec(fields.get('Module Manufacturer ID') ?? '')
        ?.slice(1, 3)
        .join('-') ?? null,
    part: meant(fields.get('Part Number')),
    serial: meant(fields.get('Serial Number')),
    soldered: isSolderedForm(form) || (isLowPower(type) && formOf(form) === null) ? true : form == null ? null : false,
  };
}

const EMPTY_SIZE = /^(no module installed|not installed|none|0( [kmgt]i?b)?)$/i;

/** One slot of the reading, with what is wrong with it. A device without a size line holds nothing we can tell. */
function slotOf({ fields, line }: TextBlock): { slot: ReadSlot; warnings: string[] } {
  const size = fields.get('Size');
  const locator = meant(fields.get('Locator'));
  const place = `line ${line}, ${locator ?? 'a socket without a name'}`;
  const warnings: string[] = [];
  const empty = size !== undefined && EMPTY_SIZE.test(size);
  const installed = empty ? null : moduleOf(fields);
  if (size === undefined) warnings.push(`truncated: ${place}: no size line`);
  else if (!empty && installed?.capacityMiB == null) warnings.push(`${place}: size not told ("${size.slice(0, 40)}")`);
  if (installed !== null && installed.rateMTs === null) warnings.push(`${place}: rate not told`);
  return { slot: { locator, bank: meant(fields.get('Bank Locator')), installed }, warnings };
}

/** Devices that are memory of the machine, not its firmware's flash. */
function isSystemMemory({ fields }: TextBlock): boolean {
  return !/flash|rom/i.test(fields.get('Type') ?? '') || /ram/i.test(fields.get('Type') ?? '');
}

interface Arrays {
  slotCount: number | null;
  maxCapacityMiB: number | null;
  errorCorrection: string | null;
}

const sumKnown = (values: (number | null)[]): number | null => {
  const known = values.filter((value) => value !== null);
  return known.length === 0 ? null : known.reduce((sum, value) => sum + value, 0);
};

/** Of several arrays only those used as system memory count (DSP0134 7.17, Use). */
function arraysOf(blocks: readonly TextBlock[]): Arrays {
  const arrays = blocks.filter(
    ({ title, fields }) => title === 'Physical Memory Array' && /^(system memory)?$/i.test(fields.get('Use') ?? ''),
  );
  // "None" says something here: no error correction.
  const corrections = arrays
    .map(({ fields }) => fields.get('Error Correction Type') ?? 'Unknown')
    .filter((text) => !/^unknown$/i.test(text));
  const devices = arrays.map(({ fields }) => fields.get('Number Of Devices') ?? '');
  return {
    slotCount: sumKnown(devices.map((text) => (/^\d{1,4}$/.test(text) ? Number(text) : null))),
    maxCapacityMiB: sumKnown(arrays.map(({ fields }) => sizeMiB(fields.get('Maximum Capacity')))),
    errorCorrection: corrections[0] ?? null,
  };
}

function machineOf(blocks: readonly TextBlock[], slots: ReadSlot[]): ReadMachine {
  const first = (title: string): Fields => blocks.find((block) => block.title === title)?.fields ?? new Map();
  const system = first('System Information');
  const board = first('Base Board Information');
  const firmware = first('BIOS Information');
  const cpus = blocks.filter(({ title }) => title === 'Processor Information');
  return {
    maker: meant(system.get('Manufacturer')),
    model: meant(system.get('Product Name')),
    serial: meant(system.get('Serial Number')),
    board: { maker: meant(board.get('Manufacturer')), model: meant(board.get('Product Name')) },
    firmware: { version: meant(firmware.get('Version')), date: meant(firmware.get('Release Date')) },
    cpus: cpus
      .filter(({ fields }) => !/unpopulated/i.test(fields.get('Status') ?? ''))
      .map(({ fields }) => ({ name: meant(fields.get('Version')), socket: meant(fields.get('Socket Designation')) })),
    os: null,
    memory: { ...arraysOf(blocks), slots },
  };
}

/**
 * Reads the printed text of SMBIOS tables (DMTF DSP0134; structures 0, 1, 2, 4, 16, 17) as far as it goes.
 * Never throws; what is missing is null, and warnings name the line.
 */
export function readSmbiosText(text: string): Reading {
  const blocks = textBlocks(text);
  const read = blocks
    .filter(({ title }) => title === 'Memory Device')
    .filter(isSystemMemory)
    .map(slotOf);
  const machine = machineOf(
    blocks,
    read.map(({ slot }) => slot),
  );
  const { slotCount, slots } = machine.memory;
  const warnings = read.flatMap((one) => one.warnings);
  if (slotCount !== null && slotCount > slots.length) {
    warnings.push(`truncated: the board names ${slotCount} sockets, the text describes ${slots.length}`);
  }
  return { format: 'smbios-text', machine, warnings };
}
