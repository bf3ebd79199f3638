/** How many ranks a word tells, as labels and papers count them in English: `single rank`, `2 ranks`. */
export const RANK_WORDS: Readonly<Record<string, number>> = {
  single: 1,
  one: 1,
  dual: 2,
  double: 2,
  two: 2,
  quad: 4,
  four: 4,
  octal: 8,
};
