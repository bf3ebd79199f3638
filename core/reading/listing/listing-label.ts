import { EDGE_GENERATIONS, type Generation } from '../../memory/generation';
import { rateOfLabel } from '../../memory/labels';
import type { Buffering } from '../../memory/module';
import { printedRate } from '../../memory/printed-rate';
import { binLatency } from '../../memory/speed-bins';
import type { ListingNotes } from './listing-notes';
import { plausibleRate } from './listing-rates';
import type { ListingText, Span } from './listing-text';

/** Kind letters of a module label (JEDEC 21-C 4.19, 4.20): registered and load-reduced modules have 72 or 80 bits. */
const KINDS: Record<string, { form: string; buffering: Buffering; ecc: boolean | null }> = {
  u: { form: 'DIMM', buffering: 'unbuffered', ecc: false },
  e: { form: 'DIMM', buffering: 'unbuffered', ecc: true },
  r: { form: 'DIMM', buffering: 'registered', ecc: true },
  p: { form: 'DIMM', buffering: 'registered', ecc: null },
  l: { form: 'DIMM', buffering: 'load-reduced', ecc: true },
  f: { form: 'DIMM', buffering: 'fully-buffered', ecc: null },
  s: { form: 'SO-DIMM', buffering: 'unbuffered', ecc: false },
  t: { form: 'SO-DIMM', buffering: 'unbuffered', ecc: true },
};

/** `PC`, the generation's digit or none, `L` for low voltage, the number, letters. */
const LABEL =
  /pc(?<![a-z0-9]pc)(?<head>[2-5]?)(?<low>l?)(?<dash> ?- ?| ?)(?<number>\d{2,5})(?<tail>[a-z]{0,2})(?![a-z0-9])/g;

/** What may follow the first part of a label, by generation: timings, then the kind, raw card and revision. */
const FOLLOWING: Partial<Record<Generation, RegExp>> = {
  SDR: /^-(?<cl>\d)\d{2}(?:-\d{3}[a-z]?(?:-[a-z]\d?)?)?(?![a-z0-9])/,
  DDR: /^-(?<cl>\d{2})\d{3}(?:-[a-z]\d?)?(?![a-z0-9])/,
  DDR2: /^-(?<cl>\d)\d{2}(?:-\d{2}(?:-[a-z]\d?)?)?(?![a-z0-9])/,
  DDR3: /^-(?<cl>\d{1,2})-\d{1,2}(?:-\d{1,2})?(?:-[a-z]{1,2}\d{0,2})?(?![a-z0-9])/,
  DDR4: /^-(?<kind>[suretl])(?:[a-hx]?\d{0,2}|\d{2})(?![a-z0-9])(?:-\d{2,4}(?![a-z0-9]))?/,
  DDR5: /^-(?<kind>[suretl])(?:[a-hx]?\d{0,2}|\d{2})(?![a-z0-9])(?:-\d{2,4}(?![a-z0-9]))?/,
};

interface Meaning {
  generation: Generation | null;
  rateMTs: number;
}

const OF_DIGIT: Record<string, Generation> = { '2': 'DDR2', '3': 'DDR3', '4': 'DDR4', '5': 'DDR5' };

/** Numbers from here up are bandwidths: no rate of their generation is as large. */
const LEAST_BANDWIDTH: Partial<Record<Generation, number>> = { DDR2: 3000, DDR3: 6000, DDR4: 12_000, DDR5: 25_000 };

/** A number of a known generation: one of its table, or a bandwidth or rate beyond it that some profile has. */
function ofGeneration(generation: Generation, number: number): Meaning | null {
  const rate = rateOfLabel(generation, number);
  if (rate !== null) return { generation, rateMTs: rate };
  const bandwidth = LEAST_BANDWIDTH[generation];
  if (bandwidth === undefined) return null;
  const beyond = number >= bandwidth ? printedRate(Math.round(number / 8)) : number;
  return plausibleRate(generation, beyond) ? { generation, rateMTs: beyond } : null;
}

