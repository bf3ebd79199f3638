import { parseCapacity } from '../../memory/parse-capacity';
import { parseMoneyIn } from '../../pricing/parse-money';
import type { Goal } from '../model/case';

/** What a part of a wish looks like, and what it wishes for; undefined: it is none after all. */
const PARTS: readonly { pattern: RegExp; goal: (value: string, currency: string) => Goal | undefined }[] = [
  {
    pattern: /\b(\d{3,5})\s*mt\/?s\b/i,
    goal: (value) => ({ minRateMTs: Number(value) }),
  },
  {
    pattern: /\b(\d{1,2})\s*(?:slots?\s*)?(?:free|open)(?:\s*slots?)?\b/i,
    goal: (value) => ({ minOpenSlots: Number(value) }),
  },
  {
    pattern: /\b(?:under|below|up to|at most|max|for)\s*\p{Sc}?\s*(\d+(?:[.,]\d{1,2})?)\s*\p{Sc}?(?![\w.,])/iu,
    goal: (value, currency) => {
      const maxPriceCents = parseMoneyIn(value, currency);
      return maxPriceCents === null || maxPriceCents <= 0 ? undefined : { maxPriceCents };
    },
  },
  {
    pattern: /\b(?:at least\s*)?(\d+(?:[.,]\d+)?\s*(?:mb|gb|tb|g|t))\b/i,
    goal: (value) => {
      const minMiB = parseCapacity(value);
      return minMiB === null ? undefined : { minMiB };
    },
  },
];

/** A wish as it is typed: `64 GB under 100`, `32 GB, 1 free, 2666 MT/s`. Null where the line says anything else. */
export function parseWish(line: string, currency: string): Goal | null {
  let rest = line;
  let wish: Goal = {};
  for (const { pattern, goal } of PARTS) {
    const found = pattern.exec(rest);
    const part = found?.[1] === undefined ? undefined : goal(found[1], currency);
    if (found === null || part === undefined) continue;
    wish = { ...wish, ...part };
    rest = rest.replace(found[0], ' ');
  }
  const isWhole = /^[\s,;&+]*(?:and|with|[\s,;&+])*$/i.test(rest);
  return isWhole && Object.keys(wish).length > 0 ? wish : null;
}
