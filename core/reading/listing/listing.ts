import { EDGE_GENERATIONS, GENERATION_FACTS, type Generation, isLowPower } from '../../memory/generation';
import type { Buffering } from '../../memory/module';
import { leastStandardLatency } from '../../memory/speed-bins';
import { NOTHING_TOLD, type Reading, type ReadModule, type ReadOffer, type ReadProfile } from '../reading';
import { mayBeGenuine, saidOrigin } from './genuine';
import { type Pack, packOf, readCapacities } from './listing-capacity';
import { readLabels } from './listing-label';
import { ListingNotes } from './listing-notes';
import { readPrice } from './listing-price';
import {
  readBareRates,
  readGenerations,
  readLatencies,
  readRates,
  readVoltages,
  standardAnyway,
} from './listing-rates';
import { ListingText } from './listing-text';
import { readHeight, readPart, readPins, readRanks, readSerial, readWords } from './listing-words';

/** What is kept of a title, characters. */
const LONGEST_TITLE = 300;
/** A text longer than this is no label and no title. */
export const LISTING_LIMIT = 2000;

/** Everything a title says, by field; readers go from the surest to the loosest, each takes out what it understood. */
function notesOf(title: string): ListingNotes {
  const text = new ListingText(title);
  const notes = new ListingNotes(title);
  readSerial(text, notes, title);
  readPart(text, notes, title);
  readPrice(text, notes);
  readRanks(text, notes);
  readLabels(text, notes);
  readCapacities(text, notes);
  readPins(text, notes);
  readGenerations(text, notes);
  readVoltages(text, notes);
  readHeight(text, notes);
  readRates(text, notes);
  readBareRates(text, notes);
  readLatencies(text, notes);
  readWords(text, notes);
  return notes;
}

type PinForm = 'DIMM' | 'SO-DIMM';
const PIN_FORMS = ['DIMM', 'SO-DIMM'] as const;

interface PinMeaning {
  generation: Generation;
  form: PinForm;
}

/** What a pin count stands for: every generation and form that has it. */
const PIN_MEANINGS: ReadonlyMap<number, readonly PinMeaning[]> = pinMeanings();

function pinMeanings(): Map<number, PinMeaning[]> {
  const all = EDGE_GENERATIONS.flatMap((generation) => PIN_FORMS.map((form) => ({ generation, form })));
  const pinsOf = ({ generation, form }: PinMeaning): number => GENERATION_FACTS[generation].pins[form] ?? 0;
  return new Map(all.map((one) => [pinsOf(one), all.filter((other) => pinsOf(other) === pinsOf(one))]));
}

interface Named {
  generation: Generation | null;
  form: string | null;
}

/** Generation and form by their words and the pin count; what does not go together is null. */
function nameOf(notes: ListingNotes): Named {
  const generation = notes.agreed<Generation>('generation', 'generation');
  const form = notes.agreed<string>('form', 'form') ?? formByUse(notes);
  const [pins] = notes.said<number>('pins');
  const meanings = PIN_MEANINGS.get(pins?.value ?? 0) ?? [];
  if (pins === undefined || meanings.length === 0) return { generation, form };
  const [word] = notes.said<string>('generation');
  if (generation !== null && word !== undefined && !meanings.some((one) => one.generation === generation)) {
    notes.contradiction(word, pins, 'generation');
    return { generation: null, form };
  }
  const left = meanings.filter((one) => generation === null || one.generation === generation);
  const forms = [...new Set(left.map((one) => one.form))];
  const [only] = forms.length === 1 ? forms : [];
  const [said] = notes.said<string>('form');
  if (
    said !== undefined &&
    form !== null &&
    only !== undefined &&
    form !== only &&
    (PIN_FORMS as readonly string[]).includes(form)
  ) {
    notes.contradiction(said, pins, 'form');
    return { generation, form: null };
  }
  const generations = [...new Set(left.map((one) => one.generation))];
  const told = notes.has('generation');
  return {
    generation: generation ?? (generations.length === 1 && !told ? (generations[0] ?? null) : null),
    form: form ?? only ?? null,
  };
}

