import { cpuOf, cpuText, WrongCell } from '@/core/machine/models/library-rows';
import type { FactoryOption } from '@/core/machine/models/model';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { parseMoney } from '@/core/pricing/parse-money';
import type { StaffWords } from '@/words/staff-words';
import { isTyped, type Read, readTyped } from '../kit/form/read-typed';
import { capacityText } from '../words/amounts';
import type { ModelFields } from './model-fields';

/** A model's fields as text, a line an entry, while somebody edits them. */
export interface TypedModel {
  maker: string;
  family: string;
  name: string;
  kind: 'machine' | 'board';
  yearFrom: string;
  yearTo: string;
  note: string;
  modelIds: string;
  boardIds: string;
  productStrings: string;
  serialPrefixes: string;
  firmware: string;
  cpus: string;
  factoryMost: string;
  factory: string;
}

const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** `16 GB | 140.00 | OS14-G2P`: total, surcharge, the base model that the maker requires. */
function factoryText({ totalMiB, surchargeCents, baseModel }: FactoryOption): string {
  const parts = [capacityText(totalMiB), (surchargeCents / 100).toFixed(2), baseModel];
  return parts.filter((part) => part !== '').join(' | ');
}

function factoryOf(t: StaffWords<'models'>, line: string): FactoryOption {
  const [total = '', surcharge = '0', baseModel = ''] = line.split('|').map((part) => part.trim());
  const totalMiB = parseCapacity(total);
  // The library goes from shop to shop and names no currency: its amounts have two decimals.
  const surchargeCents = parseMoney(surcharge, 2);
  if (totalMiB === null) throw new WrongCell(t('faults.options', { total }));
  if (surchargeCents === null || surchargeCents < 0) {
    throw new WrongCell(t('faults.surcharge', { surcharge }));
  }
  return { totalMiB, surchargeCents, baseModel };
}

/** A model as it is first shown for editing. */
export function typedModel(fields: ModelFields): TypedModel {
  const { maker, family, name, kind, yearFrom, yearTo, note, factoryMaxMiB } = fields;
  return {
    maker,
    family,
    name,
    kind,
    yearFrom: String(yearFrom),
    yearTo: yearTo === null ? '' : String(yearTo),
    note,
    modelIds: fields.modelIds.join('\n'),
    boardIds: fields.boardIds.join('\n'),
    productStrings: fields.productStrings.join('\n'),
    serialPrefixes: fields.serialPrefixes.join('\n'),
    firmware: fields.firmware.join('\n'),
    cpus: fields.cpus.map(cpuText).join('\n'),
    factoryMost: factoryMaxMiB === null ? '' : capacityText(factoryMaxMiB),
    factory: fields.factoryOptions.map(factoryText).join('\n'),
  };
}

/** Entries of a list, or what is wrong with the first that is none. */
function entries<T>(
  t: StaffWords<'models'>,
  text: string,
  read: (line: string) => T,
): { all: T[]; wrong: string | null } {
  try {
    return { all: lines(text).map(read), wrong: null };
  } catch (cause) {
    if (cause instanceof WrongCell) return { all: [], wrong: t('faults.in', { message: cause.message }) };
    throw cause;
  }
}

const yearTyped = (text: string): number | null => (/^\d{4}$/.test(text.trim()) ? Number(text) : null);

/** What was typed as fields to save, or what is wrong with it. */
export function readTypedModel(t: StaffWords<'models'>, typed: TypedModel): Read<TypedModel, Record<string, unknown>> {
  const [yearFrom, yearTo] = [yearTyped(typed.yearFrom), yearTyped(typed.yearTo)];
  const factoryMaxMiB = isTyped(typed.factoryMost) ? parseCapacity(typed.factoryMost) : null;
  const [cpus, factory] = [entries(t, typed.cpus, cpuOf), entries(t, typed.factory, (line) => factoryOf(t, line))];
  const looked = {
    yearFrom: yearFrom === null && t('faults.since'),
    yearTo: isTyped(typed.yearTo) && yearTo === null && t('faults.until'),
    factoryMost: isTyped(typed.factoryMost) && factoryMaxMiB === null && t('faults.factoryMax'),
    cpus: cpus.wrong,
    factory: factory.wrong,
  };
  const { maker, family, name, kind, note } = typed;
  return readTyped<TypedModel, Record<string, unknown>>(looked, () => ({
    maker,
    family,
    name,
    kind,
    note,
    yearFrom,
    yearTo,
    modelIds: lines(typed.modelIds),
    boardIds: lines(typed.boardIds),
    productStrings: lines(typed.productStrings),
    serialPrefixes: lines(typed.serialPrefixes),
    firmware: lines(typed.firmware),
    cpus: cpus.all,
    factoryMaxMiB,
    factoryOptions: factory.all,
  }));
}
