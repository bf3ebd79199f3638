import { GENERATIONS, type Generation, isLowPower } from '../../memory/generation';
import type { Buffering } from '../../memory/module';
import { printedRate } from '../../memory/printed-rate';
import { objectsIn, type ParsedJson } from '../bytes/parse-json';
import { meant, socketName } from '../placeholder';
import { NOTHING_TOLD, type Reading, type ReadMachine, type ReadModule, type ReadSlot } from '../reading';
import { serialText, withSerials } from '../slot-serials';
import { bufferingOf } from '../smbios/smbios-values';

type Node = Record<string, unknown>;

const textOf = (node: Node | undefined, name: string): string | null => {
  const value = node?.[name];
  return typeof value === 'string' ? meant(value.slice(0, 256)) : null;
};

const numberOf = (node: Node | undefined, name: string): number | null => {
  const value = node?.[name];
  const number = typeof value === 'string' && /^\d{1,15}$/.test(value) ? Number(value) : value;
  return typeof number === 'number' && Number.isFinite(number) && number > 0 ? number : null;
};

const hasClass = (node: Node, name: string): boolean => node.class === name;
const idIs = (node: Node, name: string): boolean =>
  typeof node.id === 'string' && (node.id === name || node.id.startsWith(`${name}:`));

const BYTES_PER_MIB = 1024 * 1024;
const HZ_PER_MHZ = 1_000_000;

function mibOf(bytes: number | null): number | null {
  const mib = (bytes ?? 0) / BYTES_PER_MIB;
  return Number.isInteger(mib) && mib > 0 ? mib : null;
}

const FORM_WORDS: readonly { words: RegExp; form: string | null; soldered: boolean }[] = [
  { words: /\bSO-?DIMM\b/i, form: 'SO-DIMM', soldered: false },
  { words: /\bRow of chips\b/i, form: null, soldered: true },
  { words: /^(Chip|Die)\b/i, form: null, soldered: true },
  { words: /\bCAMM2?\b/i, form: 'CAMM2', soldered: false },
  { words: /\b(FB-)?DIMM\b/i, form: 'DIMM', soldered: false },
];

function generationOf(description: string): Generation | null {
  const found = /\b(?:LP)?DDR[2-5]?X?\b/i.exec(description)?.[0].toUpperCase();
  const name = found ?? (/\bSDRAM\b/i.test(description) ? 'SDR' : null);
  return GENERATIONS.find((one) => one === name) ?? null;
}

function bufferingIn(description: string): Buffering | null {
  return bufferingOf(description, /FB-DIMM/i.test(description) ? 'FB-DIMM' : undefined);
}

function moduleOf(node: Node): ReadModule {
  const description = textOf(node, 'description') ?? '';
  const generation = generationOf(description);
  const form = FORM_WORDS.find(({ words }) => words.test(description));
  const described = /\b(\d{2,5}) MHz\b/.exec(description)?.[1];
  const clock = Math.round((numberOf(node, 'clock') ?? 0) / HZ_PER_MHZ);
  const running = clock > 0 ? printedRate(clock) : null;
  const rated = described === undefined ? running : printedRate(Number(described));
  return {
    ...NOTHING_TOLD,
    capacityMiB: mibOf(numberOf(node, 'size')),
    generation,
    form: form?.form ?? null,
    buffering: bufferingIn(description),
    rateMTs: rated,
    // The clock tells of its own only where the description names another rate.
    configuredRateMTs: running !== null && running !== rated ? running : null,
    maker: textOf(node, 'vendor'),
    part: textOf(node, 'product'),
    serial: serialText(typeof node.serial === 'string' ? node.serial.slice(0, 256) : null),
    soldered:
      form?.soldered || (isLowPower(generation) && form === undefined) ? true : form === undefined ? null : false,
  };
}

function slotOf(node: Node): ReadSlot {
  const description = typeof node.description === 'string' ? node.description : '';
  const empty = /\[empty\]/i.test(description) || numberOf(node, 'size') === null;
  const bank = typeof node.id === 'string' ? node.id.slice(0, 60) : null;
  return {
    locator: typeof node.slot === 'string' ? socketName(node.slot.slice(0, 256)) : null,
    bank,
    installed: empty ? null : moduleOf(node),
  };
}

/** Error correction of a memory node, in the words of DSP0134 7.17.3 where it says one. */
function correctionOf(memory: Node | undefined): string | null {
  const configuration = memory?.configuration;
  if (typeof configuration !== 'object' || configuration === null) return null;
  const said = (configuration as Node).errordetection;
  if (typeof said !== 'string') return null;
  if (/multi/i.test(said)) return 'Multi-bit ECC';
  return /ecc/i.test(said) ? 'Single-bit ECC' : /none/i.test(said) ? 'None' : null;
}

/** Banks above this many are not read. */
const MOST_BANKS = 4096;

/**
 * Reads a hardware listing as JSON: a tree of nodes with `class`, `id` and `children`, memory in nodes of class
 * `memory` with ids `bank:0` and on. Every socket stands there, empty ones too. Null: there is no bank in it.
 */
export function readHardwareTree({ value, cut }: ParsedJson): Reading | null {
  const nodes: Node[] = [];
  for (const { object } of objectsIn(value)) if (typeof object.class === 'string') nodes.push(object);
  const memories = nodes.filter((node) => hasClass(node, 'memory'));
  const banks = memories.filter((node) => idIs(node, 'bank')).slice(0, MOST_BANKS);
  if (banks.length === 0) return null;
  const system = nodes.find((node) => hasClass(node, 'system'));
  const board = nodes.find((node) => idIs(node, 'core'));
  const firmware = memories.find((node) => idIs(node, 'firmware'));
  const memory = memories.find((node) => idIs(node, 'memory') && Array.isArray(node.children));
  const cpus = nodes.filter((node) => hasClass(node, 'processor') && node.disabled !== true);
  const largest = mibOf(numberOf(memory, 'capacity'));
  const machine: ReadMachine = {
    maker: textOf(system, 'vendor'),
    model: textOf(system, 'product'),
    serial: textOf(system, 'serial'),
    board: { maker: textOf(board, 'vendor'), model: textOf(board, 'product') },
    firmware: { version: textOf(firmware, 'version'), date: textOf(firmware, 'date') },
    cpus: cpus.map((cpu) => ({ name: textOf(cpu, 'product'), socket: textOf(cpu, 'slot') })),
    os: null,
    memory: {
      slotCount: cut ? null : banks.length,
      maxCapacityMiB: largest,
      errorCorrection: correctionOf(memory),
      slots: withSerials(banks.map(slotOf)),
    },
  };
  const rates = machine.memory.slots.filter(({ installed }) => installed !== null && installed.rateMTs === null);
  const warnings = rates.map(({ locator, bank }) => `${locator ?? bank ?? 'a bank'}: rate not told`);
  return {
    format: 'hardware-tree',
    machine,
    warnings: cut ? ['truncated: the text ends before its last bracket', ...warnings] : warnings,
  };
}