/** "Laptop memory" is an SO-DIMM, "desktop memory" a DIMM; a title that names both says neither. */
function formByUse(notes: ListingNotes): string | null {
  if (notes.has('form')) return null;
  const uses = notes.values<string>('use');
  return uses.length === 1 ? (uses[0] ?? null) : null;
}

/** Supply of DDR-400 modules, of one class with the 2.5 V of the others. */
const DDR400_MV = 2600;

const NO_VOLTAGES = { standard: [], profile: null };

/** Voltages that a generation is made for, and those above, which only a profile asks for. */
function voltagesOf(
  notes: ListingNotes,
  generation: Generation | null,
): { standard: number[]; profile: number | null } {
  if (!notes.has('voltageMv') && !notes.has('lowVoltage')) return NO_VOLTAGES;
  const all = notes.values<number>('voltageMv').map((mv) => (generation === 'DDR' && mv === DDR400_MV ? 2500 : mv));
  if (generation === null) return { standard: all, profile: null };
  const made = GENERATION_FACTS[generation].voltagesMv;
  const highest = made[0] ?? 0;
  const standard = all.filter((mv) => mv <= highest && (made.includes(mv) || generation === 'DDR3'));
  const low = generation === 'DDR3' && (notes.has('lowVoltage') || standard.includes(1350));
  const whole = low ? [...standard, 1350, 1500] : standard;
  return {
    standard: [...new Set(whole)].sort((a, b) => a - b),
    profile: all.find((mv) => mv > highest) ?? null,
  };
}

interface Rates {
  rateMTs: number | null;
  casLatency: number | null;
  profiles: ReadProfile[];
}

/** Rates as they stand, less those that are the clock of another. */
function distinctRates(notes: ListingNotes): number[] {
  const rates = notes.values<number>('rateMTs');
  if (rates.length < 2) return rates;
  return rates.filter((rate) => !rates.some((other) => Math.abs(other - 2 * rate) <= 2));
}

/**
 * The standard rate and CL, or a profile where rate, voltage or CL are beyond the standard's tables. A profile's CL and
 * voltage are its own.
 */
function ratesOf(notes: ListingNotes, generation: Generation | null, profileMv: number | null): Rates {
  const latency = notes.agreed<number>('casLatency', 'CL');
  const rates = distinctRates(notes);
  // Low-power memory has rates of its own, which no module's table holds.
  const table = generation === null ? null : isLowPower(generation) ? rates : GENERATION_FACTS[generation].ratesMTs;
  const standard = rates.filter((rate) => (table === null ? standardAnyway(rate) : table.includes(rate)));
  const beyond = table === null ? [] : rates.filter((rate) => !table.includes(rate) && rate > (table[0] ?? 0));
  if (standard.length > 1) {
    const [first, second] = standard.map((rate) => notes.said<number>('rateMTs').find(({ value }) => value === rate));
    if (first !== undefined && second !== undefined) notes.contradiction(first, second, 'rate');
    return { rateMTs: null, casLatency: null, profiles: [] };
  }
  const [rate] = standard;
  const least = rate === undefined || generation === null ? null : leastStandardLatency(generation, rate);
  const quick = latency !== null && least !== null && latency < least;
  if (beyond.length === 0 && rate !== undefined && (profileMv !== null || quick)) {
    return {
      rateMTs: null,
      casLatency: null,
      profiles: [{ rateMTs: rate, casLatency: latency, voltageMv: profileMv }],
    };
  }
  const [fastest] = [...beyond].sort((a, b) => b - a);
  if (fastest === undefined) return { rateMTs: rate ?? null, casLatency: latency, profiles: [] };
  return {
    rateMTs: rate ?? null,
    casLatency: null,
    profiles: [{ rateMTs: fastest, casLatency: latency, voltageMv: profileMv }],
  };
}

