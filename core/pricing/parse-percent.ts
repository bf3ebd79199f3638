/**
 * A percentage as people type it, in hundredths of a percent: `5`, `2.5`, `2,5 %`. Null where it is none.
 *
 * @param mostBp what is more than this is none either
 */
export function parsePercent(text: string, mostBp = 10_000): number | null {
  const found = /^\s*(\d{1,3})(?:[.,](\d{1,2}))?\s*%?\s*$/.exec(text);
  if (found === null) return null;
  const bp = Number(found[1]) * 100 + Number((found[2] ?? '').padEnd(2, '0'));
  return bp > mostBp ? null : bp;
}
