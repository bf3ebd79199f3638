import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../scripts/setup.mjs';

const HEADING = '## Words that were replaced';
const [before = '', table = ''] = readFileSync(join(ROOT, 'docs', 'glossary.md'), 'utf8').split(HEADING);

/** Phrases of two words or more that stand on the left of the table, each on its own. */
const phrases = table
  .split('\n')
  .filter((line) => line.startsWith('| ') && !/^\| (?:before|---)/.test(line))
  .flatMap((line) => (line.split('|')[1] ?? '').split(/;|, (?=[A-Z])| \/ /))
  .map((phrase) => phrase.replace(/\(.*?\)/g, '').trim())
  .filter((phrase) => /\S\s+\S/.test(phrase))
  // As a button it is gone; as words within a sentence it is plain.
  .filter((phrase) => phrase !== 'As CSV');

const inFolder = (folder: string, ending: string): string[] =>
  readdirSync(join(ROOT, folder))
    .filter((name) => name.endsWith(ending))
    .map((name) => `${folder}/${name}`);

/** Everything that people read of us in English: catalogues, the customer's words, guides. */
const texts: [name: string, text: string][] = [
  ...inFolder('words/staff/en', '.json'),
  'core/quoting/words/en.ts',
  ...inFolder('docs', '.md').filter((path) => !path.endsWith('glossary.md')),
  'README.md',
].map((path): [string, string] => [path, readFileSync(join(ROOT, path), 'utf8')]);
texts.push(['docs/glossary.md', before]);

test('no phrase that was replaced stands in a catalogue or a guide', () => {
  expect(phrases).toEqual(expect.arrayContaining(['Keep it', 'Take the yes down', 'Least order', 'Tried and seen']));
  expect(texts.length).toBeGreaterThan(25);
  const found = texts.flatMap(([name, text]) =>
    phrases
      .filter((phrase) => new RegExp(`(?<!\\w)${phrase.replace(/[.?+]/g, '\\$&')}(?!\\w)`).test(text))
      .map((phrase) => `${name}: ${phrase}`),
  );
  expect(found).toEqual([]);
});
