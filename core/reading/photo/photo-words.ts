import { readListing } from '../listing/listing';
import { codeSays, isPlainCode, isSameWord } from './code-text';

/** Where something stands, in shares of the picture's width and height. */
export interface PicturePlace {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** A word as a reader of pictures found it. */
export interface FoundWord extends PicturePlace {
  text: string;
  /** how sure the reader is, 0 to 100 */
  confidence: number;
}

/** A word that was read off a picture, with whether it needs no second look. */
export interface PhotoWord extends FoundWord {
  sure: boolean;
}

/** A bar code or a matrix code of a picture. */
export interface PhotoCode extends PicturePlace {
  text: string;
  /** its symbology, such as `Code128` (ISO/IEC 15417), `QRCode` (ISO/IEC 18004), `DataMatrix` (ISO/IEC 16022) */
  symbology: string;
}

/** Words of a picture line by line, from its top. */
export type PhotoLines = PhotoWord[][];

/** A place as it is after the picture was turned, degrees clockwise. */
export function turnedPlace<T extends PicturePlace>(place: T, turned: number): T {
  const { left, top, width, height } = place;
  if (turned === 90) return { ...place, left: 1 - top - height, top: left, width: height, height: width };
  if (turned === 180) return { ...place, left: 1 - left - width, top: 1 - top - height };
  if (turned === 270) return { ...place, left: top, top: 1 - left - width, width: height, height: width };
  return place;
}

/** A word below this is doubtful, above it only where its signs cannot be taken for others. */
const SURE = 86;
/** A word that checks itself, as a label's does, may be a little less sure. */
const SURE_OF_SHAPE = 75;
/** What is less sure than this and holds no figure is no word: an edge, a screw, a stain. */
const NO_WORD = 30;

/** What each sign may be instead, in a picture of letters and figures. */
const ALIKE: Readonly<Record<string, string>> = {
  O: '0',
  o: '0',
  D: '0',
  '0': 'O',
  I: '1',
  l: '1',
  '|': '1',
  '1': 'I',
  S: '5',
  '5': 'S',
  B: '8',
  '8': 'B',
  Z: '2',
  '2': 'Z',
  G: '6',
  '6': 'G',
};

/** How words of the trade are written: one of these with a wrong sign in it is hardly one of them. */
const TRADE_SHAPES: readonly RegExp[] = [
  /^[(]?\d{1,6}(?:[.,]\d{1,3})*(?:[KMGT]i?B|MHz|GHz|MT\/s|V|%|-?bit)?[):,;.]*$/,
  /^[1248](?:S[24])?Rx(?:4|8|16)$/,
  /^[(]?\d{1,2}x\d{1,4}(?:[MG]B)?[),]?$/,
  /^(?:LP)?DDR[2-5]?[LX]?(?:-\d{3,4})?[,;:)]?$/,
  /^CL=?\d{1,2}$/,
  /^(?:channel[a-h][-_ ]?)?(?:so-?)?(?:dimm|slot|bank|mem)[-_ ]?[a-h]?\d{1,2}[:,]?$/i,
  /^[A-H]\d{1,2}:?$/,
];

/** A module's label by its generation, as JEDEC has it printed: rate, bin or kind, timings, raw card, revision. */
const LABEL_SHAPES: readonly RegExp[] = [
  /^PC5-\d{4}[A-Z]{1,2}-[CENRSUL][A-HZ]\d(?:-\d{4}(?:-[A-Z]{2})?)?$/,
  /^PC4-\d{4}[A-Z]{1,2}-[ELNRSTU][A-Z]\d(?:-\d{2})?$/,
  /^PC3[LU]?-\d{4,5}[ELMNRSU](?:-\d{1,2}-\d{2}-[A-Z]\d{1,2})?$/,
  /^PC2-\d{4}[EFMPRSU](?:-\d{3}(?:-\d{2}(?:-[A-Z]\d{1,2})?)?)?$/,
];

/** Is a word a module's label to the end, its rate one of its generation's? Such a word checks itself. */
export function isModuleLabel(text: string): boolean {
  if (!LABEL_SHAPES.some((shape) => shape.test(text))) return false;
  const rate = readListing(text).module.rateMTs;
  // Labels since DDR4 print the rate itself; readers let one beside it pass.
  return rate !== null && (!/^PC[45]/.test(text) || Number(/-(\d+)/.exec(text)?.[1]) === rate);
}

const isOfTrade = (text: string): boolean => TRADE_SHAPES.some((shape) => shape.test(text)) || isModuleLabel(text);

/** Letters and figures in one word, one of them taken for another easily. */
const isMixed = (text: string): boolean => /\d/.test(text) && /[A-Za-z]/.test(text) && /[OoDIl|SBZG0125 68]/.test(text);

