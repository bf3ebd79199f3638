import sharp, { type Sharp } from 'sharp';
import { createWorker, PSM, type Worker } from 'tesseract.js';
import {
  type FoundWord,
  type PhotoCode,
  turnedPlace,
  type WeighedPhoto,
  weighPhoto,
} from '../../core/reading/photo/photo-words';
import { caughtAs } from '../../runtime/log';
import { packageFile } from '../../runtime/programs';
import { type KeptPicture, keptPicture } from './kept-picture';
import { openPicture, type PictureFault, pictureThread } from './open-picture';

/** The longer side that letters are read best at, pixels. */
const BEST_SIDE = 2_000;
/** Smaller pictures are enlarged so often at most. */
const MOST_ENLARGED = 4;
/** How far around a point its ground is looked for, pixels. */
const AROUND = 30;
/** One picture may take so long, whichever way up it lies. */
const LONGEST_MS = 20_000;
/** The thread ends when nobody needed it for so long. */
const IDLE_MS = 60_000;
/** Words surer than this on the whole need no other way up. */
const UPRIGHT = 75;
const OTHER_TURNS = [180, 90, 270] as const;
/** The longer side at which one sees whether there are letters, pixels. */
const SMALL_SIDE = 1_000;
/** Most pictures lie upright: the first way up is so much of the whole, as far as one is told. */
const FIRST_SHARE = 0.55;
const SMALL_SHARE = 0.06;
/** A picture of more words is of a book. */
const MOST_WORDS = 600;
/** Pictures that wait for their turn, with the one that is read, at most. */
const MOST_WAITING = 6;

export type PhotoFault = PictureFault | 'too-slow' | 'no-words' | 'too-many';

/** One sentence for each way in which a picture cannot be read. */
export const PHOTO_FAULTS: Record<PhotoFault, string> = {
  'no-picture': 'This is no picture that can be read: choose a PNG, JPEG, WebP or HEIC.',
  'too-many-pixels': 'This picture has over 12 megapixels: take a smaller one, nearer to the label.',
  'too-slow': 'This picture took too long to read: take one nearer to the label, with less around it.',
  'no-words': 'No words were found in this picture: take it straight on, in good light, or type what it shows.',
  'too-many': 'Many pictures are being read just now: try again in a moment.',
};

/** How far the reading of a picture is. */
export interface PhotoProgress {
  step: 'waiting' | 'opening' | 'reading';
  /** of the words, 0 to 1 */
  share: number;
}
export type TellProgress = (progress: PhotoProgress) => void;

/**
 * What was read off a picture, and the picture as it is kept. Places are shares of the kept picture. Where no words could
 * be read there are none, and `fault` says why.
 */
export interface PhotoFound extends WeighedPhoto {
  ok: true;
  codes: PhotoCode[];
  kept: KeptPicture;
  fault: 'too-slow' | 'no-words' | null;
}
export type PhotoRead = PhotoFound | { ok: false; code: PhotoFault };

let thread: Promise<Worker> | null = null;
let idle: NodeJS.Timeout | null = null;
let busy: Promise<unknown> = Promise.resolve();
let waiting = 0;
/** Hears how much of the picture at hand was looked through, 0 to 1. */
let heard: (share: number) => void = () => {};

/** The words of letters that ship with the product: nothing is fetched. */
export function lettersAt(): string {
  return packageFile('@tesseract.js-data/eng/4.0.0_best_int');
}

async function startThread(): Promise<Worker> {
  const worker = await createWorker('eng', 1, {
    langPath: lettersAt(),
    cacheMethod: 'none',
    gzip: true,
    logger: ({ status, progress }) => {
      if (status === 'recognizing text') heard(progress);
    },
  });
  // One block of text of any size: labels, panels and screens are none of a book's pages.
  await worker.setParameters({ tessedit_pageseg_mode: PSM.SPARSE_TEXT, user_defined_dpi: '300' });
  return worker;
}

async function endThread(): Promise<void> {
  const ending = thread;
  thread = null;
  // One that never came up is not waited for.
  void ending?.then((worker) => worker.terminate()).catch(caughtAs('ending the thread that reads words', undefined));
}

