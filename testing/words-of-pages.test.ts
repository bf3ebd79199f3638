import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../scripts/setup.mjs';
import { WORDS_OF_STATIONS } from '../ui/words/words-of-stations';
import { wordsOfPage } from './words-of-pages';

const pages = readdirSync(join(ROOT, 'app'), { recursive: true, encoding: 'utf8' })
  .filter((path) => path.endsWith('page.tsx'))
  .map((path) => `app/${path}`);

/** The catalogues that a page hands to its components, as they are written. */
function handedBy(page: string): string[] {
  const text = readFileSync(join(ROOT, page), 'utf8');
  const lists = [...text.matchAll(/\b(?:words|of)=\{\[([^\]]*)\]\}/g)].map(([, list]) => list ?? '');
  return [...new Set(['frame', ...lists.flatMap((list) => list.match(/\w+/g) ?? [])])].sort();
}

test.each(pages.filter((page) => !page.includes('[station]')))(
  '%s hands its components the words that they read',
  (page) => {
    const read = [...new Set(['frame', ...wordsOfPage(ROOT, page)])].sort();
    const handed = handedBy(page);
    // A page without components of its own hands nothing on.
    if (read.length > 1 || handed.length > 1) expect(handed).toEqual(read);
    expect(read.filter((name) => !handed.includes(name))).toEqual([]);
  },
);

const BESIDE = ['beside', 'close-job-button', 'on-device-button', 'closed-note'].map((name) => `ui/job/${name}.tsx`);

test.each(Object.entries(WORDS_OF_STATIONS))(
  'the station %s hands its components the words that they read',
  (station, words) => {
    const read = [`ui/${station}/${station}-station.tsx`, ...BESIDE].flatMap((file) => wordsOfPage(ROOT, file));
    expect([...words].sort()).toEqual([...new Set(['frame', ...read])].sort());
  },
);
