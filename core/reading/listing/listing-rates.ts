import { EDGE_GENERATIONS, GENERATION_FACTS, GENERATIONS, type Generation } from '../../memory/generation';
import { printedRate } from '../../memory/printed-rate';
import { binLatency } from '../../memory/speed-bins';
import type { ListingNotes } from './listing-notes';
import { type ListingText, probe, type Span } from './listing-text';

/*
 * Patterns begin with what they look for and look back from there: an engine finds a letter or a digit far sooner than
 * a place with nothing before it.
 */

/** `DDR4`, `DDR 3`, `DDR3L`, `LPDDR5X`, `DDR4-3200`, `DDR400`, with what directly follows. */
const DDR =
  /ddr(?<=(?<![a-z0-9])(?<low>lp)?ddr)[ -]?(?<digit>[1-5]|iii|ii|iv)?(?<mark>lp|l|x)?(?:(?: ?- ?| )?(?<rate>\d{3,5})(?<bin>[a-z]{1,2}(?![a-z0-9]))?(?! ?[mgt]i?b|[ -]?pin|[ -]?p(?![a-z])))?(?![0-9])/g;
const SDR = /(?<![a-z0-9])sdr(?:am)?(?![a-z0-9])/g;
/** `PC4` before something that is no label. */
const BARE_PC = /(?<![a-z0-9])pc(?<digit>[2-5])(?<mark>l)?(?![a-z0-9])/g;

const PC = probe('pc');
const SDR_WORD = probe('sdr');

const OF_DIGIT: Record<string, Generation> = {
  '1': 'DDR',
  '2': 'DDR2',
  '3': 'DDR3',
  '4': 'DDR4',
  '5': 'DDR5',
  ii: 'DDR2',
  iii: 'DDR3',
  iv: 'DDR4',
};

/** Fastest rates that modules of a generation are sold with, profiles included, MT/s. */
const FASTEST_SOLD: Record<Generation, number> = {
  SDR: 166,
  DDR: 600,
  DDR2: 1300,
  DDR3: 3100,
  DDR4: 5400,
  DDR5: 10_000,
  LPDDR: 400,
  LPDDR2: 1066,
  LPDDR3: 2133,
  LPDDR4: 4400,
  LPDDR4X: 4400,
  LPDDR5: 6500,
  LPDDR5X: 11_000,
};

/** Is this a rate that a module of the generation may be sold with, profiles included? */
export function plausibleRate(generation: Generation, rate: number): boolean {
  return rate >= (GENERATION_FACTS[generation].ratesMTs[0] ?? 0) - 1 && rate <= FASTEST_SOLD[generation];
}

/** `LPDDR4` and an `X` is a generation of its own; an X elsewhere says nothing. */
function generationNamed(plain: Generation, lowPower: boolean, mark: string | undefined): Generation {
  if (!lowPower) return plain;
  const name = `LP${plain}${mark === 'x' ? 'X' : ''}`;
  return GENERATIONS.find((one) => one === name) ?? GENERATIONS.find((one) => one === `LP${plain}`) ?? plain;
}

