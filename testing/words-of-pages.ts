import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { importsOf } from '../scripts/rooms/imports';

/** Where components ask for a catalogue, as it is written. */
const ASKED = /\b(?:useTranslations|getTranslations)\('(\w+)'\)/g;
/** Catalogues that a component is handed the words of. */
const HANDED = /\bStaffWords<'(\w+)'>/g;

/** The catalogues that a page's components of the browser read: what the page has to hand them, in order. */
export function wordsOfPage(root: string, page: string): string[] {
  const seen = new Set<string>();
  const words = new Set<string>();
  const walk = (file: string): void => {
    if (seen.has(file)) return;
    seen.add(file);
    const text = readFileSync(join(root, file), 'utf8');
    if (file.startsWith('ui/'))
      for (const [, name] of [...text.matchAll(ASKED), ...text.matchAll(HANDED)]) words.add(name ?? '');
    for (const { to, isPackage, isType } of importsOf(root, file))
      if (!isPackage && !isType && /^(?:ui|app)\/.*\.tsx?$/.test(to)) walk(to);
  };
  walk(page);
  return [...words].sort();
}
