import type { StaffLanguage } from './languages';
import de from './sentences/de.json';

/**
 * Sentences by their English text, `{}` for what differs. Theirs names it by its place there: `{1}` as it is, `{1!}` where it
 * is words of ours that have a translation too.
 */
const CATALOGUES: Record<Exclude<StaffLanguage, 'en'>, Readonly<Record<string, string>>> = { de };

interface Pattern {
  /** the fixed texts of the English sentence; what differs stands between them */
  fixed: readonly string[];
  theirs: string;
}

/** Of two that fit, the one is meant that begins with words of its own, then the one that says more. */
function patternsOf(catalogue: Readonly<Record<string, string>>): Pattern[] {
  const length = (key: string) => key.replaceAll('{}', '').length;
  return Object.entries(catalogue)
    .filter(([key]) => key.includes('{}'))
    .sort(([a], [b]) => Number(a.startsWith('{')) - Number(b.startsWith('{')) || length(b) - length(a))
    .map(([key, theirs]) => ({ fixed: key.split('{}'), theirs }));
}

const PATTERNS = new Map(Object.entries(CATALOGUES).map(([language, catalogue]) => [language, patternsOf(catalogue)]));

/** Longer sentences quote what somebody sent: they are told as they are. */
const MOST_LENGTH = 2000;
/** Sentences within sentences that are translated; those deeper down stay English. */
const MOST_DEPTH = 3;

/** What differs in a sentence, in its order; null: it is another sentence. Each fixed text is looked for once, from the left. */
function partsOf(sentence: string, fixed: readonly string[]): string[] | null {
  const [first = '', ...others] = fixed;
  const last = others.at(-1) ?? '';
  if (!sentence.startsWith(first) || !sentence.endsWith(last)) return null;
  const end = sentence.length - last.length;
  const parts: string[] = [];
  let from = first.length;
  for (const text of others.slice(0, -1)) {
    const at = sentence.indexOf(text, from);
    if (at < 0 || at + text.length > end) return null;
    parts.push(sentence.slice(from, at));
    from = at + text.length;
  }
  return from > end ? null : [...parts, sentence.slice(from, end)];
}

function told(language: Exclude<StaffLanguage, 'en'>, sentence: string, depth: number): string {
  const catalogue = CATALOGUES[language];
  if (Object.hasOwn(catalogue, sentence)) return catalogue[sentence] ?? sentence;
  if (depth > MOST_DEPTH) return sentence;
  for (const { fixed, theirs } of PATTERNS.get(language) ?? []) {
    const parts = partsOf(sentence, fixed);
    if (parts === null) continue;
    return theirs.replace(/\{(\d)(!?)\}/g, (_, nr: string, isOurs: string) => {
      const part = parts[Number(nr) - 1] ?? '';
      return isOurs === '' ? part : told(language, part, depth + 1);
    });
  }
  return sentence;
}

/**
 * A sentence of ours in a person's language; one that no catalogue has stays English.
 *
 * @param sentence as the service and the core say it, in English
 */
export const sentenceIn = (language: StaffLanguage, sentence: string): string =>
  language === 'en' || sentence.length > MOST_LENGTH ? sentence : told(language, sentence, 1);

const BETWEEN_FACTS = ' · ';

/** Facts in a row (`DDR4 SO-DIMM · 2 slots · 32 GB in total`), each in a person's language. */
export const factsIn = (language: StaffLanguage, facts: string): string =>
  facts
    .split(BETWEEN_FACTS)
    .map((fact) => sentenceIn(language, fact))
    .join(BETWEEN_FACTS);
