import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import compile from 'icu-minify/compile';

/** What is filled in and which marks stand in a message, each once. */
export function partsOfMessage(message: string): string[] {
  const names = new Set<string>();
  const walkAll = (parts: unknown): void => {
    if (Array.isArray(parts)) for (const one of parts) walk(one);
  };
  const walk = (part: unknown): void => {
    if (!Array.isArray(part) || typeof part[0] !== 'string') return;
    const [name, ...more] = part;
    names.add(name);
    for (const one of more) {
      if (Array.isArray(one)) walk(one);
      else if (one !== null && typeof one === 'object') for (const form of Object.values(one)) walkAll(form);
    }
  };
  walkAll(compile(message));
  return [...names].sort();
}

const MADE = /const (t\w*) = (?:await )?(?:useTranslations|getTranslations)\('(\w+)'\)|\b(t\w*): StaffWords<'(\w+)'>/g;
const ASKED = /\b(t(?:[A-Z]\w*)?)(?:\.rich)?\(\s*'([\w.-]+)'\s*([,)])/g;

/** What stands between here and the end of the call. */
function restOfCall(source: string): string {
  let depth = 0;
  for (let at = 0; at < source.length; at++) {
    if ('({['.includes(source[at] ?? '')) depth++;
    if (')}]'.includes(source[at] ?? '') && depth-- === 0) return source.slice(0, at);
  }
  return source;
}

/** Where a component says a message without all that has to be filled in, as `file: key: what is missing`. */
export function unfilledMessages(root: string, file: string, words: Readonly<Record<string, object>>): string[] {
  const source = readFileSync(join(root, file), 'utf8');
  const catalogues = new Map([...source.matchAll(MADE)].map(([, a, of, b, handed]) => [a ?? b, of ?? handed]));
  return [...source.matchAll(ASKED)].flatMap((found) => {
    const [whole, said, key = '', end] = found;
    const catalogue = words[catalogues.get(said) ?? ''];
    const message = key.split('.').reduce<unknown>((one, part) => (one as Record<string, unknown>)?.[part], catalogue);
    if (typeof message !== 'string') return [];
    const given = end === ')' ? '' : restOfCall(source.slice(found.index + whole.length));
    const missing = partsOfMessage(message).filter((name) => !new RegExp(`\\b${name}\\b`).test(given));
    return missing.map((name) => `${file}: ${key}: ${name}`);
  });
}
