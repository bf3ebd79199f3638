import { NOTHING_KNOWN } from '../machine/models/nothing-known';
import type { KnownModule } from '../machine/slots/job-slot';
import { knownOf } from '../machine/slots/slots-of-reading';
import { GENERATIONS } from '../memory/generation';
import { parseCapacity } from '../memory/parse-capacity';
import { printedRate } from '../memory/printed-rate';
import type { Origin } from '../planning/model/lanes';
import { mayBeGenuine, saidOrigin } from '../reading/listing/genuine';
import { readListing } from '../reading/listing/listing';
import type { ColumnRole } from './column-roles';
import { type ListPrice, listPrice } from './list-price';
import { modelsCell, originCell } from './origin-cell';
import { textKey } from './text-key';

/** What keeps a row of a price list from being an offer, or makes it worth a look. */
export type RowDoubt =
  | 'no-sku'
  | 'unknown-origin'
  | 'no-text'
  | 'no-price'
  | 'date-price'
  | 'price-not-positive'
  | 'on-request'
  | 'no-capacity'
  | 'no-generation'
  | 'no-form'
  | 'no-rate'
  | 'contradiction'
  | 'kit-capacity'
  | 'pack-size';

/** A row of a price list as an offer, as far as it tells. Money minor units of the seller's currency. */
export interface ListedRow {
  /** line of the file, from 1 */
  line: number;
  sku: string;
  title: string;
  /** equal modules in one unit */
  modules: number;
  module: KnownModule;
  printedCents: number | null;
  currency: string | null;
  /** null: the seller does not say how many */
  stock: number | null;
  used: boolean;
  /** as a column or the seller tells; null: nothing is said of it */
  origin: Origin | null;
  /** whose original it is; empty: nobody says */
  originalOf: string;
  /** machines that it is made for, as written; empty: nobody says, or all of that maker */
  madeFor: string[];
  doubts: RowDoubt[];
}

type Columns = Partial<Record<ColumnRole, number>>;

/** Does a column of capacities hold what one module has, or the whole kit? */
export type CapacityIs = 'module' | 'kit';

/** Which column holds what, and which row of headings it goes by; null: there are none. */
export interface ListColumns {
  headings: number | null;
  columns: Columns;
  /** null or left out: nobody said */
  capacityIs?: CapacityIs | null;
}

const PRICE_DOUBTS: Record<Extract<ListPrice, { ok: false }>['why'], RowDoubt> = {
  empty: 'no-price',
  'no-price': 'no-price',
  date: 'date-price',
  'not-positive': 'price-not-positive',
  'on-request': 'on-request',
};

/** A stock cell: a number as it is, `sold out` as none, `in stock` and `100+` as not told how many. */
export function stockOf(cell: string): number | null {
  const text = cell.trim().toLowerCase();
  if (/^\d{1,6}$/.test(text)) return Number(text);
  return /^(no|n|nein|non|sold out|out of stock|not available|ausverkauft)$/.test(text) ? 0 : null;
}

/** What a row says of where its part comes from. */
type RowOrigin = Pick<ListedRow, 'origin' | 'originalOf' | 'madeFor'> & { isUnknown: boolean };

/** Columns say it surer than a text, and a text surer than whose shop it is. */
function originOf(
  cells: readonly string[],
  columns: Columns,
  title: string,
  { partsOf, used }: OriginGround,
): RowOrigin {
  const cell = cellOf(cells, columns, 'origin');
  const told = cell === '' ? null : originOfCell(cell);
  if (cell !== '' && told === null) return { origin: null, originalOf: '', madeFor: [], isUnknown: true };
  const listed = modelsOfCell(cellOf(cells, columns, 'fits'));
  const maker = cellOf(cells, columns, 'maker').slice(0, 80);
  if (told !== null) {
    const { origin } = told;
    if (origin !== 'original') return { origin, originalOf: '', madeFor: [], isUnknown: false };
    const madeFor = listed.length > 0 ? listed : saidOrigin(title).madeFor;
    return { origin, originalOf: told.maker || partsOf || maker, madeFor, isUnknown: false };
  }
  if (used) return { origin: 'used', originalOf: '', madeFor: [], isUnknown: false };
  const said = partsOf !== '' || mayBeGenuine(title) ? saidOrigin(title) : null;
  if (said?.isGenuine)
    return {
      origin: 'original',
      originalOf: partsOf || maker,
      madeFor: listed.length > 0 ? listed : said.madeFor,
      isUnknown: false,
    };
  if (partsOf !== '' && !said?.isCompatible)
    return { origin: 'original', originalOf: partsOf, madeFor: listed, isUnknown: false };
  return { origin: null, originalOf: '', madeFor: [], isUnknown: false };
}

