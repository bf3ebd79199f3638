import { isLowPower } from '../../memory/generation';
import { RANK_WORDS } from '../../memory/rank-words';
import { meant, socketName } from '../placeholder';
import { NOTHING_TOLD, type ReadModule, type ReadSlot } from '../reading';
import { serialText, withSerials } from '../slot-serials';
import { bufferingOf } from '../smbios/smbios-values';
import { foldText } from '../specification/fold-text';
import { fieldOf, type TextFieldName } from './field-words';
import { type Block, isSlotName, type Pair } from './pairs';
import { eccIn, formIn, generationIn, labelledRateIn, moduleSizeIn, saysEmpty, sizeIn, toldRateOf } from './values';

/** A block's values by what their keys are about; keys that no table has stand apart. */
interface Told {
  of: (field: TextFieldName) => string | null;
  others: readonly Pair[];
}

function toldBy({ pairs }: Block): Told {
  const fields = new Map<TextFieldName, string>();
  const others: Pair[] = [];
  for (const pair of pairs) {
    const field = fieldOf(pair.key);
    if (field === null) others.push(pair);
    else if (!fields.has(field)) fields.set(field, pair.value);
  }
  return { of: (field) => fields.get(field) ?? null, others };
}

/** The first of some values that a look makes something of. */
function firstOf<T>(values: readonly (string | null)[], look: (value: string) => T | null): T | null {
  for (const value of values) {
    const found = value === null || value === '' ? null : look(value);
    if (found !== null) return found;
  }
  return null;
}

const plainSize = (value: string): number | null =>
  /max|up to|bis|hasta|jusqu|fino|tot |ate /i.test(value) ? null : moduleSizeIn(value);

const WHOLE = /^(\d{1,2}(?:[.,]5)?)(?: ?(?:clocks?|t|tck|cycles))?$/i;
const number = (value: string | null): number | null => {
  const found = WHOLE.exec(value ?? '')?.[1];
  return found === undefined ? null : Number(found.replace(',', '.'));
};

const RANKS_OF: Record<string, number> = { ...RANK_WORDS, einfach: 1, zweifach: 2 };
function ranksIn(value: string | null): number | null {
  const folded = foldText(value ?? '');
  const word = Object.keys(RANK_WORDS).find((name) => folded.startsWith(name));
  const digit = /^([1248])(?:r| ?ranks?)?(?:x\d+)?$/.exec(folded)?.[1];
  return digit === undefined ? (word === undefined ? null : (RANKS_OF[word] ?? null)) : Number(digit);
}

const VOLTS = /(?<![\d.,])(\d[.,]\d{1,4}|\d) ?v(?:olts?)?(?![a-z])/i;
function millivoltsIn(value: string | null): number[] | null {
  const volts = VOLTS.exec(value ?? '')?.[1];
  const mv = volts === undefined ? 0 : Math.round(Number(volts.replace(',', '.')) * 1000);
  return mv >= 900 && mv <= 3500 ? [mv] : null;
}

const bits = (value: string | null): number | null => {
  const found = /^(\d{1,3})(?: ?-?bits?)?$/i.exec(value ?? '')?.[1];
  return found === undefined ? null : Number(found);
};

/** ECC by what a block says of it, else by its widths (DSP0134 7.18: total above data width). */
function eccOf(told: Told): boolean | null {
  const said = told.of('ecc');
  if (said !== null) return eccIn(said);
  const [total, data] = [bits(told.of('total-width')), bits(told.of('data-width'))];
  return total === null || data === null ? null : total > data;
}

/** What a block says of one module; what it does not say is null. */
function moduleOf(told: Told): ReadModule {
  const { of, others } = told;
  const loose = others.map(({ value }) => value).filter((value) => !isSlotName(value));
  const generation = firstOf([of('type'), of('speed'), of('size'), ...loose, of('detail')], generationIn);
  const form = firstOf([of('form'), of('type'), of('buffering'), of('size'), ...loose], formIn);
  const speeds = [of('speed'), of('type'), ...loose];
  const rate = firstOf(speeds, labelledRateIn) ?? firstOf(speeds, (value) => toldRateOf(value, generation));
  const running = firstOf([of('configured')], (value) => toldRateOf(value, generation));
  const detail = [of('buffering'), of('detail'), of('type'), of('form')].filter((value) => value !== null).join(' ');
  const low = generation !== null && isLowPower(generation) && form?.form == null;
  return {
    ...NOTHING_TOLD,
    capacityMiB: firstOf([of('size'), of('installed'), ...loose], plainSize),
    generation,
    form: form?.form ?? null,
    buffering: bufferingIn(detail),
    ecc: eccOf(told),
    rateMTs: rate,
    configuredRateMTs: running,
    ranks: ranksIn(of('ranks')),
    casLatency: number(of('latency')),
    voltagesMv: millivoltsIn(of('voltage')),
    maker: meant(of('maker')),
    part: meant(of('part')),
    serial: serialText(of('serial')),
    soldered: form?.soldered || low ? true : form === null ? null : false,
  };
}

