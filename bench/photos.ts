import sharp from 'sharp';
import { createWorker, PSM } from 'tesseract.js';
import { endPhotoThread, lettersAt, readPicture } from '../outward/pictures/photo-text';
import { MADE_PHOTOS, madePhoto } from '../outward/testing/made-photos';
import { scorePhoto } from '../outward/testing/photo-score';

/*
 * npm run bench-photos: the thirty made photographs, read as the application reads them, beside the same reader of letters
 * on the picture as it is (grey, no other way up, nothing evened out), in the same run. Printed are the median and the slowest
 * of each, milliseconds a picture, and how many of the labels' fields came out.
 */

const middle = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[times.length >> 1] ?? 0;

async function timed<T>(work: () => Promise<T>): Promise<{ ms: number; value: T }> {
  const from = performance.now();
  const value = await work();
  return { ms: performance.now() - from, value };
}

const plain = await createWorker('eng', 1, { langPath: lettersAt(), cacheMethod: 'none', gzip: true });
await plain.setParameters({ tessedit_pageseg_mode: PSM.SPARSE_TEXT, user_defined_dpi: '300' });

const ours: number[] = [];
const theirs: number[] = [];
const fields = { all: 0, ours: 0, asked: 0, silent: 0, theirs: 0 };
for (const photo of MADE_PHOTOS) {
  const picture = await madePhoto(photo);
  const read = await timed(() => readPicture(picture));
  ours.push(read.ms);
  const grey = await sharp(picture).grayscale().png().toBuffer();
  const rival = await timed(() => plain.recognize(grey));
  theirs.push(rival.ms);
  if (!read.value.ok) throw new Error(`${photo.name}: ${read.value.code}`);
  const score = scorePhoto(photo, read.value);
  fields.all += score.fields;
  fields.ours += score.right;
  fields.asked += score.rightAsked;
  fields.silent += score.silent.length;
  const word = (text: string, row: number) => ({
    text,
    confidence: 100,
    left: 0,
    top: row,
    width: 0.1,
    height: 0.1,
    sure: true,
  });
  const lines = rival.value.data.text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line, row) => line.split(/\s+/).map((text) => word(text, row)));
  fields.theirs += scorePhoto(photo, { lines, added: [], unnamed: [] }).right;
}
await plain.terminate();
await endPhotoThread();
const [mine, other] = [middle(ours), middle(theirs)];
console.log(
  `a photograph, read and kept: median ${mine.toFixed(0)} ms, slowest ${Math.max(...ours).toFixed(0)} ms (limit 20,000 ms)`,
);
console.log(
  `its letters alone, as it is: median ${other.toFixed(0)} ms, slowest ${Math.max(...theirs).toFixed(0)} ms; ratio ${(mine / other).toFixed(2)}`,
);
console.log(
  `fields right: ${fields.ours} of ${fields.all} unasked, ${fields.asked} once asked, ${fields.silent} wrong without being asked; as it is ${fields.theirs} of ${fields.all}`,
);
