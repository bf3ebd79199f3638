import { type PhotoLines, type PhotoWord, photoText } from '@/core/reading/photo/photo-words';

/** What a person has said of a photograph so far. */
export interface PhotoAnswers {
  /** what each doubtful word is; one that is not in it is still open */
  said: ReadonlyMap<PhotoWord, string>;
  /** what a code without a name is, `P/N` or `S/N`; empty: neither */
  named: Readonly<Record<string, string>>;
  /** the words as they were typed over; null: they are as they were read and answered */
  typed: string | null;
}

export const NO_ANSWERS: PhotoAnswers = { said: new Map(), named: {}, typed: null };

/** What was read off a photograph, as far as its text needs it. */
interface ReadOff {
  lines: PhotoLines;
  added: readonly string[];
}

/** The text that is read: what was typed over, else the words with what was said of them and what codes add. */
export function textOfPhoto({ lines, added }: ReadOff, { said, named, typed }: PhotoAnswers): string {
  if (typed !== null) return typed;
  const fromCodes = Object.entries(named).flatMap(([code, as]) => (as === '' ? [] : [`${as}: ${code}`]));
  return [photoText(lines, said), ...added, ...fromCodes].filter((line) => line !== '').join('\n');
}

/** A text with another word in place of the first that is just this one. */
function withFirst(text: string, word: string, other: string): string {
  let isDone = false;
  return text.replace(/\S+/g, (found) => {
    if (isDone || found !== word) return found;
    isDone = true;
    return other;
  });
}

/** A word is said; in words that were typed over it is put in its place there, and nothing else of them is lost. */
export function withWord(answers: PhotoAnswers, word: PhotoWord, text: string): PhotoAnswers {
  const { said, typed } = answers;
  const before = said.get(word) || word.text;
  return {
    ...answers,
    said: new Map(said).set(word, text),
    typed: typed === null || text === '' ? typed : withFirst(typed, before, text),
  };
}

/** A code is named; in words that were typed over it has a line of its own. */
export function withCode(answers: PhotoAnswers, code: string, as: string): PhotoAnswers {
  const { named, typed } = answers;
  const isCodes = (line: string): boolean => /^[PS]\/N: /.test(line) && line.endsWith(` ${code}`);
  const others = typed?.split('\n').filter((line) => !isCodes(line)) ?? [];
  return {
    ...answers,
    named: { ...named, [code]: as },
    typed: typed === null ? null : [...others, ...(as === '' ? [] : [`${as}: ${code}`])].join('\n'),
  };
}
