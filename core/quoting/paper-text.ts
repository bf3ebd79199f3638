import type { Language } from '../language';

/** Texts of the shop that stand whole on quotes: what customers bring or do, its terms, the withdrawal notice. */
export const PAPER_TEXTS = ['bring', 'terms', 'withdrawal'] as const;
export type PaperTextKind = (typeof PAPER_TEXTS)[number];
export const MOST_PAPER_TEXT = 20_000;

/** A text as a quote has it, frozen with its version. */
export interface PaperText {
  kind: PaperTextKind;
  version: number;
  words: string;
}

/** The texts that a quote in a language gets, in the order in which they are read; those that say nothing are left out. */
export const textsForQuote = (
  texts: readonly (PaperText & { language: Language })[],
  language: Language,
): PaperText[] =>
  PAPER_TEXTS.flatMap((kind) =>
    texts
      .filter((one) => one.kind === kind && one.language === language && one.words !== '')
      .map(({ version, words }) => ({ kind, version, words })),
  );

/** Paragraphs of a text, and nothing of its markup: it has none. */
export const paragraphsOf = (words: string): string[] =>
  words
    .split(/\n\s*\n/)
    .map((one) => one.trim())
    .filter((one) => one !== '');
