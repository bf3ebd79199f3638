import { lines } from '../bytes/lines';
import { foldText } from './fold-text';
import { FOREIGN, MEMORY } from './words';

/** What a line or its heading is about. */
export type Topic = 'memory' | 'other' | null;

/**
 * A line of a specification, or a sentence of a long one: what it is about, its label, and its text, folded. The label of a
 * line without one of its own is the heading that it stands under.
 */
export interface SpecUnit {
  /** the label and what follows it, folded */
  text: string;
  /** how much of `text` is the label */
  labelEnd: number;
  /** how much of `text` is a heading from above, which is not part of the line */
  borrowed: number;
  /** where the line begins in the input */
  start: number;
  topic: Topic;
  /** it only heads what follows */
  isHeading: boolean;
  /** cells of a table's row: where each begins and ends in `text` */
  cells: { start: number; end: number }[];
}

/** A line longer than this is cut into sentences. */
const LONG_LINE = 240;
/** Longer sentences are cut. */
const LONGEST_UNIT = 600;
/** No page says more about a machine than this: lines, and characters in all. */
export const MOST_UNITS = 2_000;
const MOST_CHARACTERS = 200_000;
/** A heading is the label of so many lines below it. */
const HEADS_LINES = 4;
const LONGEST_LABEL = 70;
const LONGEST_HEADING = 60;

export const has = (pattern: RegExp, text: string): boolean => {
  pattern.lastIndex = 0;
  return pattern.test(text);
};

const BOTH = /[/&,+]| (?:and|und|et|y|en|e) /;

/** What a label or heading is about. */
export function topicOf(text: string): Topic {
  FOREIGN.lastIndex = 0;
  const foreign = FOREIGN.exec(text);
  if (foreign !== null) {
    const memory = text.replace(FOREIGN, (word) => ' '.repeat(word.length)).search(MEMORY);
    // "Graphics memory" is of graphics; "memory and storage" and "storage / memory" are of both.
    const isOwn = memory < 0 || (foreign.index < memory && !BOTH.test(text.slice(foreign.index, memory)));
    return isOwn ? 'other' : null;
  }
  return has(MEMORY, text) ? 'memory' : OTHER_HEADING.test(text) ? 'other' : null;
}

/** Sections of a specification that are not about memory, by words that a memory section never begins with. */
const OTHER_HEADING =
  /^(?:processors?|prozessor(?:en)?|processeurs?|procesador(?:es)?|processore|processador|cpu|network(?:ing)?|netzwerk|reseau|red|rete|rede|netwerk|ports?|anschlusse|connect(?:ivity|ique|eurs)|conectividad|power|netzteil|alimentation|alimentacion|voeding|dimensions?|abmessungen|gewicht|weight|poids|peso|operating systems?|betriebssystem|warranty|garantie|garantia|keyboard|tastatur|accessor(?:y|ies)|zubehor|environment|umgebung|cooling|kuhlung|software|security|sicherheit|price|preis)(?![a-z])/;

const CELL_BREAK = /\t+|\s*\|\s*| {3,}/g;

/** Cells of a row that tabs, bars or wide blanks part. */
function cellsOf(text: string): { start: number; end: number }[] {
  const cells: { start: number; end: number }[] = [];
  let from = 0;
  CELL_BREAK.lastIndex = 0;
  for (let found = CELL_BREAK.exec(text); found !== null; found = CELL_BREAK.exec(text)) {
    if (found.index > from) cells.push({ start: from, end: found.index });
    from = found.index + found[0].length;
  }
  if (from < text.length) cells.push({ start: from, end: text.length });
  return cells;
}

const COLON = /^[^:]{2,70}? ?(?<![0-9](?=:[0-9])):(?!\/\/)(?= |$|\t|[a-z0-9<>(])/;

/** Where the label of a line ends: at its first colon, or at the end of its first cell. 0: it has none. */
function labelEnd(text: string, cells: readonly { start: number; end: number }[]): number {
  const colon = COLON.exec(text)?.[0].length ?? 0;
  const [first, ...more] = cells;
  const cell = first !== undefined && more.length > 0 && first.end <= LONGEST_LABEL ? first.end : 0;
  const end = colon > 0 && (cell === 0 || colon < cell) ? colon : cell;
  // A clause that names a size is no label of what follows.
  return /[a-z]/.test(text.slice(0, end)) && !/\d ?[gm][bo](?![a-z])/.test(text.slice(0, end)) ? end : 0;
}

const SENTENCE_END = /(?<=[a-z)\d]{2})[.;!?](?=\s)|\n/g;

