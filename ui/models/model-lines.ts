import { cpuOf, cpuText, slotOf, slotText, WrongCell } from '@/core/machine/library-rows';
import type { FactoryOption, LibrarySlot, OpeningStep } from '@/core/machine/model';
import { capacityText } from '@/core/memory/capacity';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { parseMoney } from '@/core/pricing/parse-money';
import type { ModelFields } from './model-sheet';

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
  slots: string;
  factoryMost: string;
  factory: string;
  opening: string;
}

const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** `Open the door | cross-head 1 | 2 x 6 mm | unplug: battery | mind: short ribbon | 3 min` */
function stepText({ text, tool, fasteners, lengthMm, unplug, caution, minutes }: OpeningStep): string {
  const screws = fasteners === null ? '' : lengthMm === null ? `${fasteners} x` : `${fasteners} x ${lengthMm} mm`;
  return [
    text,
    tool,
    screws,
    unplug === '' ? '' : `unplug: ${unplug}`,
    caution === '' ? '' : `mind: ${caution}`,
    minutes === null ? '' : `${minutes} min`,
  ]
    .filter((part) => part !== '')
    .join(' | ');
}

function stepOf(line: string): OpeningStep {
  const [text = '', ...parts] = line.split('|').map((part) => part.trim());
  const step: OpeningStep = {
    text,
    tool: '',
    fasteners: null,
    lengthMm: null,
    unplug: '',
    caution: '',
    minutes: null,
  };
  for (const part of parts) {
    const screws = /^(\d{1,2})\s*[x×]\s*(?:(\d+(?:\.\d+)?)\s*mm)?$/i.exec(part);
    const minutes = /^(\d+(?:\.\d+)?)\s*min$/i.exec(part);
    if (screws !== null) {
      step.fasteners = Number(screws[1]);
      step.lengthMm = screws[2] === undefined ? null : Number(screws[2]);
    } else if (minutes !== null) step.minutes = Number(minutes[1]);
    else if (/^unplug:/i.test(part)) step.unplug = part.slice(7).trim();
    else if (/^mind:/i.test(part)) step.caution = part.slice(5).trim();
    else step.tool = part;
  }
  return step;
}

/** `16 GB | 140.00 | OS14-G2P`: total, surcharge, the base model that the maker requires. */
function factoryText({ totalMiB, surchargeCents, baseModel }: FactoryOption): string {
  const parts = [capacityText(totalMiB), (surchargeCents / 100).toFixed(2), baseModel];
  return parts.filter((part) => part !== '').join(' | ');
}

function factoryOf(line: string): FactoryOption {
  const [total = '', surcharge = '0', baseModel = ''] = line.split('|').map((part) => part.trim());
  const totalMiB = parseCapacity(total);
  // The library goes from shop to shop and names no currency: its amounts have two decimals.
  const surchargeCents = parseMoney(surcharge, 2);
  if (totalMiB === null) throw new WrongCell(`factory options: "${total}" is no capacity such as 16 GB`);
  if (surchargeCents === null || surchargeCents < 0) {
    throw new WrongCell(`factory options: "${surcharge}" is no amount such as 140.00`);
  }
  return { totalMiB, surchargeCents, baseModel };
}

/** A model as it is first shown for editing. */
export function typedModel(fields: ModelFields, slots: readonly LibrarySlot[]): TypedModel {
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
    slots: slots.map(slotText).join('\n'),
    factoryMost: factoryMaxMiB === null ? '' : capacityText(factoryMaxMiB),
    factory: fields.factoryOptions.map(factoryText).join('\n'),
    opening: fields.opening.map(stepText).join('\n'),
  };
}

/**
 * What was typed as fields to save, or the first thing that is wrong. Soldered memory that is only named keeps what
 * is known of it.
 */
export function fieldsOf(
  typed: TypedModel,
  before: readonly LibrarySlot[],
): { ok: true; fields: Record<string, unknown> } | { ok: false; sentence: string } {
  const year = (text: string): number | null => (/^\d{4}$/.test(text.trim()) ? Number(text) : null);
  const yearFrom = year(typed.yearFrom);
  if (yearFrom === null) return { ok: false, sentence: 'Type the year it came out, such as 2019.' };
  if (typed.yearTo.trim() !== '' && year(typed.yearTo) === null) {
    return { ok: false, sentence: 'Type the year it ended, such as 2021, or nothing.' };
  }
  const factoryMaxMiB = typed.factoryMost.trim() === '' ? null : parseCapacity(typed.factoryMost);
  if (typed.factoryMost.trim() !== '' && factoryMaxMiB === null) {
    return { ok: false, sentence: 'Type the maker’s own maximum as a size, such as 32 GB.' };
  }
  try {
    const slots = lines(typed.slots).map((line) => {
      const slot = slotOf(line);
      const known = before.find(({ name }) => name === slot.name)?.soldered ?? null;
      const same = known !== null && known.capacityMiB === slot.soldered?.capacityMiB;
      return same ? { ...slot, soldered: known } : slot;
    });
    const { maker, family, name, kind, note } = typed;
    return {
      ok: true,
      fields: {
        maker,
        family,
        name,
        kind,
        note,
        yearFrom,
        yearTo: year(typed.yearTo),
        modelIds: lines(typed.modelIds),
        boardIds: lines(typed.boardIds),
        productStrings: lines(typed.productStrings),
        serialPrefixes: lines(typed.serialPrefixes),
        firmware: lines(typed.firmware),
        cpus: lines(typed.cpus).map(cpuOf),
        slots,
        factoryMaxMiB,
        factoryOptions: lines(typed.factory).map(factoryOf),
        opening: lines(typed.opening).map(stepOf),
      },
    };
  } catch (cause) {
    if (cause instanceof WrongCell) return { ok: false, sentence: `In ${cause.message}.` };
    throw cause;
  }
}
