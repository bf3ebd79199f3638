import { MIB_PER_GB } from '../../memory/capacity';
import type { ListingNotes } from './listing-notes';
import { type ListingText, probe } from './listing-text';

const UNITS: Record<string, number> = { m: 1, g: MIB_PER_GB, t: MIB_PER_GB * 1024 };
/** A unit may be glued to the word behind it: `16GBDDR4`. */
const UNIT =
  '(?<unit>gigabytes?|gigs?|megabytes?|gib|gb|go|mib|mb|mo|tb|g)(?:(?![a-z0-9]|(?<=g)[/ ]?s(?![a-z]))|(?=ddr|pc[2-5l]|so-?dimm|u?dimm))';
const SIZE = '(?<size>\\d{1,6}(?:[.,]5)?)';
const FIRST_SIZE = '(?<size>\\d(?<![\\d.,a-z]\\d)\\d{0,5}(?:[.,]5)?)';

const NOT_MEMORY =
  /(?<![\d.,a-z])\d{1,4} ?(?:gb|tb|go|to) ?(?:pcie |sata |m\.2 )?(?:ssd|nvme|hdd|emmc|storage|vram|graphics|gddr\d|disk|drive)(?![a-z])/g;
const STORAGE_WORDS = ['ssd', 'nvme', 'hdd', 'emmc', 'storage', 'vram', 'graphics', 'gddr', 'disk', 'drive'].map(probe);
const MOST_WORDS = ['up to', 'upto', 'max', 'support'].map(probe);
const GBIT = probe('gbit');
const AT_MOST =
  /(?<![\d.,a-z])\d{1,4} ?(?:gb|tb) max(?:imum)?(?![a-z])|(?:up ?to|max(?:imum)?\.?:?|supports?) \d{1,4} ?(?:gb|tb)(?: (?:total|max))?(?![a-z0-9])/g;
const CHIPS = /(?<![\d.,a-z])\d{1,3} ?gbit(?![a-z])/g;

const SPLIT = [
  new RegExp(`(?<![\\d.,a-z])(?<count>\\d{1,2}) ?(?:pcs ?)?[x*] ?${SIZE} ?${UNIT}`, 'g'),
  /(?<![\d.,a-z])(?<size>\d{1,4}(?:[.,]5)?) ?(?<unit>gb|mb|g|go|mo) ?[x*] ?(?<count>\d{1,2})(?: ?(?:pcs|pieces|modules|sticks))?(?![a-z0-9])/g,
];
const TIMES = ['x', '*'].map(probe);
const SINGLE = new RegExp(`${FIRST_SIZE}[ -]?${UNIT}`, 'g');

/** Counts that part the capacity before them: `16GB Kit of 2`. */
const KIT_COUNTS = [
  /(?<![a-z])kit (?:of |\( ?)?(?<count>\d{1,2})(?: ?\))?(?!\d|[.,]\d|[a-z]| ?[x*]| ?(?:gb|mb))/g,
  /(?<![\d.,a-z])(?<count>[2-9])[ -]?(?:er|piece|pc|pcs|module|modules|stick|sticks|dimm)?[ -]?(?:kit|set)(?![a-z])/g,
  /(?<![a-z])kit ?[x*] ?(?<count>[2-9])(?![\d.,a-z])/g,
];
const KIT_WORDS: readonly { words: RegExp; count: number }[] = [
  { words: /(?<![a-z])dual[ -]channel (?:memory )?kit(?![a-z])/g, count: 2 },
  { words: /(?<![a-z])triple[ -]channel (?:memory )?kit(?![a-z])/g, count: 3 },
  { words: /(?<![a-z])quad[ -]channel (?:memory )?kit(?![a-z])/g, count: 4 },
];
/** Counts of modules of the capacity that stands beside them: `2 pcs`, `lot of 10`. */
const PIECES = [
  /(?<![a-z])(?:lot|pack|set|bundle|box) of (?<count>\d{1,3})(?![\d.,]| ?[x*])/g,
  /(?<![a-z])(?:qty|quantity)[ .:]{0,2}(?<count>\d{1,3})(?![\d.,])/g,
  /(?<![\d.,a-z])(?<count>\d{1,3})[ -]?(?:pcs|pieces|piece|units?|sticks?|pack)(?: of)?(?![a-z])/g,
  /(?<![\d.,a-z])(?<count>[2-9]) ?x(?= (?!\d))/g,
];
/** `SODIMM x2`. Four and eight may as well be the width of the chips. */
const TRAILING = /x(?<=[a-z~)] ?x) ?(?<count>[2-9])(?!\d|[.,]\d|[a-z])/g;
const WIDTHS: ReadonlySet<number> = new Set([4, 8]);
const PAIR = /(?<![a-z])(?:matched )?pair(?: of)?(?![a-z])/g;
const MODULES_BEFORE = /(?<![\d.,a-z])(?<count>[2-9]) (?:x )?modules?(?: of)?(?= ?\d{1,4} ?(?:gb|mb))/g;
const MODULES = /(?<![\d.,a-z])(?<count>[1-9]) (?:x )?modules?(?![a-z])/g;
/** The capacity beside it is that of one module. */
const EACH =
  /(?<![a-z])(?:each|apiece|per (?:module|stick|dimm)|jeweils|je modul|chacune?s?|cada un[ao]|ciascun[oa]|elk|cada)(?![a-z])/g;
