import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import sharp from 'sharp';
import { createWorker, PSM, type Worker } from 'tesseract.js';
import type { PhotoLines, PhotoWord } from '../core/reading/photo-words';

/** Pictures of more pixels are not read: a telephone's are smaller. */
const MOST_PIXELS = 12_500_000;
/** The longer side that letters are read best at, pixels. */
const BEST_SIDE = 2_000;
/** Smaller pictures are enlarged so often at most. */
const MOST_ENLARGED = 4;
/** One picture may take so long, whichever way up it lies. */
const LONGEST_MS = 20_000;
/** The thread ends when nobody needed it for so long. */
const IDLE_MS = 60_000;
/** Words surer than this on the whole need no other way up. */
const UPRIGHT = 75;
const TURNS = [0, 90, 180, 270] as const;

export type PhotoFault = 'no-picture' | 'too-many-pixels' | 'too-slow' | 'no-words';

/** One sentence for each way in which a picture cannot be read. */
export const PHOTO_FAULTS: Record<PhotoFault, string> = {
  'no-picture': 'This is no picture that can be read: choose a PNG, JPEG or WebP.',
  'too-many-pixels': 'This picture has over 12 megapixels: take a smaller one, nearer to the label.',
  'too-slow': 'This picture took too long to read: take one nearer to the label, with less around it.',
  'no-words': 'No words were found in this picture: take it straight on, in good light, or type what it shows.',
};

/** What was read off a picture: its lines, and by how much it was turned to stand upright, degrees clockwise. */
export type PhotoRead = { ok: true; lines: PhotoLines; turned: number } | { ok: false; code: PhotoFault };

let thread: Promise<Worker> | null = null;
let idle: NodeJS.Timeout | null = null;
let busy: Promise<unknown> = Promise.resolve();

/** The words of letters that ship with the product: nothing is fetched. */
function lettersAt(): string {
  const require = createRequire(join(process.cwd(), 'package.json'));
  return join(dirname(require.resolve('@tesseract.js-data/eng/package.json')), '4.0.0_best_int');
}

async function startThread(): Promise<Worker> {
  const worker = await createWorker('eng', 1, { langPath: lettersAt(), cacheMethod: 'none', gzip: true });
  // One block of text of any size: labels, panels and screens are none of a book's pages.
  await worker.setParameters({ tessedit_pageseg_mode: PSM.SPARSE_TEXT });
  return worker;
}

async function endThread(): Promise<void> {
  const ending = thread;
  thread = null;
  await (await ending?.catch(() => null))?.terminate();
}

/** A picture upright by its own mark, grey, evened out, at the size that is read best; without where it was taken. */
async function prepared(input: Uint8Array): Promise<{ png: Buffer; width: number; height: number } | PhotoFault> {
  try {
    const picture = sharp(input, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { width = 0, height = 0 } = await picture.metadata();
    const longer = Math.max(width, height);
    if (longer === 0) return 'no-picture';
    const side = Math.min(BEST_SIDE, Math.round(longer * MOST_ENLARGED));
    const { data, info } = await picture
      .rotate()
      .flatten({ background: '#ffffff' })
      .resize({ width: side, height: side, fit: 'inside' })
      .grayscale()
      .normalise()
      .png()
      .toBuffer({ resolveWithObject: true });
    return { png: data, width: info.width, height: info.height };
  } catch (cause) {
    return /pixel limit/i.test(String(cause)) ? 'too-many-pixels' : 'no-picture';
  }
}

interface Found {
  lines: PhotoLines;
  turned: number;
  /** how sure all words are together, 0 to 100; longer words weigh more */
  sure: number;
  letters: number;
}

/** Words of a picture as it lies. */
async function wordsOf(worker: Worker, png: Buffer, turned: number): Promise<Found> {
  const upright = turned === 0 ? png : await sharp(png).rotate(turned).png().toBuffer();
  const { width = 1, height = 1 } = await sharp(upright).metadata();
  const { data } = await worker.recognize(upright, {}, { blocks: true, text: false });
  const lines = (data.blocks ?? [])
    .flatMap(({ paragraphs }) => paragraphs.flatMap((paragraph) => paragraph.lines))
    .map((line) =>
      line.words
        .filter(({ text }) => /[\p{L}\d]/u.test(text))
        .map(
          ({ text, confidence, bbox }): PhotoWord => ({
            text: text.slice(0, 80),
            confidence: Math.round(confidence),
            left: bbox.x0 / width,
            top: bbox.y0 / height,
            width: (bbox.x1 - bbox.x0) / width,
            height: (bbox.y1 - bbox.y0) / height,
          }),
        ),
    )
    .filter((words) => words.length > 0);
  const words = lines.flat();
  const letters = words.reduce((sum, { text }) => sum + text.length, 0);
  const sure = words.reduce((sum, { text, confidence }) => sum + confidence * text.length, 0) / Math.max(1, letters);
  return { lines, turned, sure, letters };
}

/** The best of all ways up; the first that is sure enough needs no others. */
async function bestOf(worker: Worker, png: Buffer): Promise<Found | null> {
  let best: Found | null = null;
  for (const turned of TURNS) {
    const found = await wordsOf(worker, png, turned);
    if (best === null || found.sure * Math.sqrt(found.letters) > best.sure * Math.sqrt(best.letters)) best = found;
    if (found.sure >= UPRIGHT && found.letters >= 8) break;
  }
  return best;
}

async function readNow(input: Uint8Array): Promise<PhotoRead> {
  const picture = await prepared(input);
  if (typeof picture === 'string') return { ok: false, code: picture };
  thread ??= startThread();
  const worker = await thread;
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<'late'>((resolve) => {
    timer = setTimeout(() => resolve('late'), LONGEST_MS);
  });
  const found = await Promise.race([bestOf(worker, picture.png), late]).finally(() => clearTimeout(timer));
  if (found === 'late') {
    await endThread();
    return { ok: false, code: 'too-slow' };
  }
  if (found === null || found.letters < 3) return { ok: false, code: 'no-words' };
  return { ok: true, lines: found.lines, turned: found.turned };
}

/**
 * Reads the words of a photograph on a thread of its own, one picture at a time: turned upright, enlarged and evened out
 * first. Nothing of the picture is kept. Never throws on a bad picture.
 */
export async function photoWords(input: Uint8Array): Promise<PhotoRead> {
  if (idle !== null) clearTimeout(idle);
  const turn = busy.then(() => readNow(input));
  busy = turn.catch(() => null);
  try {
    return await turn;
  } catch (cause) {
    await endThread();
    throw cause;
  } finally {
    idle = setTimeout(() => void endThread(), IDLE_MS);
    idle.unref();
  }
}

/** Ends the thread, where one runs: tests wait for it. */
export const endPhotoThread = endThread;