/** A rate that belongs to a generation the title contradicts is no longer sure either. */
const noRates: Rates = { rateMTs: null, casLatency: null, profiles: [] };

function moduleOf(notes: ListingNotes, pack: Pack): ReadModule {
  const { generation, form } = nameOf(notes);
  const clash = generation === null && notes.has('generation');
  const { standard, profile } = voltagesOf(notes, generation);
  const rates = clash ? noRates : ratesOf(notes, generation, profile);
  return {
    ...NOTHING_TOLD,
    capacityMiB: pack.capacityMiB,
    generation,
    form,
    buffering: notes.agreed<Buffering>('buffering', 'buffering'),
    ecc: notes.has('ecc') ? notes.agreed<boolean>('ecc', 'ECC') : (notes.values<boolean>('eccByKind')[0] ?? null),
    rateMTs: rates.rateMTs,
    ranks: notes.agreed<number>('ranks', 'ranks'),
    deviceWidth: notes.agreed<number>('deviceWidth', 'the width of its chips'),
    casLatency: rates.casLatency,
    voltagesMv: clash || standard.length === 0 ? null : standard,
    heightMm: notes.agreed<number>('heightMm', 'height'),
    part: notes.agreed<string>('part', 'part'),
    serial: notes.agreed<string>('serial', 'serial'),
    soldered: isLowPower(generation) ? form !== 'CAMM2' : form === null ? null : false,
    profiles: rates.profiles,
  };
}

type Condition = NonNullable<ReadOffer['condition']>;

/** The worst that is said counts: "new battery, used module" is used. */
const CONDITIONS: readonly Condition[] = ['damaged', 'refurbished', 'used', 'new'];

function offerOf(title: string, notes: ListingNotes, pack: Pack): ReadOffer {
  const said = notes.values<Condition>('condition');
  return {
    title: title
      .replace(/[\s\u00a0]{2,}|[^\S ]/g, ' ')
      .trim()
      .slice(0, LONGEST_TITLE),
    modules: pack.modules,
    quantity: notes.values<number>('pieces')[0] ?? null,
    priceCents: notes.agreed<number>('priceCents', 'price'),
    currency: notes.agreed<string>('currency', 'currency'),
    seller: null,
    condition: CONDITIONS.find((condition) => said.includes(condition)) ?? null,
    available: null,
    sku: null,
    url: null,
    ...originalOf(title),
  };
}

/** A title names no maker surely: whose part it is must be found in the library. */
function originalOf(title: string): Pick<ReadOffer, 'original'> {
  const said = mayBeGenuine(title) ? saidOrigin(title) : null;
  return said?.isGenuine ? { original: { of: null, madeFor: said.madeFor } } : {};
}

/** Reads a module's label or a seller's title (JEDEC 21-C module labels, words of the trade). Never throws. */
export function readListing(title: string): Reading & { module: ReadModule; offer: ReadOffer } {
  const whole = title.slice(0, LISTING_LIMIT);
  const notes = notesOf(whole);
  const pack = packOf(notes);
  const module = moduleOf(notes, pack);
  const offer = offerOf(whole, notes, pack);
  return {
    format: 'listing',
    module,
    offer,
    facts: [...notes.facts].sort((a, b) => a.start - b.start || a.end - b.end),
    warnings: notes.warnings,
  };
}

/**
 * Is this a label or a title? It is when it names a generation and one thing more, or a capacity with a rate, form or
 * ranks: a model's name or a customer's says none of these.
 */
export function looksLikeListing(text: string): boolean {
  if (text.length > LISTING_LIMIT) return false;
  const told = new Set(notesOf(text).facts.map((fact) => fact.field));
  const capacity = told.has('capacityMiB') || told.has('printedMiB');
  const more = ['rateMTs', 'form', 'pins', 'ranks', 'buffering', 'voltageMv'].some((field) => told.has(field));
  return told.has('generation') ? capacity || more : capacity && more;
}
