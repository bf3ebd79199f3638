/** No page of ours sends lists within lists deeper than this, or more values in one request. */
export const JSON_BOUNDS = { depth: 24, values: 20_000 } as const;

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const COMMA = 0x2c;
const OPEN = new Set([0x5b, 0x7b]);
const CLOSE = new Set([0x5d, 0x7d]);

/** Where the string that begins at `from` ends: at its closing quote, or at the end of the text. */
function endOfString(json: string, from: number): number {
  for (let at = from + 1; at < json.length; at++) {
    const code = json.charCodeAt(at);
    if (code === QUOTE) return at;
    if (code === BACKSLASH) at++;
  }
  return json.length;
}

/**
 * Is JSON (RFC 8259) within bounds? Looks at brackets and commas only, in one pass and before anything is built of it;
 * whether it is JSON at all is for the parser.
 */
export function withinBounds(json: string, most: { depth: number; values: number } = JSON_BOUNDS): boolean {
  let depth = 0;
  let values = 1;
  for (let at = 0; at < json.length; at++) {
    const code = json.charCodeAt(at);
    if (code === QUOTE) at = endOfString(json, at);
    else if (code === COMMA) values++;
    else if (OPEN.has(code)) {
      depth++;
      values++;
    } else if (CLOSE.has(code)) depth--;
    if (depth > most.depth || values > most.values) return false;
  }
  return true;
}