/** A number without a generation: SDR and DDR first, which have no digit; else every generation that has it. */
function ofNumber(number: number): Meaning | null {
  for (const generation of ['SDR', 'DDR'] as const) {
    const rate = rateOfLabel(generation, number);
    if (rate !== null) return { generation, rateMTs: rate };
  }
  const all = EDGE_GENERATIONS.flatMap((generation) => {
    const rate = number < 3000 ? null : rateOfLabel(generation, number);
    return rate === null || rate === number ? [] : [{ generation, rateMTs: rate }];
  });
  const [first] = all;
  if (first === undefined) return null;
  // Of a bandwidth that two generations have, the rate holds, and the generation is left to others.
  return all.length === 1 ? first : { generation: null, rateMTs: first.rateMTs };
}

/** `PC3-10600`, `PC3 10600`, `PC310600`, `PC2700`: the digit belongs to the number where that makes a label. */
function meaningOf(head: string, parted: boolean, number: string): Meaning | null {
  const generation = OF_DIGIT[head];
  if (parted) return generation === undefined ? ofNumber(Number(number)) : ofGeneration(generation, Number(number));
  const whole = ofNumber(Number(head + number));
  if (whole !== null || generation === undefined) return whole;
  return number.length >= 4 ? ofGeneration(generation, Number(number)) : null;
}

/** Letters directly behind the number: the kind up to DDR3 and behind a bandwidth, the speed bin behind a rate. */
interface Tail {
  kind: string | null;
  bin: string | null;
}

function tailOf(tail: string, meaning: Meaning, number: string): Tail {
  const late = meaning.generation === 'DDR4' || meaning.generation === 'DDR5';
  if (late && Number(number) === meaning.rateMTs) return { kind: null, bin: tail === '' ? null : tail };
  return { kind: tail.length === 1 ? tail : null, bin: null };
}

/** Bin letters that sellers write for a kind, where no kind follows: they are left open. */
const DOUBTFUL_BINS = new Set(['r', 'e', 's', 'u', 'l']);

/** Module labels, whole (`PC3L-12800S-11-13-F3`, `PC4-2666V-SE1-11`) or in part (`PC4-21300`, `PC2700`). */
export function readLabels(text: ListingText, notes: ListingNotes): void {
  text.each(LABEL, (match, span) => {
    const { head = '', low = '', dash = '', number = '', tail = '' } = match.groups ?? {};
    // "PC 3200" may be a computer and a rate: only a digit or a dash makes a label of it.
    if (dash === ' ' && head === '') return false;
    const meaning = meaningOf(head, dash !== '' || low !== '', number);
    if (meaning === null) return false;
    const { generation, rateMTs } = meaning;
    const { kind, bin } = tailOf(tail, meaning, number);
    const following = generation === null ? null : FOLLOWING[generation]?.exec(text.rest.slice(span.end));
    const whole = { start: span.start, end: span.end + (following?.[0].length ?? 0) };
    if (generation !== null) notes.note('generation', generation, whole);
    notes.note('rateMTs', rateMTs, whole);
    if (low === 'l') notes.note('lowVoltage', true, whole);
    noteFollowing(notes, meaning, whole, { kind, bin, following: following?.groups ?? {}, low: low === 'l' });
    text.take(whole);
    return true;
  });
}

interface Parts extends Tail {
  following: Record<string, string | undefined>;
  low: boolean;
}

function noteFollowing(notes: ListingNotes, { generation, rateMTs }: Meaning, span: Span, parts: Parts): void {
  const { kind, bin, following } = parts;
  const letter = following.kind ?? kind;
  // "PC3-12800L" is written for low voltage as often as for a load-reduced module: only a whole label decides.
  const doubtful = letter === 'l' && following.kind === undefined && following.cl === undefined;
  const said = letter === null || doubtful ? undefined : KINDS[letter];
  if (said !== undefined) {
    notes.note('form', said.form, span);
    notes.note('buffering', said.buffering, span);
    // What a word says of registered modules outweighs what their letter lets expect.
    if (said.ecc !== null) notes.note(said.buffering === 'unbuffered' ? 'ecc' : 'eccByKind', said.ecc, span);
  }
  if (following.cl !== undefined) {
    const digits = Number(following.cl);
    notes.note('casLatency', generation === 'DDR' ? digits / 10 : digits, span);
  } else if (bin !== null && generation !== null && (following.kind !== undefined || !DOUBTFUL_BINS.has(bin))) {
    const latency = binLatency(generation, rateMTs, bin);
    if (latency !== null) notes.note('casLatency', latency, span);
  }
}
