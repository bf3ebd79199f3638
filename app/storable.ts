/**
 * Text as PostgreSQL can hold it: without NUL, and with every lone surrogate replaced. Both come only from broken or
 * hostile senders, and neither means anything to a reader.
 */
export function storable(text: string): string {
  return text.replaceAll('\0', '').replace(/\p{Surrogate}/gu, '\ufffd');
}

/** Parses JSON with all its strings made storable. Throws SyntaxError where it is none. */
export function parseStorable(json: string): unknown {
  return JSON.parse(json, (_, value) => (typeof value === 'string' ? storable(value) : value));
}
