import { capacityText } from '../memory/capacity';
import { generationText, kindWords } from '../memory/module-words';
import { moneyText } from '../pricing/money-text';
import {
  isSpecification,
  type Reading,
  type ReadingFormat,
  type ReadMachine,
  type ReadModule,
  type ReadOffer,
  type SpecificationReading,
} from './reading';

/** What an input of a format is called. */
export const FORMAT_WORDS: Record<ReadingFormat, string> = {
  smbios: 'SMBIOS dump',
  'smbios-text': 'SMBIOS text',
  'hardware-tree': 'hardware listing',
  'cim-json': 'CIM data',
  'cim-csv': 'CIM list',
  spd: 'SPD',
  listing: 'label or title',
  'product-page': 'product page',
  'machine-text': 'text of the system',
  specification: 'specification',
};

const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

/** What a report says is fitted or can be used, where its slots do not. */
function totalWords({ memory }: ReadMachine, total: number): string {
  if (total > 0) return ` with ${capacityText(total)}`;
  return memory.installedMiB === undefined ? '' : ` with ${capacityText(memory.installedMiB)} in total`;
}

function machineLine(machine: ReadMachine): string {
  const name = [machine.maker ?? machine.board.maker, machine.model ?? machine.board.model].filter(
    (part) => part !== null,
  );
  const { slots, visibleMiB, installedMiB } = machine.memory;
  const filled = slots.filter(({ installed }) => installed !== null);
  const total = filled.reduce((sum, { installed }) => sum + (installed?.capacityMiB ?? 0), 0);
  const of = name.length === 0 ? 'a machine that does not say its name' : name.join(' ');
  const slotCount = Math.max(slots.length, machine.memory.slotCount ?? 0);
  if (slotCount === 0) {
    const fitted = installedMiB === undefined ? [] : [`${capacityText(installedMiB)} installed`];
    const usable = visibleMiB === undefined ? [] : [`${capacityText(visibleMiB)} usable`];
    const told = [...fitted, ...usable];
    return `of ${of}${told.length === 0 ? '' : `: ${told.join(', ')}`}`;
  }
  return `of ${of}: ${counted(slotCount, 'slot')}, ${filled.length} filled${totalWords(machine, total)}`;
}

const OF_WHAT = { machine: 'a machine', board: 'a board', cpu: 'a CPU' } as const;

/** A specification in a line: of what, and how much it says. */
function specificationLine({ about, name, slotCount, claims }: SpecificationReading): string {
  const called = name === null ? OF_WHAT[about] : [name.maker, name.model].filter((part) => part !== null).join(' ');
  const slots = slotCount === null ? [] : [counted(slotCount, 'slot')];
  return `of ${called}: ${[...slots, counted(claims.length, 'limit')].join(', ')}`;
}

/** A module in words as far as it is told: `8 GB DDR4-2666 CL19 SO-DIMM, 1Rx8`. */
export function readModuleText(module: ReadModule): string {
  const { capacityMiB, generation, rateMTs, casLatency, form, ranks, deviceWidth, buffering, ecc, profiles } = module;
  const named = generation === null ? null : generationText({ generation, voltagesMv: module.voltagesMv ?? [] });
  const rate = rateMTs === null ? null : named === null ? `${rateMTs} MT/s` : `${named}-${rateMTs}`;
  const kind = buffering === null ? (ecc ? 'ECC' : '') : kindWords(buffering, ecc === true);
  const [profile] = profiles;
  const words = [
    capacityMiB === null ? null : capacityText(capacityMiB),
    rate ?? named,
    casLatency === null ? null : `CL${casLatency}`,
    form,
  ].filter((word) => word !== null);
  const more = [
    ranks === null ? null : deviceWidth === null ? `${ranks}R` : `${ranks}Rx${deviceWidth}`,
    kind === '' ? null : kind,
    profile === undefined ? null : `profile ${profile.rateMTs}`,
    module.part,
  ].filter((word) => word !== null);
  const text = words.length === 0 ? 'a module' : words.join(' ');
  return [text, ...more].join(', ');
}

function offerLine(offer: ReadOffer): string {
  const { priceCents, currency, seller } = offer;
  // A sign that several currencies share names none: the amount stands alone.
  const amount = (cents: number): string => (currency === null ? (cents / 100).toFixed(2) : moneyText(cents, currency));
  const price = priceCents === null ? 'without a price' : `at ${amount(priceCents)}`;
  return `${price}${seller === null ? '' : ` from ${seller}`}`;
}

/** In one line what an input was: what it is called, and what it says. */
export function readingLine(reading: Reading): string {
  const { format, machine, module, offer, spd } = reading;
  const what = FORMAT_WORDS[format];
  if (isSpecification(reading)) return `${what} ${specificationLine(reading)}`;
  if (machine !== undefined) return `${what} ${machineLine(machine)}`;
  if (module === undefined) return what;
  const pack = offer?.modules != null && offer.modules > 1 ? `${offer.modules} × ` : '';
  if (format === 'product-page' || offer?.priceCents != null) {
    return `an offer: ${pack}${readModuleText(module)} ${offer === undefined ? '' : offerLine(offer)}`.trim();
  }
  const unsound = spd?.checks.some((check) => !check.ok) ? ' (its check does not hold)' : '';
  return `${what}: ${pack}${readModuleText(module)}${unsound}`;
}