const KIT = /(?<![a-z])(?:kit|bundle)(?![a-z])/g;

function mibOf(groups: Record<string, string | undefined> | undefined): number {
  const unit = (groups?.unit ?? 'g')[0] ?? 'g';
  return Number((groups?.size ?? '').replace(',', '.')) * (UNITS[unit] ?? 0);
}

/** Capacities that modules are made in: powers of two, and one and a half of them (24, 48, 96 GB). */
export function isModuleCapacity(mib: number): boolean {
  if (!Number.isInteger(mib) || mib < 16 || mib > 1024 * MIB_PER_GB) return false;
  return Number.isInteger(Math.log2(mib)) || (mib >= 12 * MIB_PER_GB && Number.isInteger(Math.log2(mib / 1.5)));
}

/** Capacities, kit splits and counts of a title. */
export function readCapacities(text: ListingText, notes: ListingNotes): void {
  if (text.hasAny(STORAGE_WORDS)) text.each(NOT_MEMORY, () => true);
  if (text.hasAny(MOST_WORDS)) text.each(AT_MOST, () => true);
  if (text.has(GBIT)) text.each(CHIPS, () => true);
  for (const pattern of text.hasAny(TIMES) ? SPLIT : []) {
    text.each(pattern, (match, span) => {
      const mib = mibOf(match.groups);
      const count = Number(match.groups?.count);
      if (!isModuleCapacity(mib) || count < 1) return false;
      notes.note('capacityMiB', mib, span);
      notes.note('modules', count, span);
      return true;
    });
  }
  if (text.has(MODULE)) text.each(MODULES_BEFORE, (match, span) => note(notes, 'pieces', match, span));
  text.each(SINGLE, (match, span) => {
    const mib = mibOf(match.groups);
    if (!Number.isInteger(mib) || mib < 16) return false;
    notes.note('printedMiB', mib, span);
    return true;
  });
  readCounts(text, notes);
}

function note(
  notes: ListingNotes,
  field: string,
  match: RegExpExecArray,
  span: { start: number; end: number },
): boolean {
  const count = Number(match.groups?.count);
  if (count < 1) return false;
  notes.note(field, count, span);
  return true;
}

const CHANNEL = probe('channel');
const MODULE = probe('module');
const COUNT_WORDS = [
  'module',
  'kit',
  'set',
  'lot',
  'pack',
  'bundle',
  'box',
  'q',
  'piece',
  'pcs',
  'unit',
  'stick',
  'x',
  'pair',
].map(probe);
const EACH_WORDS = ['each', 'apiece', 'per', 'je', 'cha', 'cada', 'cia', 'elk'].map(probe);

