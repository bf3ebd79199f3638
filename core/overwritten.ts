import { canonicalJson, type Json } from './canonical-json';

const same = (one: unknown, other: unknown): boolean =>
  canonicalJson((one ?? null) as Json) === canonicalJson((other ?? null) as Json);

/**
 * What somebody else wrote meanwhile: fields whose value of now is neither what the writer saw nor what they write. Fields that
 * the writer does not write are nobody's business here, so two who write different fields both keep theirs.
 *
 * @param now what is kept
 * @param seen what the writer saw, of each field that they write
 * @param next what they write
 * @returns the values of now by field; null: nothing was written meanwhile
 */
export function overwritten(
  now: Readonly<Record<string, unknown>>,
  seen: Readonly<Record<string, unknown>>,
  next: Readonly<Record<string, unknown>>,
): Record<string, unknown> | null {
  const fields = Object.keys(next).filter((field) => !same(now[field], seen[field]) && !same(now[field], next[field]));
  return fields.length === 0 ? null : Object.fromEntries(fields.map((field) => [field, now[field] ?? null]));
}

/** Of two whole values the fields that differ, with what `next` says. */
export function changedFields<T extends object>(seen: T, next: T): Partial<T> {
  const names = Object.keys(next) as (keyof T)[];
  return Object.fromEntries(
    names.filter((name) => !same(seen[name], next[name])).map((name) => [name, next[name]]),
  ) as Partial<T>;
}
