import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readListing } from './listing';
import { markedTitle } from './marked-title';

const marked = (title: string) => markedTitle(title, readListing(title).facts ?? []);

it('cuts a title into what was understood, and as what, and what was not', () => {
  expect(marked('Vellamo 16GB 2Rx8 PC4-2666V-SE1-11, new').map(({ text, says }) => [text, says.join(' ')])).toEqual([
    ['Vellamo ', ''],
    ['16GB', 'capacity'],
    [' ', ''],
    ['2Rx8', 'ranks chip width'],
    [' ', ''],
    ['PC4-2666V-SE1-11', 'generation rate form buffering ECC CL'],
    [', ', ''],
    ['new', 'condition'],
  ]);
});

it('loses nothing of any title, and every fact stands where its text is', () => {
  const file = readFileSync(join(process.cwd(), 'core', 'reading', 'titles', 'tuned.txt'), 'utf8');
  const titles = file
    .split('\n')
    .flatMap((line) => (line.includes(' | ') ? [line.slice(0, line.lastIndexOf(' | '))] : []));
  for (const title of titles) {
    expect(
      marked(title)
        .map(({ text }) => text)
        .join(''),
    ).toBe(title);
    for (const { field, value, start, end } of readListing(title).facts ?? []) {
      const text = title.slice(start, end);
      expect(text.trim()).not.toBe('');
      if (field === 'ranks' && /^\d/.test(text)) expect(text).toContain(String(value));
    }
  }
});