interface OriginGround {
  /** the maker whose own parts the seller sells; empty: none */
  partsOf: string;
  used: boolean;
}

const MOST_REMEMBERED = 5_000;

/** What a cell says, remembered: the cells of a column say few things over and over. */
function remembering<T>(say: (cell: string) => T): (cell: string) => T {
  const said = new Map<string, T>();
  return (cell) => {
    const known = said.get(cell);
    if (known !== undefined) return known;
    if (said.size >= MOST_REMEMBERED) said.clear();
    const made = say(cell);
    said.set(cell, made);
    return made;
  };
}

const rateOf = remembering((cell) => {
  const found = /(\d{3,5})/.exec(cell);
  const rate = found === null ? 0 : Number(found[1]);
  return rate >= 66 && rate <= 12_000 ? printedRate(rate) : null;
});

const formOf = remembering((cell) => {
  const text = cell.toLowerCase().replace(/[^a-z]/g, '');
  if (text.includes('sodimm') || text === 'so' || text.includes('laptop')) return 'SO-DIMM';
  return text.includes('dimm') ? 'DIMM' : null;
});

const generationOf = remembering(
  (cell) => GENERATIONS.find((one) => one === cell.toUpperCase().replace(/L$/, '')) ?? null,
);

const latencyOf = remembering((cell) => {
  const found = /(\d{1,2})/.exec(cell)?.[1];
  return found === undefined ? null : Number(found);
});

const capacityOf = remembering((cell) => parseCapacity(cell));

const isUsed = remembering((cell) => /used|refurb|gebraucht|occasion|grade [a-d]/i.test(cell));

const originOfCell = remembering(originCell);
const modelsOfCell = remembering(modelsCell);

const isCurrency = (cell: string): boolean => /^[A-Z]{3}$/.test(cell);

function cellOf(cells: readonly string[], columns: Columns, role: ColumnRole): string {
  const at = columns[role];
  return at === undefined ? '' : (cells[at]?.trim() ?? '');
}

type Facts = Partial<KnownModule>;

/** What columns of facts say of the module; they say it surer than a title. */
function factsOf(cells: readonly string[], columns: Columns): Facts {
  const facts: Facts = {};
  const capacity = capacityOf(cellOf(cells, columns, 'capacity'));
  const generation = generationOf(cellOf(cells, columns, 'generation'));
  const rate = rateOf(cellOf(cells, columns, 'rate'));
  const form = formOf(cellOf(cells, columns, 'form'));
  const latency = latencyOf(cellOf(cells, columns, 'latency'));
  const maker = cellOf(cells, columns, 'maker');
  const part = cellOf(cells, columns, 'part');
  if (capacity !== null) facts.capacityMiB = capacity;
  if (generation !== null) facts.generation = generation;
  if (rate !== null) facts.rateMTs = rate;
  if (form !== null) facts.form = form;
  if (latency !== null) facts.casLatency = latency;
  if (maker !== '') facts.maker = maker.slice(0, 200);
  if (part !== '') facts.part = part.slice(0, 200);
  return facts;
}

/** Facts that a column and a title tell differently. */
function contradict(told: KnownModule, facts: Facts): boolean {
  return (
    differs(told.generation, facts.generation) || differs(told.form, facts.form) || differs(told.rateMTs, facts.rateMTs)
  );
}

const differs = <T>(told: T | null, fact: T | null | undefined): boolean =>
  fact !== undefined && fact !== null && told !== null && told !== fact;

/** No pack that is bought has more modules. */
export const MOST_MODULES = 8;

interface Pack {
  modules: number;
  capacityMiB: number | null;
  doubtful: boolean;
}

/**
 * How many modules a unit has and how large each is, of a title (`2x8GB`), a count and a capacity beside it.
 *
 * @param capacityIs what the column of capacities holds, as somebody said; null: it is only sure where the title agrees
 */
function packOf(
  told: { modules: number; capacityMiB: number | null },
  counted: number | null,
  capacity: number | null,
  capacityIs: CapacityIs | null,
): Pack {
  const modules = counted ?? told.modules;
  if (capacity === null) {
    const doubtful = counted !== null && told.modules > 1 && counted !== told.modules;
    return { modules, capacityMiB: told.capacityMiB, doubtful };
  }
  // The title says what each module has: the column is that, or the whole kit.
  if (told.capacityMiB !== null) {
    const fits = capacity === told.capacityMiB || capacity === told.capacityMiB * modules;
    return { modules, capacityMiB: told.capacityMiB, doubtful: !fits };
  }
  if (capacityIs === 'kit') {
    return { modules, capacityMiB: capacity / modules, doubtful: !Number.isInteger(capacity / modules) };
  }
  return { modules, capacityMiB: capacity, doubtful: modules > 1 && capacityIs === null };
}

