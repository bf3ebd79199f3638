import { staffWords } from '@/words/staff-words';
import { MOST_READING_BYTES } from '../../../runtime/body-limits';
import { faultOfFiles, readingForm, textFile } from './reading-inputs';

const t = staffWords('en', 'intake');

it('sends files and text as the parts of one form, each with its name', async () => {
  const bytes = Uint8Array.from({ length: 100_000 }, (_, index) => (index * 7) % 256);
  const form = readingForm([new File([bytes], 'dump.bin'), textFile('typed line', 'Größe 8 GB')]);
  const [dump, text] = form.getAll('file') as File[];
  expect(dump?.name).toBe('dump.bin');
  expect(new Uint8Array((await dump?.arrayBuffer()) ?? [])).toEqual(bytes);
  expect(text?.name).toBe('typed line');
  expect(await text?.text()).toBe('Größe 8 GB');
});

test.each([
  [[{ name: 'a', size: 10 }], null],
  [[], null],
  [[{ name: 'a.iso', size: MOST_READING_BYTES + 1 }], 'a.iso has over 8 MiB: a memory report is far smaller.'],
  [[1, 2, 3, 4].map((nr) => ({ name: `${nr}`, size: 8e6 })), 'Together these have over 30 MiB: drop a few at a time.'],
  [Array.from({ length: 21 }, () => ({ name: 'a', size: 1 })), 'At most 20 files at once: these are 21.'],
])('says of %j why it cannot be sent', (files, sentence) => {
  expect(faultOfFiles(t, files)).toBe(sentence);
});
