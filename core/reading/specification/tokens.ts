import { GENERATIONS, type Generation } from '../../memory/generation';
import { rateOfLabel } from '../../memory/labels';
import type { Buffering } from '../../memory/module';
import { printedRate } from '../../memory/printed-rate';
import { RANK_WORDS } from '../../memory/rank-words';
import { plausibleRate } from '../listing/listing-rates';
import {
  CONDITION,
  COUNTS,
  FIXED,
  FOREIGN,
  FREE,
  IN_ALL,
  MAX,
  MEMORY,
  MODULE,
  NOT,
  OVERCLOCK,
  PER_CPU,
  PER_SLOT,
  PER_SLOT_SIGN,
  SLOT,
  SOLDERED,
  STANDARD,
  SUPPORTS,
  THIRTY_TWO_BIT,
  WITH,
} from './words';

/** What a piece of a unit's text is; capacities MiB, rates MT/s, voltages mV, heights mm. */
export type TokenKind =
  | { is: 'capacity'; mib: number }
  | { is: 'split'; count: number; mib: number }
  | { is: 'rate'; rateMTs: number; bare: boolean }
  | { is: 'generation'; generation: Generation; low: boolean }
  | { is: 'form'; form: string; buffering: Buffering | null; plain: boolean }
  | { is: 'ecc'; ecc: boolean }
  | { is: 'buffering'; buffering: Buffering }
  | { is: 'voltage'; mv: number }
  | { is: 'load'; modules: number }
  | { is: 'ranks'; ranks: number }
  | { is: 'channels'; channels: number }
  | { is: 'bits'; bits: number }
  | { is: 'count'; count: number }
  | { is: MarkWord };

/** Words that say what the figures beside them are. */
export type MarkWord =
  | 'max'
  | 'in-all'
  | 'slot'
  | 'standard'
  | 'soldered'
  | 'fixed'
  | 'per-slot'
  | 'per-cpu'
  | 'module'
  | 'supports'
  | 'not'
  | 'condition'
  | 'with'
  | 'overclock'
  | 'foreign'
  | 'memory'
  | 'free'
  | 'and'
  | 'comma'
  | 'or'
  | 'but'
  | 'open'
  | 'close';

export type Token = TokenKind & { start: number; end: number };
/** Tokens of one kind. */
export type TokenOf<Is extends TokenKind['is']> = Extract<Token, { is: Is }>;

export const isA =
  <Is extends TokenKind['is']>(is: Is) =>
  (token: Token): token is TokenOf<Is> =>
    token.is === is;

const UNIT_MIB: Record<string, number> = { g: 1024, m: 1, t: 1024 * 1024 };
const UNIT =
  '(?<unit>gib|gb|go|mib|mb|mo|tib|tb|g(?=[ -]?(?:ddr|ram|dimm|[,;)/]|$)))(?![a-z0-9]|ps(?![a-z])| ?/ ?s(?:ec)?(?![a-z]))';
const NUMBER = "(?<number>\\d{1,3}(?:[.,' ]\\d{3})+(?= ?m)|\\d{1,6}(?:[.,]\\d{1,2})?)";
const NUMBER_WORD = Object.keys(COUNTS).join('|');

/** A number as it is written in any of the languages: groups of three digits before MB, decimals else. */
function mibOf(number: string, unit: string): number {
  const plain = /^\d{1,3}(?:[.,' ]\d{3})+$/.test(number) ? number.replace(/[.,' ]/g, '') : number.replace(',', '.');
  return Number(plain) * (UNIT_MIB[unit[0] ?? 'g'] ?? 0);
}

/** Sizes that memory comes in: half, one and one and a half of powers of two, and their sums with a soldered part. */
const isCapacity = (mib: number): boolean => Number.isInteger(mib) && mib >= 8 && mib <= 64 * 1024 * 1024;

type Make = (match: RegExpExecArray) => TokenKind | TokenKind[] | null;
interface Rule {
  pattern: RegExp;
  make: Make;
}

