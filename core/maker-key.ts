/** Endings of company names, which lists write and leave out as they like. */
const ENDINGS =
  /\b(gmbh|ag|kg|inc|ltd|llc|plc|corp|corporation|company|co|limited|s\.?a|s\.?r\.?l|b\.?v|oy|ab|as)\b\.?/g;

/** A maker's name as it is compared: lower case, without accents, company endings and what parts words. */
export function makerKey(name: string): string {
  const plain = name.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');
  const bare = plain.replace(ENDINGS, ' ').replace(/[^\p{L}\p{N}]+/gu, '');
  // A maker whose whole name is such a word keeps it.
  return bare === '' ? plain.replace(/[^\p{L}\p{N}]+/gu, '') : bare;
}
