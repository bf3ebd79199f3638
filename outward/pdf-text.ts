import { join } from 'node:path';

type Weight = 'regular' | 'bold';

const FILES = join(process.cwd(), 'node_modules', '@fontsource', 'archivo', 'files');
const NUMBER: Record<Weight, number> = { regular: 400, bold: 700 };

/** Where a face is: each weight comes as one file for Latin and one for the letters of its neighbours. */
export function fontFiles(weight: Weight): { latin: string; more: string } {
  const file = (subset: string) => join(FILES, `archivo-${subset}-${NUMBER[weight]}-normal.woff`);
  return { latin: file('latin'), more: file('latin-ext') };
}

/** Characters that the Latin file holds: Latin-1 and the typographic signs we print. */
const LATIN = /^[ -\u00ff\u0131\u0152\u0153\u02bb-\u02dc\u2000-\u206f\u20ac\u2122\u2191\u2193\u2212\u2215]$/;

export interface Run {
  text: string;
  more: boolean;
}

/** A text in runs that one font file can set, in order. */
export function fontRuns(text: string): Run[] {
  const runs: Run[] = [];
  for (const letter of text) {
    const more = !LATIN.test(letter);
    const last = runs.at(-1);
    if (last !== undefined && (last.more === more || letter === ' ')) last.text += letter;
    else runs.push({ text: letter, more });
  }
  return runs;
}