const NEEDED: readonly ['capacityMiB' | 'generation' | 'form' | 'rateMTs', RowDoubt][] = [
  ['capacityMiB', 'no-capacity'],
  ['generation', 'no-generation'],
  ['form', 'no-form'],
  ['rateMTs', 'no-rate'],
];

const contradicts = (warning: string): boolean => warning.startsWith('contradiction');

/** Everything that keeps a row from being an offer. */
function doubtsOf(
  row: Pick<ListedRow, 'sku' | 'module'> & { hasText: boolean; isUnknownOrigin: boolean },
  price: ListPrice,
  pack: Pack,
  contradicted: boolean,
): RowDoubt[] {
  const doubts: RowDoubt[] = [];
  if (row.sku === '') doubts.push('no-sku');
  if (row.isUnknownOrigin) doubts.push('unknown-origin');
  if (!row.hasText && pack.capacityMiB === null) doubts.push('no-text');
  if (!price.ok) doubts.push(PRICE_DOUBTS[price.why]);
  for (const [field, doubt] of NEEDED) if (row.module[field] === null) doubts.push(doubt);
  if (contradicted) doubts.push('contradiction');
  if (pack.doubtful) doubts.push('kit-capacity');
  if (pack.modules < 1 || pack.modules > MOST_MODULES) doubts.push('pack-size');
  return doubts;
}

/**
 * Reads one row by its columns. What it does not tell stays null and is a doubt; nothing is guessed.
 *
 * @param decimals of the seller's currency (ISO 4217)
 * @param partsOf the maker whose own parts the seller sells; empty: none
 */
export function readRow(
  cells: readonly string[],
  { columns, capacityIs }: ListColumns,
  line: number,
  decimals = 2,
  partsOf = '',
): ListedRow {
  const title = cellOf(cells, columns, 'title');
  const reading = title === '' ? null : readListing(title);
  const told: KnownModule = reading === null ? NOTHING_KNOWN : knownOf(reading.module);
  const facts = factsOf(cells, columns);
  const count = cellOf(cells, columns, 'modules');
  const pack = packOf(
    { modules: reading?.offer.modules ?? 1, capacityMiB: told.capacityMiB },
    /^\d{1,2}$/.test(count) ? Number(count) : null,
    facts.capacityMiB ?? null,
    capacityIs ?? null,
  );
  const module: KnownModule = { ...told, ...facts, capacityMiB: pack.capacityMiB };
  const price = listPrice(cellOf(cells, columns, 'price'), decimals);
  const part = cellOf(cells, columns, 'part');
  const sku = cellOf(cells, columns, 'sku') || part || keyOfText(cells, columns, title);
  const currency = cellOf(cells, columns, 'currency');
  const contradicted = contradict(told, facts) || (reading?.warnings.some(contradicts) ?? false);
  const used = isUsed(cellOf(cells, columns, 'condition')) || reading?.offer.condition === 'used';
  const { isUnknown, ...origin } = originOf(cells, columns, title, { partsOf, used });
  return {
    line,
    sku: sku.slice(0, 80),
    title: (title || titleOf(cells, columns) || sku).slice(0, 300),
    ...origin,
    modules: pack.modules,
    module,
    printedCents: price.ok ? price.cents : null,
    currency: isCurrency(currency) ? currency : price.ok ? price.currency : null,
    stock: stockOf(cellOf(cells, columns, 'stock')),
    used: origin.origin === 'used' || (origin.origin === null && used),
    doubts: doubtsOf({ sku, module, hasText: title !== '', isUnknownOrigin: isUnknown }, price, pack, contradicted),
  };
}

/** Cells that say nothing of what a part is. */
const PASSING_ROLES = ['price', 'stock', 'currency'] as const;

/** What stands for a number where there is none; empty: there is no text either. */
function keyOfText(cells: readonly string[], columns: Columns, title: string): string {
  const text = title || titleOf(cells, columns);
  if (text === '') return '';
  const passing = new Set<number | undefined>(PASSING_ROLES.map((role) => columns[role]));
  return textKey(
    text,
    cells.filter((_, at) => !passing.has(at)),
  );
}

const TITLE_ROLES = ['maker', 'part', 'capacity', 'generation', 'form'] as const;

/** A title for a row that has none: what its columns say. */
function titleOf(cells: readonly string[], columns: Columns): string {
  let title = '';
  for (const role of TITLE_ROLES) {
    const cell = cellOf(cells, columns, role);
    if (cell !== '') title += title === '' ? cell : ` ${cell}`;
  }
  return title;
}
