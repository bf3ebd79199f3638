import type { Buffering } from '../../memory/module';
import { RANK_WORDS } from '../../memory/rank-words';
import type { ReadFact } from '../reading';
import type { ListingNotes } from './listing-notes';
import { type ListingText, type Probe, probe } from './listing-text';

interface Word {
  /** a part of the words: where it is missing, the pattern need not be tried */
  part: Probe;
  words: RegExp;
  says: readonly (readonly [field: string, value: ReadFact['value']])[];
}

const word = (part: string, words: RegExp, ...says: Word['says']): Word => ({ part: probe(part), words, says });
const buffering = (kind: Buffering): readonly ['buffering', Buffering] => ['buffering', kind];

/**
 * Words of the trade and what they say, in the order they are looked for: the longer before those they hold. A word
 * without a meaning is only taken out, so that nothing else reads it.
 */
const WORDS: readonly Word[] = [
  word('ecc', /(?<![a-z])on[ -]?die[ -]ecc(?![a-z])/g),
  word('ecc', /(?<![a-z])(?:non?|no|without|w\/o)[ -]{0,3}ecc(?![a-z])/g, ['ecc', false]),
  word('ecc', /(?<![a-z])ecc ?[:=] ?(?:no|none|n\/a)(?![a-z])/g, ['ecc', false]),
  word('ecc', /(?<![a-z])ecc(?![a-z])/g, ['ecc', true]),
  word('parity', /(?<![a-z])(?:non?|no|without|w\/o)[ -]{0,3}parity(?![a-z])/g, ['ecc', false]),
  word('buff', /(?<![a-z])buffered ?[:=] ?(?:no|none|n\/a)(?![a-z])/g),
  word('buff', /(?<![a-z])fully[ -]buffered(?![a-z])/g, buffering('fully-buffered'), ['form', 'DIMM']),
  word('buff', /(?<![a-z])(?:un|non)[ -]?buff(?:ered|\.)?(?![a-z])/g, buffering('unbuffered')),
  word('buff', /(?<![a-z])buffered(?![a-z])/g, buffering('registered')),
  word('reg', /(?<![a-z])registered ?[:=] ?(?:no|none|n\/a)(?![a-z])/g),
  word('reg', /(?<![a-z])(?:un|non)[ -]?registered(?![a-z])/g, buffering('unbuffered')),
  word('reg', /(?<![a-z])registered(?![a-z])/g, buffering('registered')),
  word('reg', /(?<![a-z])non[ -]?reg\.?(?![a-z])/g, buffering('unbuffered')),
  word('reg', /(?<![a-z])reg\.?(?![a-z])/g, buffering('registered')),
  word('load', /(?<![a-z])load[ -]reduced(?![a-z])/g, buffering('load-reduced')),
  word('fbd', /(?<![a-z])fbd(?![a-z])/g, buffering('fully-buffered'), ['form', 'DIMM']),
  word('camm', /(?<![a-z])(?:lp)?camm2?(?![a-z0-9])/g, ['form', 'CAMM2']),
  word('laptop', /(?<![a-z])laptops?(?![a-z])/g, ['use', 'SO-DIMM']),
  word('notebook', /(?<![a-z])notebooks?(?![a-z])/g, ['use', 'SO-DIMM']),
  word('desktop', /(?<![a-z])desktops?(?![a-z])/g, ['use', 'DIMM']),
  word('vlp', /(?<![a-z])vlp(?![a-z])/g, ['heightMm', 18.75], ['lowProfile', true]),
  word('profile', /(?<![a-z])very low[ -]profile(?![a-z])/g, ['heightMm', 18.75], ['lowProfile', true]),
  word('profile', /(?<![a-z])low[ -]profile(?![a-z])/g, ['lowProfile', true]),
  word('for parts', /(?<![a-z])for parts(?![a-z])/g, ['condition', 'damaged']),
  word('working', /(?<![a-z])not working(?![a-z])/g, ['condition', 'damaged']),
  word('defective', /(?<![a-z])defective(?![a-z])/g, ['condition', 'damaged']),
  word('faulty', /(?<![a-z])faulty(?![a-z])/g, ['condition', 'damaged']),
  word('broken', /(?<![a-z])broken(?![a-z])/g, ['condition', 'damaged']),
  word('repair', /(?<![a-z])spares or repair(?![a-z])/g, ['condition', 'damaged']),
  word('refurb', /(?<![a-z])refurb(?:ished)?(?![a-z])/g, ['condition', 'refurbished']),
  word('renewed', /(?<![a-z])renewed(?![a-z])/g, ['condition', 'refurbished']),
  word('recertified', /(?<![a-z])recertified(?![a-z])/g, ['condition', 'refurbished']),
  word('owned', /(?<![a-z])pre[ -]?owned(?![a-z])/g, ['condition', 'used']),
  word('hand', /(?<![a-z])second[ -]?hand(?![a-z])/g, ['condition', 'used']),
  word('used', /(?<![a-z])used(?![a-z])/g, ['condition', 'used']),
  word('pull', /(?<![a-z])(?:pulled|pulls?)(?![a-z])/g, ['condition', 'used']),
  word('new', /(?<![a-z])(?:brand[ -])?new(?![a-z])(?! (?:york|model|version))/g, ['condition', 'new']),
];

