import type { KnownModule } from '../machine/job-slot';
import { NOTHING_KNOWN } from '../machine/job-slot';
import { knownOf } from '../machine/slots-of-reading';
import { GENERATIONS } from '../memory/generation';
import { parseCapacity } from '../memory/parse-capacity';
import { printedRate } from '../memory/printed-rate';
import { readListing } from '../reading/listing';
import type { ColumnRole } from './column-roles';
import { type ListPrice, listPrice } from './list-price';

/** What keeps a row of a price list from being an offer, or makes it worth a look. */
export type RowDoubt =
  | 'no-sku'
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
  | 'kit-capacity';

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
  doubts: RowDoubt[];
}

type Columns = Partial<Record<ColumnRole, number>>;

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

function rateOf(cell: string): number | null {
  const found = /(\d{3,5})/.exec(cell);
  const rate = found === null ? 0 : Number(found[1]);
  return rate >= 66 && rate <= 12_000 ? printedRate(rate) : null;
}

function formOf(cell: string): string | null {
  const text = cell.toLowerCase().replace(/[^a-z]/g, '');
  if (text.includes('sodimm') || text === 'so' || text.includes('laptop')) return 'SO-DIMM';
  return text.includes('dimm') ? 'DIMM' : null;
}

/** What columns of facts say of the module; they say it surer than a title. */
function factsOf(cell: (role: ColumnRole) => string): Partial<KnownModule> {
  const capacity = parseCapacity(cell('capacity'));
  const generation = GENERATIONS.find((one) => one === cell('generation').toUpperCase().replace(/L$/, ''));
  const rate = rateOf(cell('rate'));
  const form = formOf(cell('form'));
  const latency = /(\d{1,2})/.exec(cell('latency'))?.[1];
  return {
    ...(capacity === null ? {} : { capacityMiB: capacity }),
    ...(generation === undefined ? {} : { generation }),
    ...(rate === null ? {} : { rateMTs: rate }),
    ...(form === null ? {} : { form }),
    ...(latency === undefined ? {} : { casLatency: Number(latency) }),
    ...(cell('maker') === '' ? {} : { maker: cell('maker').slice(0, 200) }),
    ...(cell('part') === '' ? {} : { part: cell('part').slice(0, 200) }),
  };
}

/** Facts that a column and a title tell differently. */
function contradict(told: KnownModule, facts: Partial<KnownModule>): boolean {
  return (['generation', 'form', 'rateMTs'] as const).some(
    (field) => facts[field] !== undefined && told[field] !== null && told[field] !== facts[field],
  );
}

interface Pack {
  modules: number;
  capacityMiB: number | null;
  doubtful: boolean;
}

/** How many modules a unit has and how large each is, of a title (`2x8GB`), a count and a capacity beside it. */
function packOf(
  told: { modules: number; capacityMiB: number | null },
  counted: number | null,
  capacity: number | undefined,
): Pack {
  const modules = counted ?? told.modules;
  if (capacity === undefined)
    return {
      modules,
      capacityMiB: told.capacityMiB,
      doubtful: counted !== null && told.modules > 1 && counted !== told.modules,
    };
  // The title says what each module has: the column is that, or the whole kit.
  if (told.capacityMiB !== null) {
    const fits = capacity === told.capacityMiB || capacity === told.capacityMiB * modules;
    return { modules, capacityMiB: told.capacityMiB, doubtful: !fits };
  }
  return { modules, capacityMiB: capacity, doubtful: modules > 1 };
}

const NEEDED: readonly ['capacityMiB' | 'generation' | 'form' | 'rateMTs', RowDoubt][] = [
  ['capacityMiB', 'no-capacity'],
  ['generation', 'no-generation'],
  ['form', 'no-form'],
  ['rateMTs', 'no-rate'],
];

/** Reads one row by its columns. What it does not tell stays null and is a doubt; nothing is guessed. */
export function readRow(cells: readonly string[], columns: Columns, line: number): ListedRow {
  const cell = (role: ColumnRole): string => {
    const at = columns[role];
    return at === undefined ? '' : (cells[at]?.trim() ?? '');
  };
  const title = cell('title');
  const reading = title === '' ? null : readListing(title);
  const told: KnownModule = reading === null ? NOTHING_KNOWN : { ...NOTHING_KNOWN, ...knownOf(reading.module) };
  const facts = factsOf(cell);
  const counted = /^\d{1,2}$/.test(cell('modules')) ? Number(cell('modules')) : null;
  const pack = packOf(
    { modules: reading?.offer.modules ?? 1, capacityMiB: told.capacityMiB },
    counted,
    facts.capacityMiB ?? undefined,
  );
  const module: KnownModule = { ...told, ...facts, capacityMiB: pack.capacityMiB };
  const price = listPrice(cell('price'));
  const doubts: RowDoubt[] = [
    ...(cell('sku') === '' && cell('part') === '' ? (['no-sku'] as const) : []),
    ...(title === '' && pack.capacityMiB === null ? (['no-text'] as const) : []),
    ...(price.ok ? [] : [PRICE_DOUBTS[price.why]]),
    ...NEEDED.flatMap(([field, doubt]) => (module[field] === null ? [doubt] : [])),
    ...(contradict(told, facts) || (reading?.warnings ?? []).some((one) => one.startsWith('contradiction'))
      ? (['contradiction'] as const)
      : []),
    ...(pack.doubtful ? (['kit-capacity'] as const) : []),
  ];
  return {
    line,
    sku: (cell('sku') || cell('part')).slice(0, 80),
    title: (
      title ||
      [module.maker, cell('part'), cell('capacity'), cell('generation'), cell('form')].filter(Boolean).join(' ')
    ).slice(0, 300),
    modules: pack.modules,
    module,
    printedCents: price.ok ? price.cents : null,
    currency: /^[A-Z]{3}$/.test(cell('currency')) ? cell('currency') : price.ok ? price.currency : null,
    stock: stockOf(cell('stock')),
    used: /used|refurb|gebraucht|occasion|grade [a-d]/i.test(cell('condition')) || reading?.offer.condition === 'used',
    doubts,
  };
}