const rule = (pattern: RegExp, make: Make): Rule => ({ pattern, make });
const mark = (pattern: RegExp, is: MarkWord): Rule => ({ pattern, make: () => ({ is }) });

const countOf = (text: string | undefined): number => COUNTS[text ?? ''] ?? Number(text);

function splitOf({ groups }: RegExpExecArray): TokenKind | null {
  const count = countOf(groups?.count);
  const mib = mibOf(groups?.number ?? '', groups?.unit ?? '');
  return isCapacity(mib) && count >= 1 && count <= 64 ? { is: 'split', count, mib } : null;
}

/** Numbers that share a unit: `8/16/32 GB`, `2, 4 or 8 GB`. */
function sharedOf({ groups }: RegExpExecArray): TokenKind[] | null {
  const numbers = (groups?.list ?? '').match(/\d{1,4}/g)?.map(Number) ?? [];
  const all = numbers.map((number) => number * (UNIT_MIB[(groups?.unit ?? 'g')[0] ?? 'g'] ?? 0));
  const whole = numbers.every((number) => number <= 2048 && isPower(number));
  return whole ? all.map((mib) => ({ is: 'capacity', mib })) : null;
}

const isPower = (number: number): boolean =>
  Number.isInteger(Math.log2(number)) ||
  Number.isInteger(Math.log2(number / 1.5)) ||
  Number.isInteger(Math.log2(number / 1.25));

const GENERATION_NAMES = new Map<string, Generation>(GENERATIONS.map((name) => [name.toLowerCase(), name]));
const ROMAN: Record<string, string> = { ii: '2', iii: '3', iv: '4' };

function generationOf({ groups }: RegExpExecArray): TokenKind[] | null {
  const { low = '', digit = '', mark: letter = '', rate } = groups ?? {};
  const number = ROMAN[digit] ?? digit;
  const name = `${low}ddr${number === '1' ? '' : number}`;
  const generation = GENERATION_NAMES.get(letter === 'x' ? `${name}x` : name) ?? GENERATION_NAMES.get(name);
  if (generation === undefined) return null;
  const told: TokenKind[] = [{ is: 'generation', generation, low: letter === 'l' && generation === 'DDR3' }];
  const mts = rate === undefined ? null : printedRate(Number(rate));
  if (mts !== null && plausibleRate(generation, mts)) told.push({ is: 'rate', rateMTs: mts, bare: false });
  return told;
}

const OF_PC: Record<string, Generation> = { '': 'DDR', '2': 'DDR2', '3': 'DDR3', '4': 'DDR4', '5': 'DDR5' };

function labelOf({ groups }: RegExpExecArray): TokenKind[] | null {
  const { digit = '', low = '', number } = groups ?? {};
  const plain = digit === '' ? (Number(number) < 200 ? 'SDR' : 'DDR') : OF_PC[digit];
  if (plain === undefined) return null;
  const rateMTs = rateOfLabel(plain, Number(number));
  if (rateMTs === null) return null;
  return [
    { is: 'generation', generation: plain, low: low !== '' && plain === 'DDR3' },
    { is: 'rate', rateMTs, bare: false },
  ];
}

const FORMS: Record<string, { form: string; buffering: Buffering | null }> = {
  '': { form: 'DIMM', buffering: null },
  u: { form: 'DIMM', buffering: 'unbuffered' },
  cu: { form: 'DIMM', buffering: 'unbuffered' },
  r: { form: 'DIMM', buffering: 'registered' },
  lr: { form: 'DIMM', buffering: 'load-reduced' },
  fb: { form: 'DIMM', buffering: 'fully-buffered' },
  so: { form: 'SO-DIMM', buffering: null },
  sou: { form: 'SO-DIMM', buffering: 'unbuffered' },
  sor: { form: 'SO-DIMM', buffering: 'registered' },
  cso: { form: 'SO-DIMM', buffering: 'unbuffered' },
  mini: { form: 'Mini-DIMM', buffering: null },
  micro: { form: 'Micro-DIMM', buffering: null },
};