/** A picture at the size that is read best, as PNG, its letters dark on an even ground; and its codes, which are taken out. */
async function prepared(picture: Sharp): Promise<{ png: Buffer; codes: PhotoCode[] }> {
  const { width = 1, height = 1 } = await picture.metadata();
  const side = Math.min(BEST_SIDE, Math.round(Math.max(width, height) * MOST_ENLARGED));
  const grey = await picture
    .clone()
    .flatten({ background: '#ffffff' })
    .resize({ width: side, height: side, fit: 'inside' })
    .grayscale()
    .normalise()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const raw = { width: grey.info.width, height: grey.info.height, channels: 1 } as const;
  const around = await sharp(grey.data, { raw }).blur(AROUND).grayscale().raw().toBuffer();
  const png = (data: Buffer): Promise<Buffer> => sharp(data, { raw }).png({ compressionLevel: 2 }).toBuffer();
  const { width: wide, height: high } = raw;
  // Where they cannot be looked for there are none.
  const codes = await pictureThread
    .work<PhotoCode[]>('codes', await png(grey.data), wide, high)
    .catch(caughtAs('looking for codes in a picture', []));
  const even = await pictureThread.work<Uint8Array>('evened', grey.data, around);
  const points = Buffer.from(even.buffer, even.byteOffset, even.byteLength);
  for (const code of codes) blank(points, raw, code);
  return { png: await png(points), codes };
}

/** How far a code's bars reach beyond where it was read, as a share of it. */
const BEYOND = 0.12;

/** Leaves no bars of a code: among them no letters would be found. */
function blank(points: Buffer, { width, height }: { width: number; height: number }, code: PhotoCode): void {
  const [edgeX, edgeY] = [code.width * BEYOND, code.height * BEYOND];
  const [left, right] = [code.left - edgeX, code.left + code.width + edgeX].map((x) =>
    Math.round(Math.min(1, Math.max(0, x)) * width),
  ) as [number, number];
  const [top, bottom] = [code.top - edgeY, code.top + code.height + edgeY].map((y) =>
    Math.round(Math.min(1, Math.max(0, y)) * height),
  ) as [number, number];
  for (let y = top; y < bottom; y++) points.fill(255, y * width + left, y * width + right);
}

interface Found {
  /** places are shares of the picture as it was turned */
  words: FoundWord[];
  turned: number;
  /** how sure all words are together, 0 to 100; longer words weigh more */
  sure: number;
  letters: number;
}

const NOTHING: Found = { words: [], turned: 0, sure: 0, letters: 0 };

/** Words of a picture that is turned by so much. */
async function wordsOf(worker: Worker, png: Buffer, turned: number): Promise<Found> {
  const upright = turned === 0 ? png : await sharp(png).rotate(turned).png().toBuffer();
  const { width = 1, height = 1 } = await sharp(upright).metadata();
  const { data } = await worker.recognize(upright, {}, { blocks: true, text: false });
  const words = (data.blocks ?? [])
    .flatMap(({ paragraphs }) => paragraphs.flatMap((paragraph) => paragraph.lines.flatMap((line) => line.words)))
    .filter(({ text }) => /[\p{L}\d]/u.test(text))
    .slice(0, MOST_WORDS)
    .map(
      ({ text, confidence, bbox }): FoundWord => ({
        text: text.slice(0, 80),
        confidence: Math.round(confidence),
        left: bbox.x0 / width,
        top: bbox.y0 / height,
        width: (bbox.x1 - bbox.x0) / width,
        height: (bbox.y1 - bbox.y0) / height,
      }),
    );
  const letters = words.reduce((sum, { text }) => sum + text.length, 0);
  const sure = words.reduce((sum, { text, confidence }) => sum + confidence * text.length, 0) / Math.max(1, letters);
  return { words, turned, sure, letters };
}

const isUpright = ({ sure, letters }: Found): boolean => sure >= UPRIGHT && letters >= 8;
const weight = ({ sure, letters }: Found): number => sure * Math.sqrt(letters);