/** A long line in sentences, each with its place. */
function* sentences(text: string): Generator<{ text: string; at: number }> {
  if (text.length <= LONG_LINE) {
    yield { text, at: 0 };
    return;
  }
  let from = 0;
  SENTENCE_END.lastIndex = 0;
  for (let found = SENTENCE_END.exec(text); found !== null; found = SENTENCE_END.exec(text)) {
    yield { text: text.slice(from, found.index + 1), at: from };
    from = found.index + 1;
  }
  yield { text: text.slice(from), at: from };
}

/** A line is looked at where it may say something of memory, or heads what follows. */
const TELLING = /[a-z]{2}|\d/;
const HEADING_END = /[:.]$/;

/** Is a short line without figures a heading of what follows? A yes or no is the answer to one. */
function isHeading(text: string, labelled: number): boolean {
  if (text.length > LONGEST_HEADING || (labelled > 0 && text.slice(labelled).trim() !== '')) return false;
  return labelled > 0 || (!/\d/.test(text) && !ANSWER.test(text));
}

const ANSWER =
  /^(?:yes|no|none|not? .*|ja|nein|nicht .*|kein.*|oui|non|aucun.*|si|sim|nao|nee|geen.*|ninguno|nessuno|nenhum|(?:non-?)?ecc.*|(?:is |are |wird |werden )?(?:supported|unterstutzt)|(?:so-?|u|r|lr)?dimms?|(?:dual|single|quad).*|.*(?:solder|verlot|soude|soldad|saldat|on-?board).*)$/;
const BLANK = /^[\s#*>+=_|-]*/;

/**
 * A text as its lines, each with the heading that it stands under. Linear in the text; lines beyond some thousand that
 * could say something are left out.
 */
export function unitsOf(input: string): SpecUnit[] {
  const units: SpecUnit[] = [];
  let heading = '';
  let under = 0;
  let section: Topic = null;
  let characters = 0;
  for (const { text: raw, at: lineAt } of lines(input)) {
    if (units.length >= MOST_UNITS || characters > MOST_CHARACTERS) break;
    for (const sentence of sentences(raw)) {
      const blank = BLANK.exec(sentence.text)?.[0].length ?? 0;
      const text = foldText(sentence.text.slice(blank, blank + LONGEST_UNIT)).trimEnd();
      characters += text.length;
      if (!TELLING.test(text)) continue;
      const start = lineAt + sentence.at + blank;
      const cells = cellsOf(text);
      const labelled = labelEnd(text, cells);
      if (isHeading(text, labelled)) {
        heading = text.replace(HEADING_END, '').trimEnd();
        under = 0;
        const topic = topicOf(heading);
        if (topic !== null || !NEUTRAL.test(heading)) section = topic;
        units.push({ text, labelEnd: 0, borrowed: 0, start, topic: section, isHeading: true, cells });
        continue;
      }
      const prefix = labelled === 0 && heading !== '' && under++ < HEADS_LINES ? `${heading}: ` : '';
      const end = labelled === 0 ? prefix.length : labelled;
      const whole = prefix + text;
      const topic = topicOf(whole.slice(0, end)) ?? section;
      units.push({ text: whole, labelEnd: end, borrowed: prefix.length, start, topic, isHeading: false, cells });
    }
  }
  return units;
}

/** Headings within a section, which say what of it follows and leave the section what it is. */
const NEUTRAL =
  /^(?:max|slots?|steckpl|type|typ|speed|takt|geschw|vitesse|standard|capacit|kapazit|channels?|ecc|form|module|note|hinweis|installed|configuration|velocid|frecuen|frequen|snelheid|ranuras|emplacements|sleuven|banc[oh]i?|tipo|supported|unterst|technolog|tecnolog|size|gross|upgrad|erweiter)/;
