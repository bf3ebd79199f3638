import { readListing } from './listing';

/** A word that was read off a picture, with its place in shares of the picture's width and height. */
export interface PhotoWord {
  text: string;
  /** how sure the reader of the picture is, 0 to 100 */
  confidence: number;
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Words of a picture line by line, from its top. */
export type PhotoLines = PhotoWord[][];

/** A word below this is doubtful: a person says what it is. */
const SURE = 86;

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

/** Is a word worth a question? Only what holds a figure, or capitals that are taken for figures, can change what is read. */
export const isDoubtful = ({ text, confidence }: PhotoWord): boolean =>
  confidence < SURE && text.length > 1 && (/\d/.test(text) || /^[A-Z|-]*[OISBZ|][A-Z|-]*$/.test(text));

/** How much of memory a text says: more where the letters and figures are the right ones. */
const sense = (text: string): number => readListing(text).facts?.length ?? 0;

const MOST_LIKELY = 4;
/** Signs of one word that are taken for others, at most. */
const MOST_SLIPS = 2;
const MOST_TRIED = 200;

/** Spellings that a doubtful word may have, the ones that say something of memory first; its own is among them. */
export function likelySpellings(word: string): string[] {
  const slips = new Map([[word, 0]]);
  for (let slip = 1; slip <= MOST_SLIPS; slip++) {
    for (const [spelling, before] of [...slips]) {
      if (before !== slip - 1) continue;
      for (let at = 0; at < spelling.length && slips.size < MOST_TRIED; at++) {
        const other = ALIKE[spelling[at] ?? ''];
        const next = other === undefined ? spelling : spelling.slice(0, at) + other + spelling.slice(at + 1);
        if (!slips.has(next)) slips.set(next, slip);
      }
    }
  }
  const ranked = [...slips].map(([text, slip]) => ({ text, slip, sense: sense(text) }));
  const [first, ...others] = ranked.sort((a, b) => b.sense - a.sense || a.slip - b.slip).map(({ text }) => text);
  const likely = [first ?? word, ...others].slice(0, MOST_LIKELY);
  return likely.includes(word) ? likely : [...likely.slice(0, -1), word];
}

/** The text of a picture's lines, words of which a person said what they are put in their places. */
export function photoText(lines: PhotoLines, said: ReadonlyMap<PhotoWord, string> = new Map()): string {
  return lines.map((words) => words.map((word) => said.get(word) ?? word.text).join(' ')).join('\n');
}