const DIMM = /d\.?imms?(?![a-z])/g;
/** What stands before a `DIMM` and says its kind. */
const DIMM_KIND = /(?<![a-z])(?<kind>fb|lr|so[ -]?r|so[ -]?u|cso|c?u|r|s\.?o\.?|mini|micro|long)?[ -]?$/;
const LONGEST_KIND = 8;
/** Kinds with blanks, dots and dashes left out. */
const DIMMS: Record<string, { form: string; buffering?: Buffering }> = {
  fb: { form: 'DIMM', buffering: 'fully-buffered' },
  lr: { form: 'DIMM', buffering: 'load-reduced' },
  sor: { form: 'SO-DIMM', buffering: 'registered' },
  sou: { form: 'SO-DIMM', buffering: 'unbuffered' },
  cso: { form: 'SO-DIMM', buffering: 'unbuffered' },
  cu: { form: 'DIMM', buffering: 'unbuffered' },
  u: { form: 'DIMM', buffering: 'unbuffered' },
  r: { form: 'DIMM', buffering: 'registered' },
  so: { form: 'SO-DIMM' },
  mini: { form: 'Mini-DIMM' },
  micro: { form: 'Micro-DIMM' },
  long: { form: 'DIMM' },
  '': { form: 'DIMM' },
};

function readDimms(text: ListingText, notes: ListingNotes): void {
  text.each(DIMM, (_match, { start, end }) => {
    const before = text.rest.slice(Math.max(0, start - LONGEST_KIND), start);
    const kind = DIMM_KIND.exec(before);
    const said = kind === null ? undefined : DIMMS[(kind.groups?.kind ?? '').replace(/[ .-]/g, '')];
    if (kind === null || said === undefined) return false;
    const span = { start: start - kind[0].length, end };
    notes.note('form', said.form, span);
    if (said.buffering !== undefined) notes.note('buffering', said.buffering, span);
    text.take(span);
    return false;
  });
}

const RANKED = /(?<![a-z0-9])(?:(?<stack>\d)s ?)?(?<ranks>[1248]) ?[dq]?r ?x ?(?<width>4|8|16|32)(?![\d])/g;
const RANKS_OF: Record<string, number> = { s: 1, d: 2, q: 4, ...RANK_WORDS };
const RANK_NAMED =
  /(?<![a-z])(?<name>single|one|dual|double|two|quad|four|octal)[ -]?rank(?:ed|s)?(?: ?x ?(?<width>4|8|16)(?![\d]))?(?![a-z])/g;
/** `DRx8` for two ranks. */
const RANK_LETTER = /(?<![a-z0-9])(?<name>[sdq])r ?x ?(?<width>4|8|16)(?![\d])/g;
/** `Rank: 2`, `ranks: dual`. */
const RANK_SAID =
  /(?<![a-z])ranks? ?[:=] ?(?:(?<ranks>[1248])r?|(?<name>single|dual|quad|octal))(?: ?x ?(?<width>4|8|16)(?![\d]))?(?![a-z0-9])/g;
const RANK_SIGNS = ['rx', 'r x', 'rank', '1r', '2r', '4r', '8r'].map(probe);
const RANK_NUMBER = /(?<![\d.,a-z])(?<ranks>[1248])[ -]?(?:ranks?|r)(?: ?x ?(?<width>4|8|16)(?![\d]))?(?![a-z0-9])/g;