/** Does a word need no second look? Only what holds a figure, or capitals that are taken for figures, can change what is read. */
export function isSure({ text, confidence }: FoundWord): boolean {
  if (text.length < 2 || !(/\d/.test(text) || /^[A-Z|-]*[OISBZ|][A-Z|-]*$/.test(text))) return true;
  if (isOfTrade(text)) return confidence >= SURE_OF_SHAPE;
  return confidence >= SURE && !isMixed(text) && !/^PC\d/i.test(text);
}

/** Names of slots end in a figure: a letter there was misread. */
const SLOT_WORD = /^(?:(?:so-?)?dimm|slot|bank|channel|steckplatz|ranura)$/i;
const FIGURES: Readonly<Record<string, string>> = { l: '1', I: '1', '|': '1', i: '1', O: '0', o: '0' };

function slotName(text: string, before: string | undefined): string {
  const isAfter = before !== undefined && SLOT_WORD.test(before);
  const name = isAfter
    ? /^(?<head>[A-Ha-h]?)(?<sign>[lI|iOo])(?<tail>[:,]?)$/.exec(text)
    : /^(?<head>(?:channel[a-h][-_ ]?)?(?:so-?)?(?:dimm|slot|bank)[-_ ]?[a-h]?)(?<sign>[lI|O])(?<tail>[:,]?)$/i.exec(
        text,
      );
  const { head = '', sign = '', tail = '' } = name?.groups ?? {};
  return name === null ? text : head + (FIGURES[sign] ?? sign) + tail;
}

const middle = ({ top, height }: PicturePlace): number => top + height / 2;
const end = ({ left, width }: PicturePlace): number => left + width;

const isWithin = (word: PicturePlace, code: PicturePlace): boolean => {
  const [x, y] = [word.left + word.width / 2, middle(word)];
  const edge = 0.01;
  return (
    x > code.left - edge &&
    x < end(code) + edge &&
    y > code.top - edge &&
    y < code.top + Math.max(code.height, word.height / 2) + edge
  );
};

/** Words in the lines that a person sees, from the top and from the left, whatever pieces they were found in. */
export function photoRowsOf<T extends PicturePlace>(words: readonly T[]): T[][] {
  const rows: T[][] = [];
  for (const word of [...words].sort((a, b) => middle(a) - middle(b))) {
    const row = rows.find((others) =>
      others.some(
        (other) =>
          Math.abs(middle(other) - middle(word)) < Math.min(other.height, word.height) * 0.5 &&
          (end(other) <= word.left + word.width * 0.2 || end(word) <= other.left + other.width * 0.2),
      ),
    );
    if (row === undefined) rows.push([word]);
    else row.push(word);
  }
  return rows.map((row) => row.sort((a, b) => a.left - b.left));
}

/** Joins pieces of one word: they stand nearer to one another than words do. @param ratio the picture's width by its height */
function joined(row: readonly FoundWord[], ratio: number): FoundWord[] {
  const words: FoundWord[] = [];
  for (const word of row) {
    const last = words.at(-1);
    const gap = last === undefined ? 1 : (word.left - end(last)) * ratio;
    const isTorn = last !== undefined && gap < Math.max(last.height, word.height) * 0.08 && /[A-Z\d-]$/.test(last.text);
    if (!isTorn || !/^[A-Z\d-]/.test(word.text)) words.push(word);
    else {
      const top = Math.min(last.top, word.top);
      words[words.length - 1] = {
        text: last.text + word.text,
        confidence: Math.min(last.confidence, word.confidence),
        left: last.left,
        top,
        width: end(word) - last.left,
        height: Math.max(last.top + last.height, word.top + word.height) - top,
      };
    }
  }
  return words;
}

/** What codes say that no word does, as a label would print it. */
function codeLines(words: readonly FoundWord[], codes: readonly PhotoCode[]): string[] {
  const isPrinted = (value: string): boolean => words.some(({ text }) => isSameWord(text, value));
  return codes.flatMap(({ text }) => {
    const { part, serial } = codeSays(text);
    return [
      ...(part === null || isPrinted(part) ? [] : [`P/N: ${part}`]),
      ...(serial === null || isPrinted(serial) ? [] : [`S/N: ${serial}`]),
    ];
  });
}

/** What a picture says, weighed. */
export interface WeighedPhoto {
  lines: PhotoLines;
  /** lines that its codes say and no word does */
  added: string[];
  /** codes that say one word without saying what it is, and that no word repeats */
  unnamed: string[];
}

/**
 * Weighs the words of a picture: in lines, without what codes look like, names of slots with figures where those end in
 * one, and each with whether it needs a second look. A code has check figures: a word that it repeats is sure.
 *
 * @param ratio the picture's width by its height
 */
