import type { Reading, ReadMachine, ReadModule } from '../reading';
import { UNTOLD_MACHINE } from '../reading';
import { readCimText } from './cim-text';
import { rowsOf } from './columns';
import { fieldOf, type TextFieldName } from './field-words';
import { kernelMemory } from './kernel-memory';
import { machineOfBlocks } from './machine-words';
import { type ListedSlot, slotsOfBlocks } from './module-blocks';
import { type Block, blocksOf } from './pairs';
import { readPanel, withPanel } from './panel';
import { slotsOfLines, withShared } from './slot-lines';
import { readTreeText } from './tree-text';
import { generationIn, toldRateOf } from './values';

/** Texts longer than this are looked at as far as this: reports of a system are far shorter. */
const MOST_CHARACTERS = 300_000;

const told = (machine: ReadMachine, warnings: string[] = []): Reading => ({
  format: 'machine-text',
  machine,
  warnings,
});

/** A rate that could be read is worth nothing without its size, and the other way round: what is missing is named. */
function warningsOf({ memory }: ReadMachine): string[] {
  return memory.slots.flatMap(({ locator, installed }, index) => {
    if (installed === null) return [];
    const place = locator ?? `slot ${index + 1}`;
    return [
      ...(installed.capacityMiB === null ? [`${place}: size not told`] : []),
      ...(installed.rateMTs === null && installed.configuredRateMTs === null ? [`${place}: rate not told`] : []),
    ];
  });
}

const filledOf = (slots: readonly ListedSlot[]): number => slots.filter(({ installed }) => installed !== null).length;

/** What a screen says of all its memory: its generation and the rate that it runs at. */
function sharedBy(blocks: readonly Block[]): Pick<ReadModule, 'generation' | 'configuredRateMTs'> {
  const ofMemory = blocks.flatMap(({ pairs }) => pairs).filter(({ key }) => MEMORY_KEY.test(key));
  const values = (...fields: readonly TextFieldName[]): string[] =>
    ofMemory.filter(({ key }) => fields.includes(fieldOf(key) ?? 'os')).map(({ value }) => value);
  const generation = values('type').map(generationIn)[0] ?? null;
  const [rate] = values('configured', 'speed').map((value) => toldRateOf(value, generation));
  return { generation, configuredRateMTs: rate ?? null };
}

/** Keys of a screen that are about its memory and nothing else. */
const MEMORY_KEY = /memory|ram|speicher|memoire|memoria|geheugen|dimm/;
/** Keys of data that are about what a machine is sold with. */
const SOLD_KEY =
  /graphics|grafik|display|bildschirm|storage|festplatte|drive|battery|akku|weight|gewicht|warranty|price|preis|wireless|wlan|max|support/;

/** A screen of the firmware: what is installed, and how fast or what kind it is, and nothing of what is sold. */
function isFirmwareScreen(blocks: readonly Block[]): boolean {
  const keys = blocks.flatMap(({ pairs }) => pairs.map(({ key }) => key));
  const rated = keys.some(
    (key) => MEMORY_KEY.test(key) && ['speed', 'configured', 'type'].includes(fieldOf(key) ?? ''),
  );
  const isInstalled = keys.some((key) => /install|system memory/.test(key) && fieldOf(key) === 'installed');
  return rated && isInstalled && keys.length <= 40 && !keys.some((key) => SOLD_KEY.test(key));
}

/** Blocks of keys and values, or rows under columns: sockets, modules, and what is said of the machine. */
function readBlocks(text: string): Reading | null {
  const blocks = blocksOf(text);
  const listed = slotsOfBlocks(blocks);
  const rows = slotsOfBlocks(rowsOf(text));
  const inTables = filledOf(rows) > 0 && filledOf(rows) >= filledOf(listed) ? rows : listed;
  const inLines = slotsOfLines(text);
  const isInLines = filledOf(inLines) > filledOf(inTables);
  const slots = isInLines ? withShared(inLines, sharedBy(blocks)) : inTables;
  // Lines of slots are no blocks of their own.
  const { machine, told: fields } = machineOfBlocks(blocks, new Set(isInLines ? [] : slots.map(({ line }) => line)));
  const panel = readPanel(text);
  const filled = slots.filter(({ installed }) => installed !== null);
  if (filled.length === 0 && panel !== null)
    return told(withPanel(machine, panel), warningsOf(withPanel(machine, panel)));
  if (filled.length > 0) {
    const whole = { ...machine, memory: { ...machine.memory, slots: slots.map(({ line: _, ...slot }) => slot) } };
    return told(whole, warningsOf(whole));
  }
  // A summary: it says of itself which system it is of, or how much of its memory it can use.
  const own = [
    'system-maker',
    'system-model',
    'os',
    'cpu',
    'visible',
    'installed',
    'firmware',
    'system-type',
    'board-model',
  ] as const;
  // An overview tells the rate that its memory runs at.
  const isRated = /\d ?(?:MHz|MT\/s)/i.test(
    blocks.flatMap(({ pairs }) => pairs).find(({ key }) => fieldOf(key) === 'installed')?.value ?? '',
  );
  const said = own.filter((field) => fields.has(field)).length;
  const isSummary =
    (fields.has('visible') || (fields.has('installed') && (said >= 3 || isRated))) &&
    (said >= 2 || machine.memory.visibleMiB !== undefined);
  return isSummary || isFirmwareScreen(blocks) ? told(machine) : null;
}

/**
 * Reads what a system prints or shows of itself as text: lists of CIM classes, hardware trees, tables of slots, performance
 * panels, memory information of the kernel, inspectors' reports and summaries. What they do not say is null. Null: it is none
 * of these. Never throws; linear in the text.
 */
export function readMachineText(input: string): Reading | null {
  const text = input.slice(0, MOST_CHARACTERS);
  const cim = readCimText(text);
  if (cim !== null) return told(cim.machine, cim.warnings);
  const tree = readTreeText(text);
  if (tree !== null) return tree;
  const visibleMiB = kernelMemory(text);
  if (visibleMiB !== null) return told({ ...UNTOLD_MACHINE, memory: { ...UNTOLD_MACHINE.memory, visibleMiB } });
  return text.trim().includes('\n') || /[·•|,]/.test(text) ? readBlocks(text) : null;
}