/** The words of a picture the right way up: where they are not sure as it lies, the others are looked at small first. */
async function bestOf(worker: Worker, png: Buffer, tell: (share: number) => void): Promise<Found> {
  const step = (from: number, to: number) => {
    heard = (share) => tell(from + share * (to - from));
  };
  step(0, FIRST_SHARE);
  const first = await wordsOf(worker, png, 0);
  if (isUpright(first)) return first;
  const small = await sharp(png).resize({ width: SMALL_SIDE, height: SMALL_SIDE, fit: 'inside' }).png().toBuffer();
  let best: Found | null = null;
  for (const [at, turned] of OTHER_TURNS.entries()) {
    step(FIRST_SHARE + at * SMALL_SHARE, FIRST_SHARE + (at + 1) * SMALL_SHARE);
    const found = await wordsOf(worker, small, turned);
    if (best === null || weight(found) > weight(best)) best = found;
    if (isUpright(found)) break;
  }
  if (best === null || weight(best) < weight(first)) return first;
  step(FIRST_SHARE + 3 * SMALL_SHARE, 1);
  const turned = await wordsOf(worker, png, best.turned);
  return weight(turned) > weight(first) ? turned : first;
}

/** The words within the time that one picture may take; a thread that is late is ended. */
async function wordsInTime(png: Buffer, tell: (share: number) => void): Promise<Found | 'too-slow'> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<'too-slow'>((resolve) => {
    timer = setTimeout(() => resolve('too-slow'), LONGEST_MS);
  });
  thread ??= startThread();
  const reading = thread.then((worker) => bestOf(worker, png, tell));
  // Words that come too late are nobody's.
  reading.catch(() => {});
  const found = await Promise.race([reading, late]).finally(() => clearTimeout(timer));
  if (found === 'too-slow') await endThread();
  return found;
}

async function readNow(input: Uint8Array, tell: TellProgress): Promise<PhotoRead> {
  tell({ step: 'opening', share: 0 });
  const picture = await openPicture(input);
  if (typeof picture === 'string') return { ok: false, code: picture };
  const { png, codes } = await prepared(picture);
  const words = await wordsInTime(png, (share) => tell({ step: 'reading', share }));
  const found: Found = typeof words === 'string' || words.letters < 3 ? NOTHING : words;
  const fault = typeof words === 'string' ? words : found === NOTHING ? 'no-words' : null;
  const kept = await keptPicture(picture, found.turned);
  const placed = codes.map((code) => turnedPlace(code, found.turned));
  return { ok: true, ...weighPhoto(found.words, placed, kept.width / kept.height), codes: placed, kept, fault };
}

/** Megapixels are opened for one picture at a time; a crowd is asked to come back. */
async function inTurn<T>(work: () => Promise<T>, tell: TellProgress): Promise<T | { ok: false; code: 'too-many' }> {
  if (waiting >= MOST_WAITING) return { ok: false, code: 'too-many' };
  if (idle !== null) clearTimeout(idle);
  if (waiting > 0) tell({ step: 'waiting', share: 0 });
  waiting++;
  const turn = busy.then(work);
  busy = turn.catch(() => null);
  try {
    return await turn;
  } catch (cause) {
    await endThread();
    throw cause;
  } finally {
    waiting--;
    if (waiting === 0) {
      idle = setTimeout(() => void endThread(), IDLE_MS);
      idle.unref();
    }
  }
}

/**
 * Reads the words and codes of a photograph on threads of their own, one picture at a time: opened, turned upright,
 * enlarged and evened out first. Never throws on a bad picture.
 *
 * @param tell hears how far it is
 */
export async function readPicture(input: Uint8Array, tell: TellProgress = () => {}): Promise<PhotoRead> {
  return inTurn(() => readNow(input, tell), tell);
}

/** Makes a photograph again as it is kept, without looking for words. Never throws on a bad picture. */
export async function plainPicture(
  input: Uint8Array,
  tell: TellProgress = () => {},
): Promise<{ ok: true; kept: KeptPicture } | { ok: false; code: PhotoFault }> {
  return inTurn(async () => {
    const picture = await openPicture(input);
    return typeof picture === 'string'
      ? ({ ok: false, code: picture } as const)
      : ({ ok: true, kept: await keptPicture(picture, 0) } as const);
  }, tell);
}

/** Ends the thread, where one runs: tests wait for it. */
export const endPhotoThread = endThread;
