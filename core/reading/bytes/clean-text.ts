/** Zeros and halves of letters: no database holds them, and they mean nothing to a reader. */
const UNCLEAN = /\0|\p{Surrogate}/u;
const HALVES = /\p{Surrogate}/gu;

/** Text without zeros (a blank stands in each place) and without lone surrogates; places stay what they were. */
export function cleanText(text: string): string {
  return UNCLEAN.test(text) ? text.replaceAll('\0', ' ').replace(HALVES, '\ufffd') : text;
}