/** Generations by name, with the rate that stands behind the name. */
export function readGenerations(text: ListingText, notes: ListingNotes): void {
  text.each(DDR, (match, span) => {
    const { low, digit, mark, rate, bin } = match.groups ?? {};
    const generation = generationNamed(OF_DIGIT[digit ?? '1'] ?? 'DDR', low !== undefined || mark === 'lp', mark);
    const rated = rate !== undefined && plausibleRate(generation, Number(rate));
    const behind = rate === undefined || rated ? '' : match[0].slice(match[0].lastIndexOf(rate));
    const place = { start: span.start - (low?.length ?? 0), end: span.end - behind.length };
    // "DDR3200" is neither DDR3 at 200 nor a DDR of that rate: it says nothing sure.
    if (rate !== undefined && !rated && !/[ -]/.test(match[0].replace(/^ddr[ -]?/, ''))) return false;
    notes.note('generation', generation, place);
    if (mark === 'l' && low === undefined) notes.note('lowVoltage', true, place);
    if (rated) notes.note('rateMTs', printedRate(Number(rate)), place);
    const latency = rated && bin !== undefined ? binLatency(generation, printedRate(Number(rate)), bin) : null;
    if (latency !== null) notes.note('casLatency', latency, place);
    text.take(place);
    return false;
  });
  if (text.has(PC)) {
    text.each(BARE_PC, (match, span) => {
      notes.note('generation', OF_DIGIT[match.groups?.digit ?? ''] ?? 'DDR', span);
      if (match.groups?.mark !== undefined) notes.note('lowVoltage', true, span);
      return true;
    });
  }
  if (!text.has(SDR_WORD)) return;
  // "DDR4 SDRAM" says nothing more than DDR4.
  const named = notes.said('generation').some(({ value }) => value !== 'SDR');
  text.each(SDR, (_match, span) => {
    if (!named) notes.note('generation', 'SDR', span);
    return true;
  });
}

const CLOCK = /(?<![\d.,])(?<mhz>\d{3,4}) ?mhz (?:(?:i\/o|bus|memory|real|base) )?clock(?![a-z])/g;
const RATE = /(?<rate>\d(?<![\d.,]\d)\d{1,4})[ -]?(?:mhz|mt\/s|mts|mt|mbps|mega ?hertz)(?![a-z0-9])/g;
/** The first of two rates that share one unit: `1600/1333MHz`. */
const SHARED = /(?<![\d.,])(?<rate>\d{3,5}) ?\/ ?(?=\d{3,5} ?(?:mhz|mt\/s))/g;

function sureGeneration(notes: ListingNotes): Generation | null {
  const [first, ...others] = notes.values<Generation>('generation');
  return first === undefined || others.length > 0 ? null : first;
}

const RATE_UNITS = ['mhz', 'mt', 'mbps', 'mega'].map(probe);
const CLOCK_WORD = probe('clock');
const SLASH = probe('/');

/** Rates with a unit. The "MHz" of the trade is MT/s, save where it is called a clock. */
export function readRates(text: ListingText, notes: ListingNotes): void {
  if (!text.hasAny(RATE_UNITS)) return;
  if (text.has(CLOCK_WORD)) readClocks(text, notes);
  for (const pattern of text.has(SLASH) ? [SHARED, RATE] : [RATE]) {
    text.each(pattern, (match, span) => {
      const rate = Number(match.groups?.rate);
      if (rate < 66) return false;
      notes.note('rateMTs', printedRate(rate), span);
      return true;
    });
  }
}

function readClocks(text: ListingText, notes: ListingNotes): void {
  text.each(CLOCK, (match, span) => {
    const single = sureGeneration(notes) === 'SDR';
    notes.note('rateMTs', printedRate(Number(match.groups?.mhz) * (single ? 1 : 2)), span);
    return true;
  });
}