function readCounts(text: ListingText, notes: ListingNotes): void {
  if (!text.hasAny(COUNT_WORDS)) return;
  for (const { words, count } of text.has(CHANNEL) ? KIT_WORDS : []) {
    text.each(words, (_match, span) => {
      notes.note('kitOf', count, span);
      return true;
    });
  }
  if (text.hasAny(EACH_WORDS)) {
    text.each(EACH, (_match, span) => {
      notes.note('each', true, span);
      return true;
    });
  }
  for (const pattern of KIT_COUNTS) text.each(pattern, (match, span) => note(notes, 'kitOf', match, span));
  for (const pattern of PIECES) text.each(pattern, (match, span) => note(notes, 'pieces', match, span));
  text.each(PAIR, (_match, span) => {
    notes.note('pieces', 2, span);
    return true;
  });
  text.each(MODULES, (match, span) => note(notes, 'kitOf', match, span));
  text.each(TRAILING, (match, span) => {
    const count = Number(match.groups?.count);
    notes.note(WIDTHS.has(count) ? 'doubtfulCount' : 'pieces', count, span);
    return true;
  });
  text.each(KIT, (_match, span) => {
    notes.note('kit', true, span);
    return true;
  });
}

export interface Pack {
  capacityMiB: number | null;
  modules: number | null;
}

const UNTOLD: Pack = { capacityMiB: null, modules: null };

/** One module's capacity and how many there are, from all that a title says of both; what does not add up is null. */
export function packOf(notes: ListingNotes): Pack {
  const splits = notes.said<number>('capacityMiB');
  return splits.length > 0 ? packOfSplit(notes) : packOfPrinted(notes);
}

function packOfSplit(notes: ListingNotes): Pack {
  const each = notes.agreed<number>('capacityMiB', 'capacity');
  const modules = notes.agreed<number>('modules', 'the number of modules');
  const [split] = notes.said<number>('capacityMiB');
  if (each === null || modules === null || split === undefined) return UNTOLD;
  const odd = notes.said<number>('printedMiB').find(({ value }) => value !== each && value !== each * modules);
  if (odd !== undefined) {
    notes.contradiction(odd, split, 'capacity');
    return UNTOLD;
  }
  const counted = notes.said<number>('kitOf').find(({ value }) => value !== modules);
  if (counted !== undefined && modules > 1) {
    notes.contradiction(split, counted, 'the number of modules');
    return { capacityMiB: each, modules: null };
  }
  const pieces = notes.said<number>('pieces').at(0)?.value;
  return { capacityMiB: each, modules: modules === 1 && pieces !== undefined ? pieces : modules };
}

/** A capacity without a split: alone, with a count beside it, or as total and module of a kit. */
function packOfPrinted(notes: ListingNotes): Pack {
  const sizes = notes.values<number>('printedMiB').sort((a, b) => a - b);
  const [small, large] = sizes;
  if (small === undefined || sizes.length > 2) return UNTOLD;
  const kitOf = notes.agreed<number>('kitOf', 'the number of modules');
  const isKit = notes.has('kit') || kitOf !== null;
  const pieces = notes.values<number>('pieces');
  const named = pieces[0] ?? kitOf;
  if (large !== undefined) {
    const count = large / small;
    const fits = Number.isInteger(count) && (isKit || named === count) && (named === null || named === count);
    if (fits && isModuleCapacity(small)) return { capacityMiB: small, modules: count };
    const [first, second] = [small, large].map((mib) =>
      notes.said<number>('printedMiB').find(({ value }) => value === mib),
    );
    if (first !== undefined && second !== undefined) notes.contradiction(first, second, 'capacity');
    return UNTOLD;
  }
  const count = kitOf ?? pieces[0] ?? null;
  if (count !== null && notes.has('each') && isModuleCapacity(small)) return { capacityMiB: small, modules: count };
  if (kitOf !== null && kitOf > 1) {
    return isModuleCapacity(small / kitOf)
      ? { capacityMiB: small / kitOf, modules: kitOf }
      : { ...UNTOLD, modules: kitOf };
  }
  if (pieces.length > 0) return isModuleCapacity(small) ? { capacityMiB: small, modules: pieces[0] ?? null } : UNTOLD;
  if (isKit && kitOf === null) {
    notes.warnings.push('a kit whose split is not told: the capacity of one module is not known');
    return UNTOLD;
  }
  if (!isModuleCapacity(small)) return UNTOLD;
  return { capacityMiB: small, modules: notes.has('doubtfulCount') ? null : 1 };
}
