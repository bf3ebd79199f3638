import type { StaffLanguage } from './languages';
import de from './sentences/de.json';

/** Sentences of faults by their English text, `{}` for what differs; theirs name it by its place there: `{1}`. */
const CATALOGUES: Record<Exclude<StaffLanguage, 'en'>, Readonly<Record<string, string>>> = { de };

interface Pattern {
  /** what the English sentence is like; each group is what differs */
  like: RegExp;
  theirs: string;
}

const literal = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Of two that fit, the one is meant that begins with words of its own, then the one that says more. */
function patternsOf(catalogue: Readonly<Record<string, string>>): Pattern[] {
  const fixed = (key: string) => key.replaceAll('{}', '').length;
  return Object.entries(catalogue)
    .filter(([key]) => key.includes('{}'))
    .sort(([a], [b]) => Number(a.startsWith('{')) - Number(b.startsWith('{')) || fixed(b) - fixed(a))
    .map(([key, theirs]) => ({ like: new RegExp(`^${key.split('{}').map(literal).join('(.*)')}$`, 's'), theirs }));
}

const PATTERNS = new Map(Object.entries(CATALOGUES).map(([language, catalogue]) => [language, patternsOf(catalogue)]));

/** Longer sentences quote what somebody sent: they are told as they are. */
const MOST_LENGTH = 2000;

/**
 * A sentence of a fault in a person's language; one that no catalogue has stays English.
 *
 * @param sentence as the service says it, in English
 */
export function sentenceIn(language: StaffLanguage, sentence: string): string {
  if (language === 'en' || sentence.length > MOST_LENGTH) return sentence;
  const whole = CATALOGUES[language][sentence];
  if (whole !== undefined) return whole;
  for (const { like, theirs } of PATTERNS.get(language) ?? []) {
    const found = like.exec(sentence);
    // What differs may be a sentence itself: it is shorter, so this comes to an end.
    if (found !== null)
      return theirs.replace(/\{(\d)\}/g, (_, nr: string) => sentenceIn(language, found[Number(nr)] ?? ''));
  }
  return sentence;
}