/** `2Rx8`, `2S2Rx4`, `dual rank x8`, `1 rank`, `DRx8`. */
export function readRanks(text: ListingText, notes: ListingNotes): void {
  if (!text.hasAny(RANK_SIGNS)) return;
  for (const pattern of [RANKED, RANK_SAID, RANK_NAMED, RANK_LETTER, RANK_NUMBER]) {
    text.each(pattern, (match, span) => {
      const { ranks, name, width } = match.groups ?? {};
      notes.note('ranks', ranks === undefined ? (RANKS_OF[name ?? ''] ?? 1) : Number(ranks), span);
      if (width !== undefined) notes.note('deviceWidth', Number(width), span);
      return true;
    });
  }
}

export function readWords(text: ListingText, notes: ListingNotes): void {
  readDimms(text, notes);
  for (const { part, words, says } of WORDS) {
    if (!text.has(part)) continue;
    text.each(words, (_match, span) => {
      for (const [field, value] of says) notes.note(field, value, span);
      return true;
    });
  }
}

const PINS = [
  /(?<![\d.,a-z])(?<pins>\d{3})[ -]?(?:pins?|p|contacts?|pol)(?![a-z0-9])/g,
  /(?<![a-z])(?:pins|contacts) ?[:=] ?(?<pins>\d{3})(?![\d])/g,
];

const PIN_WORDS = ['pin', 'contact', 'pol', '8p', '4p', '0p', '2p', ' p'].map(probe);

export function readPins(text: ListingText, notes: ListingNotes): void {
  if (!text.hasAny(PIN_WORDS)) return;
  for (const pattern of PINS) {
    text.each(pattern, (match, span) => {
      notes.note('pins', Number(match.groups?.pins), span);
      return true;
    });
  }
}

const HEIGHT = [
  /(?<![a-z])(?:height|high|tall)[ :]{0,2}(?<mm>\d{2}(?:[.,]\d{1,2})?) ?mm(?![a-z])/g,
  /(?<![\d.,a-z])(?<mm>\d{2}(?:[.,]\d{1,2})?) ?mm(?: (?:tall|high|height))?(?![a-z])/g,
];
const HEIGHT_UNITS = [' mm', ...Array.from('0123456789', (digit) => `${digit}mm`)].map(probe);
const LEAST_HEIGHT = 15;
const MOST_HEIGHT = 70;

export function readHeight(text: ListingText, notes: ListingNotes): void {
  if (!text.hasAny(HEIGHT_UNITS)) return;
  for (const pattern of HEIGHT) {
    text.each(pattern, (match, span) => {
      const mm = Number((match.groups?.mm ?? '').replace(',', '.'));
      if (mm < LEAST_HEIGHT || mm > MOST_HEIGHT) return false;
      notes.note('heightMm', mm, span);
      return true;
    });
  }
}

const PART =
  /(?<![a-z])(?:p\/n|pn|part(?: ?(?:no|number|#))?\.?|mpn|model no\.?)[ :#.]{1,3}(?<part>[a-z0-9][a-z0-9\-/._]{3,39})/g;

const PART_WORDS = ['p/n', 'pn', 'part', 'model no'].map(probe);

/** A part name, only where it is called one: anything else with letters and digits may be a machine's. */
export function readPart(text: ListingText, notes: ListingNotes, title: string): void {
  if (!text.hasAny(PART_WORDS)) return;
  text.each(PART, (match, span) => {
    const part = match.groups?.part ?? '';
    // "Spare part 16GB": a number with a unit is a capacity.
    if (!/\d/.test(part) || /^\d{1,6}(?:[gmt][bo]|gig|gib|mib|tib)(?![a-z0-9])/.test(part)) return false;
    const start = span.end - part.length;
    notes.note('part', title.slice(start, span.end).replace(/[.\-/_]+$/, ''), { start, end: span.end });
    return true;
  });
}

/** A serial, only where it is called one, and only one that holds a figure. */
const SERIAL =
  /(?<![\p{L}\d])(?:s\/n|sn|serial(?: ?(?:no\.?|nr\.?|number|num\.?|#))?)(?: ?[:#]| ?= ?|(?= )) ?(?<serial>(?=[a-z-]*\d)[a-z\d][a-z\d-]{3,29})(?![\p{L}\d])/gu;
const SERIAL_WORDS = ['s/n', 'sn', 'serial'].map(probe);

/** A module's serial, as its label prints it. */
export function readSerial(text: ListingText, notes: ListingNotes, title: string): void {
  if (!text.hasAny(SERIAL_WORDS)) return;
  text.each(SERIAL, (match, span) => {
    const serial = match.groups?.serial ?? '';
    const start = span.end - serial.length;
    notes.note('serial', title.slice(start, span.end), { start, end: span.end });
    return true;
  });
}