export function weighPhoto(found: readonly FoundWord[], codes: readonly PhotoCode[], ratio: number): WeighedPhoto {
  const words = found.filter(
    (word) => !codes.some((code) => isWithin(word, code)) && (word.confidence >= NO_WORD || /\d/.test(word.text)),
  );
  const values = codes.flatMap(({ text }) => {
    const { part, serial } = codeSays(text);
    return [part, serial, isPlainCode(text) ? text.trim() : null].filter((value) => value !== null);
  });
  const lines = photoRowsOf(words).map((row) =>
    joined(row, ratio).map((word, at, all): PhotoWord => {
      const value = values.find((one) => isSameWord(word.text, one));
      if (value !== undefined) return { ...word, text: value, sure: true };
      const named = { ...word, text: slotName(word.text, all[at - 1]?.text) };
      const sure = isSure(named);
      return { ...named, text: sure ? named.text : labelOf(named.text), sure };
    }),
  );
  const flat = lines.flat();
  return {
    lines,
    added: codeLines(flat, codes),
    unnamed: codes
      .map(({ text }) => text.trim())
      .filter((text) => isPlainCode(text) && !flat.some((word) => isSameWord(word.text, text))),
  };
}

/** How much of memory a word says: more where its letters and figures are the right ones; nothing where it is a name. */
function sense(text: string): number {
  if (isModuleLabel(text)) return 20;
  return isOfTrade(text) || /^PC\d/.test(text) ? (readListing(text).facts?.length ?? 0) : 0;
}

const MOST_LIKELY = 4;
/** Signs of one word that are taken for others, at most. */
const MOST_SLIPS = 2;
const MOST_TRIED = 200;

interface Spelling {
  text: string;
  /** signs that were taken for others, with one that was read twice counting half */
  slips: number;
}

/** Spellings that are one slip away: a sign that stands for another, or one that was read as both that it may be (`CO0`). */
function oneSlipFrom(word: string): Spelling[] {
  const spellings: Spelling[] = [];
  for (let at = 0; at < word.length; at++) {
    const other = ALIKE[word[at] ?? ''];
    if (other === undefined) continue;
    if (word[at + 1] === other) {
      spellings.push({ text: word.slice(0, at) + word.slice(at + 1), slips: 0.5 });
      spellings.push({ text: word.slice(0, at + 1) + word.slice(at + 2), slips: 0.5 });
    }
    spellings.push({ text: word.slice(0, at) + other + word.slice(at + 1), slips: 1 });
  }
  return spellings;
}

/** A word with all its spellings of up to two slips, the fewest first. */
function spellingsOf(word: string): Spelling[] {
  const found = new Map([[word, 0]]);
  let last: Spelling[] = [{ text: word, slips: 0 }];
  for (let round = 0; round < MOST_SLIPS; round++) {
    const next: Spelling[] = [];
    for (const { text, slips } of last) {
      for (const one of oneSlipFrom(text)) {
        if (found.has(one.text) || found.size >= MOST_TRIED) continue;
        found.set(one.text, slips + one.slips);
        next.push({ text: one.text, slips: slips + one.slips });
      }
    }
    last = next;
  }
  return [...found].map(([text, slips]) => ({ text, slips })).sort((a, b) => a.slips - b.slips);
}

/** Spellings that a doubtful word may have, the ones that say something of memory first; its own is among them. */
export function likelySpellings(word: string): string[] {
  const all = spellingsOf(word);
  // A label misread is hardly anything but a label.
  const labels = all.filter(({ text }) => isModuleLabel(text));
  const ranked = (labels.length > 0 ? labels : all).map((one) => ({ ...one, sense: sense(one.text) }));
  const likely = ranked
    .sort((one, other) => other.sense - one.sense || one.slips - other.slips)
    .slice(0, MOST_LIKELY)
    .map(({ text }) => text);
  return likely.includes(word) ? likely : [...likely.slice(0, MOST_LIKELY - 1), word];
}

/** A label with a sign or two misread, as it must be: there is one spelling that is a label. It is asked about all the same. */
function labelOf(word: string): string {
  if (!/^PC\d/.test(word) || isModuleLabel(word)) return word;
  const labels = spellingsOf(word).filter(({ text }) => isModuleLabel(text));
  const [first] = labels;
  return first !== undefined && labels.filter(({ slips }) => slips === first.slips).length === 1 ? first.text : word;
}

/** The text of a picture's lines, words of which a person said what they are put in their places. */
export function photoText(lines: PhotoLines, said: ReadonlyMap<PhotoWord, string> = new Map()): string {
  return lines.map((words) => words.map((word) => said.get(word) ?? word.text).join(' ')).join('\n');
}