function formOf({ groups }: RegExpExecArray): TokenKind | null {
  const kind = (groups?.kind ?? '').replace(/[ .-]/g, '');
  const said = FORMS[kind];
  return said === undefined ? null : { is: 'form', ...said, plain: kind === '' };
}

const CHANNEL_COUNTS: Record<string, number> = {
  single: 1,
  mono: 1,
  ein: 1,
  einzel: 1,
  uni: 1,
  dual: 2,
  double: 2,
  doble: 2,
  doppio: 2,
  duplo: 2,
  dubbel: 2,
  zwei: 2,
  twee: 2,
  bi: 2,
  deux: 2,
  dos: 2,
  due: 2,
  dois: 2,
  two: 2,
  triple: 3,
  tri: 3,
  drei: 3,
  three: 3,
  triplo: 3,
  tripel: 3,
  drie: 3,
  trois: 3,
  tres: 3,
  tre: 3,
  quad: 4,
  quadri: 4,
  quadruple: 4,
  cuadruple: 4,
  vier: 4,
  four: 4,
  quadruplo: 4,
  quattro: 4,
  cuatro: 4,
  quatre: 4,
  quatro: 4,
  hexa: 6,
  six: 6,
  sechs: 6,
  seis: 6,
  zes: 6,
  sei: 6,
  octa: 8,
  octo: 8,
  eight: 8,
  acht: 8,
  huit: 8,
  ocho: 8,
  otto: 8,
  oito: 8,
  twelve: 12,
  zwolf: 12,
  douze: 12,
  doce: 12,
  twaalf: 12,
  dodici: 12,
  doze: 12,
};
const CHANNEL_NOUN = '(?:channels?|kanale?n?|kanal|canal|canaux|canales|canale|canali|canais|kanaals?|kanalen)';

function channelsOf({ groups }: RegExpExecArray): TokenKind | null {
  const word = groups?.word ?? '';
  const channels = CHANNEL_COUNTS[word] ?? Number(word);
  return channels >= 1 && channels <= 16 ? { is: 'channels', channels } : null;
}

const rateRule: Make = ({ groups }) => {
  const rate = Number(groups?.rate);
  return rate >= 66 && rate <= 12_000 ? { is: 'rate', rateMTs: printedRate(rate), bare: false } : null;
};

const voltageRule: Make = ({ groups }) => {
  const mv = Math.round(Number((groups?.volts ?? '').replace(',', '.')) * 1000);
  return VOLTAGES.has(mv) ? { is: 'voltage', mv } : null;
};
/** Supply voltages of the generations, mV, and how they are rounded. */
const VOLTAGES = new Set([3300, 2600, 2500, 1800, 1500, 1350, 1250, 1200, 1100]);

const WORD_RANKS: Record<string, number> = { ...RANK_WORDS, ein: 1, zwei: 2, vier: 4 };