function bufferingIn(detail: string): ReadModule['buffering'] {
  if (/lr-?dimm/i.test(detail)) return 'load-reduced';
  if (/(?<![a-z])(?:so-?)?rdimm/i.test(detail)) return 'registered';
  if (/(?<![a-z])(?:so-?)?udimm/i.test(detail)) return 'unbuffered';
  return bufferingOf(detail, detail);
}

/** A socket's name: what its block is headed by, or a key calls it. */
function locatorOf(block: Block, told: Told): string | null {
  const said = told.of('locator');
  const named = said !== null && !saysEmpty(said) ? said : isSlotName(block.heading) ? block.heading : null;
  return named === null ? null : socketName(named.replace(/^[\W_]+|[\W_]+$/g, '').slice(0, 60));
}

/** Is a block a module's? It has a size and something only a module has, and names a slot or itself. */
function isModule(block: Block, module: ReadModule, told: Told): boolean {
  if (module.capacityMiB === null) return false;
  const own = [module.generation, module.rateMTs, module.configuredRateMTs, module.part, module.form].filter(
    (value) => value !== null,
  ).length;
  const isNamed = isSlotName(block.heading) || told.of('locator') !== null || told.of('bank') !== null;
  return isNamed ? own >= 1 : own >= 2 && (module.part !== null || module.serial !== null || module.maker !== null);
}

/** Is a block an empty socket's? It names one and says that nothing is there. */
function isEmpty(block: Block, told: Told): boolean {
  const isNamed = isSlotName(block.heading) || told.of('locator') !== null;
  const said = [told.of('size'), told.of('status'), told.of('type'), ...told.others.map(({ value }) => value)];
  return (
    isNamed &&
    said.some((value) => value !== null && saysEmpty(value)) &&
    !said.some((value) => value !== null && sizeIn(value) !== null && !saysEmpty(value))
  );
}

/** Fields that a block behind a module's may add to it: timings and names stand apart in some reports. */
const ADDED = [
  'generation',
  'form',
  'buffering',
  'ecc',
  'rateMTs',
  'ranks',
  'casLatency',
  'voltagesMv',
  'maker',
  'part',
  'serial',
] as const;

function added(module: ReadModule, more: ReadModule): ReadModule {
  const pairs = ADDED.map((field) => [field, module[field] ?? more[field]]);
  return { ...module, ...Object.fromEntries(pairs) };
}

/** Blocks that are about something else end what may be added to a module. */
const ELSEWHERE =
  /(?<![a-z])(?:graphics|gpu|video|grafik|storage|disk|drive|network|audio|usb|cache|processor|cpu|prozessor|board|bios|firmware|system|operating|display|battery|power|summary|general)(?![a-z])/;

/** A socket that a text lists, with the line of its block. */
export interface ListedSlot extends ReadSlot {
  line: number;
}

/** Sockets and modules that a text's blocks list, in order. */
export function slotsOfBlocks(blocks: readonly Block[]): ListedSlot[] {
  const slots: ListedSlot[] = [];
  let open: ListedSlot | null = null;
  for (const block of blocks) {
    const told = toldBy(block);
    const heading = foldText(block.heading);
    const module = moduleOf(told);
    const named = {
      locator: locatorOf(block, told),
      bank: told.of('bank') === null ? null : socketName(told.of('bank')),
      line: block.line,
    };
    if (isEmpty(block, told)) {
      slots.push({ ...named, installed: null });
      open = null;
    } else if (isModule(block, module, told)) {
      open = { ...named, installed: module };
      slots.push(open);
    } else if (ELSEWHERE.test(heading) || isSlotName(block.heading)) open = null;
    else if (open !== null && open.installed !== null && module.capacityMiB === null)
      open.installed = added(open.installed, module);
  }
  return withSerials(slots) as ListedSlot[];
}
