import { SAME_SIGNS } from '../bytes/same-signs';

/** Letters that sellers use for one another, each for one: the places of the text stay what they are. */
const SAME: Record<string, string> = {
  ...SAME_SIGNS,
  '\t': ' ',
  '\n': ' ',
  '\r': ' ',
  '\u2022': ' ',
  '\u00b7': ' ',
  '\uff0c': ',',
};

const FIRST_LETTER = 0x61;
const LAST_LETTER = 0x7a;
const FIRST_BEYOND_ASCII = 0x7f;

function plainText(title: string): string {
  let ascii = true;
  for (let at = 0; at < title.length && ascii; at++) {
    const code = title.charCodeAt(at);
    ascii = code >= 0x20 && code < FIRST_BEYOND_ASCII;
  }
  if (ascii) return title.toLowerCase();
  let text = '';
  for (const letter of title.split('')) {
    const code = letter.charCodeAt(0);
    text += code >= 0x41 && code <= 0x5a ? String.fromCharCode(code + 0x20) : (SAME[letter] ?? letter);
  }
  return text;
}

/** The letters a to z that stand in a text, a bit each. */
function lettersOf(text: string): number {
  let letters = 0;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code >= FIRST_LETTER && code <= LAST_LETTER) letters |= 1 << (code - FIRST_LETTER);
  }
  return letters;
}

/** A word that is looked for in many titles: its letters tell of most titles at once that it is not there. */
export interface Probe {
  word: string;
  letters: number;
}

export const probe = (word: string): Probe => ({ word, letters: lettersOf(word) });

/**
 * What is put in the place of text that was understood: no reader looks for it, and it parts words. A plain letter of
 * one byte keeps the text quick to search.
 */
const TAKEN = '~';

export interface Span {
  start: number;
  end: number;
}

/** Text of a listing that nobody has understood yet, in lower case; places are those of the title. */
export class ListingText {
  #text: string;
  readonly #letters: number;

  constructor(title: string) {
    this.#text = plainText(title);
    this.#letters = lettersOf(this.#text);
  }

  get rest(): string {
    return this.#text;
  }

  /** Takes a span out, so that no later reader understands it as something else. */
  take({ start, end }: Span): void {
    this.#text = this.#text.slice(0, start) + TAKEN.repeat(end - start) + this.#text.slice(end);
  }

  /** Does a word stand anywhere in what is left? One look spares the patterns that would find nothing. */
  has({ word, letters }: Probe): boolean {
    return (letters & ~this.#letters) === 0 && this.#text.includes(word);
  }

  hasAny(probes: readonly Probe[]): boolean {
    for (const one of probes) if (this.has(one)) return true;
    return false;
  }

  /**
   * Every match of a pattern (with the `g` flag), first to last. What `use` says yes to is taken out.
   */
  each(pattern: RegExp, use: (match: RegExpExecArray, span: Span) => boolean): void {
    const text = this.#text;
    pattern.lastIndex = 0;
    let match = pattern.exec(text);
    while (match !== null) {
      // Found in the text as it was: a match that is taken out does not hide its neighbour.
      const next = pattern.exec(text);
      const span = { start: match.index, end: match.index + match[0].length };
      if (use(match, span)) this.take(span);
      match = next;
    }
  }
}