const BARE =
  /(?<rate>\d(?<![a-z0-9.,#-]\d|\d\/\d)\d{2,4})(?:(?<bin>[a-z]{1,2})(?![a-z0-9]))?(?![a-z0-9]|[.,/]\d| ?(?:gb|mb|pin|mm|eur|usd|€|\$|£))/g;

/** A number with nothing but its CL behind it: `3600 C18`. It may be a profile's rate. */
const BEFORE_LATENCY = /(?<rate>\d(?<![a-z0-9.,/#-]\d)\d{2,4})(?= ?cl? ?\d{2}(?!\d))/g;

/** Bare numbers that are standard rates of the only generation named, or stand right before a CL. */
export function readBareRates(text: ListingText, notes: ListingNotes): void {
  const generation = sureGeneration(notes);
  if (generation === null) return;
  const { ratesMTs } = GENERATION_FACTS[generation];
  text.each(BEFORE_LATENCY, (match, span) => {
    const rate = printedRate(Number(match.groups?.rate));
    if (!plausibleRate(generation, rate)) return false;
    notes.note('rateMTs', rate, span);
    return true;
  });
  text.each(BARE, (match, span) => {
    const rate = printedRate(Number(match.groups?.rate));
    const bin = match.groups?.bin;
    const latency = bin === undefined ? null : binLatency(generation, rate, bin);
    if (!ratesMTs.includes(rate) || (bin !== undefined && latency === null)) return false;
    notes.note('rateMTs', rate, span);
    if (latency !== null) notes.note('casLatency', latency, span);
    return true;
  });
}

const TIMINGS =
  /(?<![\d.a-z-])(?:cl ?)?(?<cl>\d{1,2}(?:\.5)?)-(?<rcd>\d{1,2})-(?<rp>\d{1,2})(?:-(?<ras>\d{1,3}))?(?:-[12]t)?(?![\d-]|\.\d)/g;
const LATENCY =
  /(?:cl(?<![a-z]cl)|cas(?<![a-z]cas)(?: ?latency)?|latency(?<![a-z]latency))[ :=-]{0,3}(?<cl>\d{1,2}(?:[.,]5)?)(?![\d])/g;
/** `3600C18`, `3200 c16`: only behind a rate. */
const SHORT = /c(?<=[\d~] ?c)(?<cl>\d{2})(?![a-z0-9])/g;

const LATENCY_SIGNS = ['-', 'c', 'latency'].map(probe);
const MOST_LATENCY = 80;

/** CL and full timings. */
export function readLatencies(text: ListingText, notes: ListingNotes): void {
  if (!text.hasAny(LATENCY_SIGNS)) return;
  text.each(TIMINGS, (match, span) => {
    const { cl, rcd, rp } = match.groups ?? {};
    const all = [Number(cl), Number(rcd), Number(rp)];
    if (all.some((cycles) => cycles < 2 || cycles > MOST_LATENCY)) return false;
    notes.note('casLatency', Number(cl), span);
    notes.note('timings', match[0].replace(/^cl ?/, ''), span);
    return true;
  });
  for (const pattern of [LATENCY, SHORT]) {
    text.each(pattern, (match, span) => {
      const latency = Number((match.groups?.cl ?? '').replace(',', '.'));
      if (latency < 2 || latency > MOST_LATENCY) return false;
      notes.note('casLatency', latency, span);
      return true;
    });
  }
}

const VOLTAGE = /(?<volts>\d(?<![\d.,]\d)(?:[.,]\d{1,3})?) ?v(?:olts?)?(?![a-z0-9])/g;
const MILLIVOLTS = /(?<![\d.,])(?<mv>\d{4}) ?mv(?![a-z0-9])/g;
/** The first of two voltages that share one unit: `1.35/1.5V`. */
const SHARED_VOLTAGE = /(?<![\d.,])(?<volts>\d[.,]\d{1,3}) ?[/-] ?(?=\d(?:[.,]\d{1,3})? ?v(?![a-z0-9]))/g;
const V = probe('v');
const LEAST_MV = 900;
const MOST_MV = 3500;

function noteVoltage(notes: ListingNotes, mv: number, span: Span): boolean {
  if (mv < LEAST_MV || mv > MOST_MV) return false;
  notes.note('voltageMv', mv, span);
  return true;
}

const millivolts = (volts: string | undefined): number => Math.round(Number((volts ?? '').replace(',', '.')) * 1000);

export function readVoltages(text: ListingText, notes: ListingNotes): void {
  if (!text.has(V)) return;
  for (const pattern of [SHARED_VOLTAGE, VOLTAGE]) {
    text.each(pattern, (match, span) => noteVoltage(notes, millivolts(match.groups?.volts), span));
  }
  text.each(MILLIVOLTS, (match, span) => noteVoltage(notes, Number(match.groups?.mv), span));
}

/** Is a rate surely a standard one, whatever the generation? It is not where some generation has it as a profile only. */
export function standardAnyway(rate: number): boolean {
  return EDGE_GENERATIONS.filter((generation) => plausibleRate(generation, rate)).every((generation) =>
    GENERATION_FACTS[generation].ratesMTs.includes(rate),
  );
}
