/** Signs that writers use for one another, each for one plain sign: blanks, dashes, the times sign (Unicode, General Punctuation). */
export const SAME_SIGNS: Readonly<Record<string, string>> = {
  '\u00a0': ' ',
  '\u2007': ' ',
  '\u2009': ' ',
  '\u202f': ' ',
  '\u2010': '-',
  '\u2011': '-',
  '\u2012': '-',
  '\u2013': '-',
  '\u2014': '-',
  '\u2212': '-',
  '\u00d7': 'x',
  '\u2715': 'x',
};
