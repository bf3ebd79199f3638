import type { z } from 'zod';
import { capacityText } from '../../memory/capacity';
import { BUFFERINGS, type Kind } from '../../memory/module';
import { kindWords } from '../../memory/module-words';
import { parseCapacity } from '../../memory/parse-capacity';
import type { LimitName } from '../limits/limit';
import {
  type CpuChoice,
  type FullModel,
  type LibrarySlot,
  type ModelClaim,
  type ModelInput,
  modelSchema,
  SLOT_PLACES,
} from './model';
import { NOTHING_KNOWN } from './nothing-known';

/**
 * Columns of a library as CSV: one row a model and source; rows of one maker, name and first year are one model. What
 * they do not hold (load rules, trials, tested parts, factory options, opening steps) is kept by the JSON form alone.
 */
export const LIBRARY_COLUMNS = [
  'maker',
  'family',
  'name',
  'kind',
  'year_from',
  'year_to',
  'model_ids',
  'board_ids',
  'product_strings',
  'serial_prefixes',
  'cpus',
  'firmware',
  'slots',
  'note',
  'source_kind',
  'source',
  'generation',
  'form',
  'kinds',
  'volts',
  'total',
  'module',
  'rates',
  'pairing',
  'fill_order',
] as const;
export type LibraryColumn = (typeof LIBRARY_COLUMNS)[number];
export type LibraryRow = Partial<Record<LibraryColumn, string>>;

export type RowModel = { ok: true; model: FullModel } | { ok: false; sentence: string };

/** A cell that cannot be read; its message is what is said of the row. */
export class WrongCell extends Error {}

const listOf = (cell = ''): string[] =>
  cell
    .split(';')
    .map((part) => part.trim())
    .filter((part) => part !== '');

function capacity(text: string, column: string): number {
  const mib = parseCapacity(text);
  if (mib === null) throw new WrongCell(`${column}: "${text}" is no capacity such as 16 GB`);
  return mib;
}

function wholeOf(text: string, column: string): number {
  if (!/^\d{1,6}$/.test(text.trim())) throw new WrongCell(`${column}: "${text}" is no whole number`);
  return Number(text);
}

/** `Merle 4300 (64 GB, 2400 MT/s)` */
export function cpuOf(text: string): CpuChoice {
  const found = /^([^()]+?)\s*(?:\(([^()]*)\))?$/.exec(text);
  if (found === null) throw new WrongCell(`cpus: "${text}" is not written as NAME (64 GB, 2400 MT/s)`);
  const cpu: CpuChoice = { name: found[1] ?? '', maxMiB: null, maxRateMTs: null };
  for (const part of (found[2] ?? '').split(',').map((one) => one.trim())) {
    if (part === '') continue;
    const rate = /^(\d+)\s*MT\/s$/i.exec(part);
    if (rate === null) cpu.maxMiB = capacity(part, 'cpus');
    else cpu.maxRateMTs = Number(rate[1]);
  }
  return cpu;
}

export const cpuText = ({ name, maxMiB, maxRateMTs }: CpuChoice): string => {
  const facts = [maxMiB === null ? '' : capacityText(maxMiB), maxRateMTs === null ? '' : `${maxRateMTs} MT/s`];
  const known = facts.filter((fact) => fact !== '').join(', ');
  return known === '' ? name : `${name} (${known})`;
};

type SlotInput = NonNullable<ModelInput['slots']>[number];