/** Rules from the longest and surest to the shortest: what one has taken the next ones leave alone. */
const RULES: readonly Rule[] = [
  mark(FIXED, 'fixed'),
  // Cards, graphics memory and their like hold words of memory: they go first.
  mark(FOREIGN, 'foreign'),
  mark(PER_CPU, 'per-cpu'),
  rule(
    new RegExp(
      `(?<![a-z0-9])(?<count>\\d{1,2}|${NUMBER_WORD}) ?-? ?(?:so-?|u|r|lr)?(?:dimms?|modules?|moduls?|modul[eio]n?s?|barrettes?|riegel|sticks?)? ?(?:per|pro|je|par|por|/) ?(?:memory |speicher|geheugen)?${CHANNEL_NOUN}(?![a-z])`,
      'g',
    ),
    ({ groups }) => ({ is: 'load', modules: countOf(groups?.count) }),
  ),
  rule(/(?<![a-z0-9])(?<count>[1-9]) ?-?(?:dpc|spc)(?![a-z0-9])/g, ({ groups }) => ({
    is: 'load',
    modules: Number(groups?.count),
  })),
  rule(
    new RegExp(
      `(?<![a-z0-9])(?<word>${Object.keys(CHANNEL_COUNTS).join('|')}|\\d{1,2})[ -]?(?:memory[ -]|speicher-?)?${CHANNEL_NOUN}(?![a-z])`,
      'g',
    ),
    channelsOf,
  ),
  rule(
    new RegExp(`(?<![a-z])${CHANNEL_NOUN} (?<word>${Object.keys(CHANNEL_COUNTS).join('|')}|duali?)(?![a-z])`, 'g'),
    channelsOf,
  ),
  rule(
    new RegExp(
      `(?<![a-z])(?:speicher|geheugen)?${CHANNEL_NOUN}(?: d[ei] mem[a-z]+)?\\)?[ :=\\t]{1,3}(?:\\| ?)?(?<word>\\d{1,2})(?![\\w.])`,
      'g',
    ),
    channelsOf,
  ),
  rule(/(?<![a-z0-9])(?<ranks>[1248])[dsq]?r(?:x(?:4|8|16))?(?![a-z0-9])/g, ({ groups }) => ({
    is: 'ranks',
    ranks: Number(groups?.ranks),
  })),
  rule(/(?<![a-z])(?<word>single|one|dual|double|two|quad|four|octal)[ -]?ranks?(?:ed)?(?![a-z])/g, ({ groups }) => ({
    is: 'ranks',
    ranks: WORD_RANKS[groups?.word ?? ''] ?? 1,
  })),
  mark(PER_SLOT_SIGN, 'per-slot'),
  rule(PER_SLOT, ([said]) => {
    const form = /so-?dimm/.test(said) ? 'SO-DIMM' : /dimm/.test(said) ? 'DIMM' : null;
    return form === null
      ? { is: 'per-slot' }
      : [{ is: 'per-slot' }, { is: 'form', form, buffering: null, plain: true }];
  }),
  rule(THIRTY_TWO_BIT, ([, bits]) => ({ is: 'bits', bits: Number(bits) })),
  rule(
    /(?:(?<![a-z0-9])|(?<=(?<![a-z0-9])\d{1,2}x))(?<low>lp)?ddr[ -]?(?<digit>[1-5]|iii|ii|iv)?(?<mark>l|x)?(?:(?: ?- ?| )(?<rate>\d{3,5})(?! ?(?:[mg][bo]|pin|kontakt))(?![0-9]))?(?![a-z0-9])/g,
    generationOf,
  ),
  // "DDR4 SDRAM" was taken by its generation's name and the word is left: only alone does it name one.
  rule(/(?<![a-z0-9])sdr(?:am)?(?![a-z0-9])/g, () => ({ is: 'generation', generation: 'SDR', low: false })),
  rule(/(?<![a-z0-9])pc(?<digit>)(?<low>)(?<number>66|100|133|1600|2100|2700|3200)(?![0-9])/g, labelOf),
  rule(/(?<![a-z0-9])pc(?<digit>[2-5]?)(?<low>l?)[ -](?<number>\d{2,5})(?![0-9])/g, labelOf),
  rule(new RegExp(`(?<![\\w.,-])(?<count>\\d{1,2}) ?(?:pcs ?)?[x*] ?${NUMBER}[ -]?${UNIT}`, 'g'), splitOf),
  rule(
    new RegExp(
      `(?<![\\w.,])${NUMBER}[ -]?(?<unit>gib|gb|go|mib|mb|mo) ?[x*] ?(?<count>\\d{1,2})(?![\\d.,]\\d|\\d| ?[mg][bo])`,
      'g',
    ),
    splitOf,
  ),
  rule(
    new RegExp(
      `(?<![a-z0-9])(?<count>\\d{1,2}|${NUMBER_WORD}) (?:so-?dimms?|dimms?|modules?|modul[eio]s?|barrettes?|sticks?) (?:of|a|zu|de|da|van|mit|x)? ?(?:je )?${NUMBER}[ -]?${UNIT}`,
      'g',
    ),
    splitOf,
  ),
  rule(
    new RegExp(
      `(?<![a-z0-9.,])(?<count>[1-9]|1[0-9]|2[0-4]|one|eine?[nrm]?|une?|un[oa]|een|uma?|two|three|four|six|eight|zwei|drei|vier|deux|quatre|dos|cuatro|twee|due|quattro|dois|quatro) ${NUMBER}[ -]?${UNIT}(?= (?:(?:lp)?ddr\\d? )?(?:so-?|u|r|lr)?(?:dimms?|modules?|modul[eio]s?|barrettes?|sticks?|riegel))`,
      'g',
    ),
    splitOf,
  ),
  rule(
    /(?<![\w.,-])(?<list>\d{1,4}(?: ?\/ ?\d{1,4})+|\d{1,4}(?:, ?\d{1,4})*,? (?:or|and|oder|und|ou|et|o|y|of|en|e) \d{1,4}) ?(?<unit>gb|go|mb|mo|gib)(?![a-z0-9]|\/s(?![a-z]))/g,
    sharedOf,
  ),
  rule(new RegExp(`(?<![\\w.,-]|\\d )${NUMBER}[ -]?${UNIT}`, 'g'), ({ groups }) => {
    const mib = mibOf(groups?.number ?? '', groups?.unit ?? '');
    return isCapacity(mib) ? { is: 'capacity', mib } : null;
  }),
  // "1 To" is a terabyte where no other number follows.
  rule(
    /(?<![\w.,-])(?<number>\d{1,2}(?:[.,]\d)?) to(?! ?\d)(?![a-z])(?= (?:au|de|max|mem)|[,.;)]|$)/g,
    ({ groups }) => ({
      is: 'capacity',
      mib: mibOf(groups?.number ?? '', 't'),
    }),
  ),
  rule(/(?<![\w.,])(?<rate>\d{2,5})[ -]?(?:mhz|mt\/s|mt\/sec|mts|mtps|mbps|megatransfers)(?![a-z0-9])/g, rateRule),
  rule(/(?<![\d.,a-z])(?<volts>\d[.,]\d{1,3}|\d) ?v(?:olts?|dc)?(?![a-z0-9])/g, voltageRule),
  rule(/(?<![\d.,a-z])(?<volts>\d[.,]\d{1,3}) ?[/-] ?(?=\d[.,]\d{1,3} ?v(?![a-z0-9]))/g, voltageRule),
  rule(/(?<![a-z])(?<kind>fb|lr|so[ -]?r|so[ -]?u|cso|cu|u|r|s\.?o\.?|mini|micro)?[ -]?d\.?imms?(?![a-z])/g, formOf),
  rule(/(?<![a-z])(?:lp)?camm2?(?![a-z0-9])/g, () => ({ is: 'form', form: 'CAMM2', buffering: null, plain: false })),
  rule(
    /(?<![a-z])(?:with or without|mit oder ohne|avec ou sans|con o sin|met of zonder|con o senza|com ou sem)[ -]ecc(?![a-z])/g,
    () => [{ is: 'ecc', ecc: false }, { is: 'and' }, { is: 'ecc', ecc: true }],
  ),
  rule(
    /(?<![a-z])(?:non?|nicht|ohne|sans|sin|niet|senza|sem|not|without|kein|geen|zonder|nao)[ -]{0,3}ecc(?![a-z])/g,
    () => ({ is: 'ecc', ecc: false }),
  ),
  rule(/(?<![a-z])on[ -]?die[ -]ecc(?![a-z])/g, () => ({ is: 'foreign' })),
  rule(/(?<![a-z])(?:non?|without)[ -]parity(?![a-z])/g, () => ({ is: 'ecc', ecc: false })),
  rule(/(?<![a-z])ecc(?![a-z])/g, () => ({ is: 'ecc', ecc: true })),
  rule(
    /(?<![a-z])(?:un-?|non-?)(?:buffered|registered|reg\.?)(?![a-z])|(?<![a-z])ungepuffert[a-z]{0,2}(?![a-z])|(?<![a-z])(?:sans tampon|non tamponnee|sin bufer|sin bufferr?|ongebufferd|ongebufferde|senza buffer|sem buffer)(?![a-z])/g,
    () => ({
      is: 'buffering',
      buffering: 'unbuffered',
    }),
  ),
  rule(/(?<![a-z])(?:fully[ -]buffered|vollgepuffert[a-z]{0,2})(?![a-z])/g, () => ({
    is: 'buffering',
    buffering: 'fully-buffered',
  })),
  rule(/(?<![a-z])(?:load[ -]reduced|lastreduziert[a-z]{0,2})(?![a-z])/g, () => ({
    is: 'buffering',
    buffering: 'load-reduced',
  })),
  rule(
    /(?<![a-z])(?:registered|reg|buffered|registriert[a-z]{0,2}|gepuffert[a-z]{0,2}|registrad[ao]s?|registre[es]?s?|registrat[ao]|geregistreerd[e]?)(?![a-z])/g,
    () => ({
      is: 'buffering',
      buffering: 'registered',
    }),
  ),
  mark(SOLDERED, 'soldered'),
  mark(OVERCLOCK, 'overclock'),
  mark(MAX, 'max'),
  mark(IN_ALL, 'in-all'),
  mark(SLOT, 'slot'),
  mark(STANDARD, 'standard'),
  mark(MODULE, 'module'),
  mark(SUPPORTS, 'supports'),
  mark(NOT, 'not'),
  mark(CONDITION, 'condition'),
  mark(FREE, 'free'),
  mark(MEMORY, 'memory'),
  rule(
    new RegExp(
      `(?<![\\w.,-])(?<count>\\d{1,2}|${NUMBER_WORD}) ?(?:x(?=(?:lp)?ddr|so-?dimm|[ulr]*dimm)|(?:x|[*])?(?![\\w]|[.,]\\d))`,
      'g',
    ),
    ({ groups }) => ({ is: 'count', count: countOf(groups?.count) }),
  ),
  rule(/(?<![a-z0-9])x ?(?<count>\d{1,2})(?![\w])/g, ({ groups }) => ({ is: 'count', count: Number(groups?.count) })),
  rule(
    /(?<![a-z0-9.,])(?<rate>\d{3,5})(?![ -]?(?:pin|kontakt|polig|broche|contact|contatti))(?=\+|[^\d.a-z]|,(?!\d{3})|\.(?!\d)|oc|$)/g,
    ({ groups }) => {
      const rate = Number(groups?.rate);
      return rate >= 100 && rate <= 12_000 ? { is: 'rate', rateMTs: printedRate(rate), bare: true } : null;
    },
  ),
  rule(/(?<=\d) ?\+(?!\d)/g, () => ({ is: 'overclock' })),
  mark(WITH, 'with'),
  mark(/(?<![a-z])(?:and|und|et|y|en|e|sowie)(?![a-z])|[&+]/g, 'and'),
  mark(/(?<![a-z])(?:or|oder|ou|o|of|oppure)(?![a-z])|\//g, 'or'),
  mark(/(?<![a-z])(?:but|aber|mais|pero|maar|ma|mas|however|whereas)(?![a-z])/g, 'but'),
  // A sentence's end parts more than a comma.
  mark(/(?<=[a-z0-9)%])[.!?](?=\s)/g, 'but'),
  mark(/[,;|\t]/g, 'comma'),
  mark(/[([]/g, 'open'),
  mark(/[)\]]/g, 'close'),
];

/**
 * The tokens of a unit's folded text, in order. Rules go from the surest to the loosest, and each leaves alone what another
 * has taken.
 */
export function tokensOf(text: string): Token[] {
  const taken = new Uint8Array(text.length);
  const tokens: Token[] = [];
  for (const { pattern, make } of RULES) {
    pattern.lastIndex = 0;
    for (let match = pattern.exec(text); match !== null; match = pattern.exec(text)) {
      const start = match.index;
      const end = start + match[0].length;
      if (end === start) {
        pattern.lastIndex = end + 1;
        continue;
      }
      if (taken.subarray(start, end).includes(1)) continue;
      const made = make(match);
      if (made === null) continue;
      taken.fill(1, start, end);
      for (const one of Array.isArray(made) ? made : [made]) tokens.push({ ...one, start, end });
    }
  }
  return tokens.sort((a, b) => a.start - b.start);
}
