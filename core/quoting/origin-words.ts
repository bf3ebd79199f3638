import type { Origin } from '../planning/lanes';

/** What a customer reads after a part, where it is not a new third-party one. */
export const ORIGIN_WORDS: Record<Origin, string> = {
  original: ', the maker’s own part',
  'third-party': '',
  used: ', used and tested by us',
};