/** `A2`, a letter for the channel and a number for the bank; `ON@A/1 (soldered 8 GB)`; `A2 (lid 1, max 16 GB, door)`. */
export function slotOf(text: string): SlotInput {
  const found = /^([^@()]+?)(?:@([^@/()]+)\/(\d{1,2}))?\s*(?:\(([^()]*)\))?$/.exec(text);
  if (found === null) throw new WrongCell(`slots: "${text}" is not written as A1 or NAME@CHANNEL/BANK`);
  const [, name = '', channel, bank, facts = ''] = found;
  const plain = /^([A-Z])(\d{1,2})$/.exec(name);
  if (channel === undefined && plain === null) {
    throw new WrongCell(`slots: "${name}" does not tell its channel: write ${name}@CHANNEL/BANK`);
  }
  const slot: Record<string, unknown> = {
    name,
    channel: channel?.trim() ?? plain?.[1],
    bank: Number(bank ?? plain?.[2]),
  };
  for (const fact of facts.split(',').map((one) => one.trim())) {
    const [word = '', ...rest] = fact.split(' ');
    const value = rest.join(' ');
    if (fact === '') continue;
    if (word === 'lid' && value !== '') slot.lidName = value;
    else if (word === 'latch' && value !== '') slot.latch = value;
    else if (word === 'max') slot.maxMiB = capacity(value, 'slots');
    else if (word === 'soldered' && value !== '')
      slot.soldered = { ...NOTHING_KNOWN, capacityMiB: capacity(value, 'slots') };
    else if ((SLOT_PLACES as readonly string[]).includes(fact)) slot.place = fact;
    else throw new WrongCell(`slots: "${fact}" of ${name} is not understood`);
  }
  return slot as never;
}

export function slotText({ name, channel, bank, maxMiB, lidName, place, latch, soldered }: LibrarySlot): string {
  const where = name === `${channel}${bank}` && /^[A-Z]$/.test(channel) ? name : `${name}@${channel}/${bank}`;
  const facts = [
    lidName === null ? '' : `lid ${lidName}`,
    maxMiB === null ? '' : `max ${capacityText(maxMiB)}`,
    soldered?.capacityMiB == null ? '' : `soldered ${capacityText(soldered.capacityMiB)}`,
    place ?? '',
    latch === null ? '' : `latch ${latch}`,
  ].filter((fact) => fact !== '');
  return facts.length === 0 ? where : `${where} (${facts.join(', ')})`;
}

function kindOf(text: string): Kind {
  const words = text.toLowerCase().split(/\s+/);
  const ecc = words.includes('ecc');
  const [buffering = 'unbuffered', ...more] = words.filter((word) => word !== 'ecc');
  const known = BUFFERINGS.find((one) => one === buffering);
  if (known === undefined || more.length > 0) throw new WrongCell(`kinds: "${text}" is no kind such as registered ECC`);
  return { buffering: known, ecc };
}

const kindText = ({ buffering, ecc }: Kind): string =>
  kindWords(buffering, ecc) === 'ECC' ? 'unbuffered ECC' : kindWords(buffering, ecc) || 'unbuffered';

interface ClaimColumn {
  column: LibraryColumn;
  limit: LimitName;
  read: (cell: string) => unknown;
  write: (value: never) => string;
}

/** Which column holds which limit, and how it is written there. */
const CLAIM_COLUMNS: readonly ClaimColumn[] = [
  { column: 'generation', limit: 'generations', read: listOf, write: (value: string[]) => value.join('; ') },
  { column: 'form', limit: 'form', read: (cell) => cell.trim(), write: (value: string) => value },
  {
    column: 'kinds',
    limit: 'kinds',
    read: (cell) => listOf(cell).map(kindOf),
    write: (value: Kind[]) => value.map(kindText).join('; '),
  },
  {
    column: 'volts',
    limit: 'voltagesMv',
    read: (cell) =>
      listOf(cell).map((volts) => {
        const mv = Math.round(Number(volts.replace(/\s*V$/i, '').replace(',', '.')) * 1000);
        if (!(mv > 500 && mv < 4000)) throw new WrongCell(`volts: "${volts}" is no voltage such as 1.35`);
        return mv;
      }),
    write: (value: number[]) => value.map((mv) => String(mv / 1000)).join('; '),
  },
  { column: 'total', limit: 'totalMiB', read: (cell) => capacity(cell, 'total'), write: capacityText },
  { column: 'module', limit: 'moduleMiB', read: (cell) => capacity(cell, 'module'), write: capacityText },
  {
    column: 'rates',
    limit: 'ratesMTs',
    read: (cell) => (cell.trim() === 'any' ? [] : listOf(cell).map((rate) => wholeOf(rate, 'rates'))),
    write: (value: number[]) => (value.length === 0 ? 'any' : value.join('; ')),
  },
  { column: 'pairing', limit: 'pairing', read: (cell) => cell.trim(), write: (value: string) => value },
  { column: 'fill_order', limit: 'fillOrder', read: listOf, write: (value: string[]) => value.join('; ') },
];

