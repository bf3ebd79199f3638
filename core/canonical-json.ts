/** Anything that JSON can say; members that are undefined are not said. */
export type Json = string | number | boolean | null | readonly Json[] | { readonly [key: string]: Json | undefined };

/**
 * The one way to write a value as JSON that has the same bytes wherever it is written: no space, members sorted by their
 * names as UTF-16, numbers and strings as ECMAScript writes them (RFC 8785).
 *
 * @throws RangeError where a number is no finite one, or a text holds half a surrogate pair: neither can be written so
 */
export function canonicalJson(value: Json): string {
  if (typeof value === 'number' && !Number.isFinite(value)) throw new RangeError('only finite numbers can be written');
  if (typeof value === 'string' && /\p{Surrogate}/u.test(value)) throw new RangeError('half a surrogate pair');
  if (value === null || typeof value !== 'object') return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map(canonicalJson).join()}]`;
  const members = Object.entries(value as { readonly [key: string]: Json | undefined })
    .filter((member): member is [string, Json] => member[1] !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0));
  return `{${members.map(([name, one]) => `${canonicalJson(name)}:${canonicalJson(one)}`).join()}}`;
}
