import { cleanText } from './clean-text';

/** Deeper nesting than this is no report of a machine. */
const MOST_DEPTH = 100;
/** More objects and lists than this are no report of a machine; a server's hardware tree has a few thousand. */
const MOST_CONTAINERS = 200_000;

/** More strings than this, names included, are no report of a machine either. */
const MOST_STRINGS = 300_000;
/** Nor are more values: a server's tree with its SPDs byte by byte has a tenth of it. */
const MOST_VALUES = 500_000;

const OPENERS: Record<string, string> = { '{': '}', '[': ']' };

/** What a scan of a JSON text finds, without building anything of it. */
interface Scan {
  tooMuch: boolean;
  /** end of the last value that is whole, and the brackets that are open there */
  wholeEnd: number;
  openAt: string[];
  open: boolean;
}

const TOO_MUCH: Scan = { tooMuch: true, wholeEnd: 0, openAt: [], open: true };

/** Goes over the structure of a JSON text: strings are skipped, brackets counted, nothing else looked at. */
function scan(text: string): Scan {
  const marks = /["{}[\],]/g;
  const closers: string[] = [];
  let containers = 0;
  let strings = 0;
  let values = 1;
  let wholeEnd = 0;
  let depthThere = 0;
  for (let found = marks.exec(text); found !== null; found = marks.exec(text)) {
    const [mark] = found;
    if (mark === '"') {
      const end = endOfString(text, found.index + 1);
      if (end === null) break;
      if (++strings > MOST_STRINGS) return TOO_MUCH;
      marks.lastIndex = end;
    } else if (mark === ',') {
      if (++values > MOST_VALUES) return TOO_MUCH;
      wholeEnd = found.index;
      depthThere = closers.length;
    } else if (mark in OPENERS) {
      closers.push(OPENERS[mark] ?? '');
      if (++containers > MOST_CONTAINERS || closers.length > MOST_DEPTH) {
        return TOO_MUCH;
      }
    } else {
      closers.pop();
      wholeEnd = found.index + 1;
      depthThere = closers.length;
    }
  }
  return { tooMuch: false, wholeEnd, openAt: closers.slice(0, depthThere), open: closers.length > 0 };
}

/** Place behind a string's closing quote; null where the text ends before it. */
function endOfString(text: string, from: number): number | null {
  for (let quote = text.indexOf('"', from); quote >= 0; quote = text.indexOf('"', quote + 1)) {
    let slashes = 0;
    while (text[quote - 1 - slashes] === '\\' && quote - 1 - slashes >= from) slashes++;
    if (slashes % 2 === 0) return quote + 1;
  }
  return null;
}

export interface ParsedJson {
  value: unknown;
  /** the text ends before its last brackets: what was whole by then is here */
  cut: boolean;
}

/** Escapes that make what a plain text could not hold. */
const UNCLEAN_ESCAPE = /\\u(?:0000|d[89a-f])/i;
const cleaned = (_name: string, value: unknown): unknown => (typeof value === 'string' ? cleanText(value) : value);

function parsed(text: string): unknown {
  try {
    return UNCLEAN_ESCAPE.test(text) ? JSON.parse(text, cleaned) : JSON.parse(text);
  } catch {
    return undefined;
  }
}

/**
 * Parses JSON as reports bring it: with nesting and size bounded before anything is built; objects that follow each
 * other without a list around them (RFC 8259 would want one); and a text that ends too early, up to its last whole value.
 *
 * @returns null where it is no JSON, or too deep or too large
 */
export function parseJson(text: string): ParsedJson | null {
  const { tooMuch, wholeEnd, openAt, open } = scan(text);
  if (tooMuch) return null;
  const value = parsed(text);
  if (value !== undefined) return { value, cut: false };
  const list = text.trimStart().startsWith('{') && !open ? parsed(`[${text.trim().replace(/,$/, '')}]`) : undefined;
  if (list !== undefined) return { value: list, cut: false };
  if (!open || wholeEnd === 0) return null;
  const closed = parsed(`${text.slice(0, wholeEnd)}${openAt.reverse().join('')}`);
  return closed === undefined ? null : { value: closed, cut: true };
}

/** Every object in a JSON value, outermost first, each with the name it stands under. */
export function* objectsIn(value: unknown): Generator<{ object: Record<string, unknown>; key: string }> {
  const left: { value: object; key: string }[] = [];
  if (typeof value === 'object' && value !== null) left.push({ value, key: '' });
  for (let next = left.pop(); next !== undefined; next = left.pop()) {
    const { value: one, key } = next;
    if (!Array.isArray(one)) yield { object: one as Record<string, unknown>, key };
    for (const inner of innerObjects(one, key).reverse()) left.push(inner);
  }
}

/** Only what is an object or a list itself: a list of millions of numbers costs nothing here. */
function innerObjects(container: object, key: string): { value: object; key: string }[] {
  const inner: { value: object; key: string }[] = [];
  if (Array.isArray(container)) {
    for (const item of container) if (typeof item === 'object' && item !== null) inner.push({ value: item, key });
    return inner;
  }
  for (const name in container) {
    const value: unknown = (container as Record<string, unknown>)[name];
    if (typeof value === 'object' && value !== null) inner.push({ value, key: name });
  }
  return inner;
}