/** The first thing that is wrong with a model, in a few words. */
export function firstIssue(error: z.ZodError): string {
  const [issue] = error.issues;
  const path = issue?.path.join('.') ?? '';
  return `${path === '' ? '' : `${path}: `}${issue?.message ?? 'something in it is not right'}`;
}

function inputOf(row: LibraryRow): ModelInput {
  const cell = (column: LibraryColumn): string => row[column]?.trim() ?? '';
  const claimed = CLAIM_COLUMNS.filter(({ column }) => cell(column) !== '');
  if (claimed.length > 0 && (cell('source_kind') === '' || cell('source') === '')) {
    throw new WrongCell('a limit needs its source_kind and source');
  }
  const source = { kind: cell('source_kind') as ModelClaim['source']['kind'], name: cell('source') };
  return {
    maker: cell('maker'),
    family: cell('family'),
    name: cell('name'),
    ...(cell('kind') === '' ? {} : { kind: cell('kind') as FullModel['kind'] }),
    yearFrom: wholeOf(cell('year_from'), 'year_from'),
    yearTo: cell('year_to') === '' ? null : wholeOf(cell('year_to'), 'year_to'),
    modelIds: listOf(row.model_ids),
    boardIds: listOf(row.board_ids),
    productStrings: listOf(row.product_strings),
    serialPrefixes: listOf(row.serial_prefixes),
    cpus: listOf(row.cpus).map(cpuOf),
    firmware: listOf(row.firmware),
    slots: listOf(row.slots).map(slotOf),
    note: cell('note'),
    claims: claimed.map(({ column, limit, read }) => ({ limit, value: read(cell(column)), source })),
  };
}

/** A row of a library's CSV as a model, or what is wrong with it. */
export function modelOfRow(row: LibraryRow): RowModel {
  try {
    const parsed = modelSchema.safeParse(inputOf(row));
    return parsed.success ? { ok: true, model: parsed.data } : { ok: false, sentence: firstIssue(parsed.error) };
  } catch (cause) {
    if (cause instanceof WrongCell) return { ok: false, sentence: cause.message };
    throw cause;
  }
}

/** A model as rows of CSV: one for each source that says anything the columns hold, at least one. */
export function rowsOfModel(model: FullModel): LibraryRow[] {
  const base: LibraryRow = {
    maker: model.maker,
    family: model.family,
    name: model.name,
    kind: model.kind,
    year_from: String(model.yearFrom),
    year_to: model.yearTo === null ? '' : String(model.yearTo),
    model_ids: model.modelIds.join('; '),
    board_ids: model.boardIds.join('; '),
    product_strings: model.productStrings.join('; '),
    serial_prefixes: model.serialPrefixes.join('; '),
    cpus: model.cpus.map(cpuText).join('; '),
    firmware: model.firmware.join('; '),
    slots: model.slots.map(slotText).join('; '),
    note: model.note,
  };
  const rows = new Map<string, LibraryRow>();
  for (const { limit, value, source } of model.claims) {
    const column = CLAIM_COLUMNS.find((one) => one.limit === limit);
    if (column === undefined) continue;
    const key = `${source.kind} ${source.name}`;
    const row = rows.get(key) ?? { ...base, source_kind: source.kind, source: source.name };
    rows.set(key, { ...row, [column.column]: column.write(value as never) });
  }
  return rows.size === 0 ? [base] : [...rows.values()];
}
