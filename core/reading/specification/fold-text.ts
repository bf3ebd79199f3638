import { SAME_SIGNS } from '../bytes/same-signs';

/** Letters and signs that stand for a plain one, beside those that Unicode takes apart. */
const SAME: Record<string, string> = {
  ...SAME_SIGNS,
  '\u2022': '|',
  '\u00b7': '|',
  '\u25cf': '|',
  '\u25aa': '|',
  '\u2023': '|',
  '\u2502': '|',
  '\uff1a': ':',
  '\u2018': "'",
  '\u2019': "'",
  '\u00b4': "'",
  '\u00df': 's',
  '\u00f8': 'o',
  '\u0131': 'i',
  '\u2122': ' ',
  '\u00ae': ' ',
  '\u00a9': ' ',
};

const folded = new Map<string, string>();

function foldLetter(letter: string): string {
  const known = folded.get(letter);
  if (known !== undefined) return known;
  const [plain = letter] = letter.normalize('NFD').toLowerCase();
  const one = SAME[letter.toLowerCase()] ?? (plain.length === 1 ? plain : letter);
  folded.set(letter, one);
  return one;
}

const BEYOND_ASCII = /[^\0-\x7f]/;

/** A text in lower case, its letters without marks, each for one: a place in it is the same place in the input. */
export function foldText(text: string): string {
  if (!BEYOND_ASCII.test(text)) return text.toLowerCase();
  let plain = '';
  for (let at = 0; at < text.length; at++) plain += foldLetter(text[at] ?? '');
  return plain;
}
