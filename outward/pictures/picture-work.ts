import { readFileSync } from 'node:fs';
import { all as heicPictures } from 'heic-decode';
import { prepareZXingModule, type ReadResult, readBarcodes } from 'zxing-wasm/reader';
import type { PhotoCode } from '../../core/reading/photo/photo-words';
import { packageFile } from '../../runtime/programs';
import { answerOrders } from '../answer-orders';

/** A picture as its points, red, green, blue and opacity a byte each. */
export interface PicturePoints {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

/** The first picture of an HEIC file (ISO/IEC 23008-12), upright by its own mark. */
async function heic(input: Uint8Array, mostPixels: number): Promise<PicturePoints | 'no-picture' | 'too-many-pixels'> {
  try {
    const pictures = await heicPictures({ buffer: input });
    try {
      const [first] = pictures;
      if (first === undefined) return 'no-picture';
      return first.width * first.height > mostPixels ? 'too-many-pixels' : await first.decode();
    } finally {
      pictures.dispose();
    }
  } catch {
    return 'no-picture';
  }
}

// The reader ships with the product: nothing is fetched.
const wasm = readFileSync(packageFile('zxing-wasm/dist/reader/zxing_reader.wasm'));
prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(wasm).buffer } });

const MOST_CODES = 12;
const MOST_LETTERS = 400;

/** The place of a code in shares of the picture. */
function codeAt({ text, format, position }: ReadResult, width: number, height: number): PhotoCode {
  const corners = [position.topLeft, position.topRight, position.bottomLeft, position.bottomRight];
  const [left, right] = [Math.min(...corners.map(({ x }) => x)), Math.max(...corners.map(({ x }) => x))];
  const [top, bottom] = [Math.min(...corners.map(({ y }) => y)), Math.max(...corners.map(({ y }) => y))];
  return {
    text: text.slice(0, MOST_LETTERS),
    symbology: format,
    left: left / width,
    top: top / height,
    width: (right - left) / width,
    height: (bottom - top) / height,
  };
}

/** The codes of a picture (PNG), linear and matrix ones, whichever way they lie, from its top. */
async function codes(png: Uint8Array, width: number, height: number): Promise<PhotoCode[]> {
  const found = await readBarcodes(png, {
    tryHarder: true,
    tryRotate: true,
    tryInvert: true,
    tryDownscale: true,
    maxNumberOfSymbols: MOST_CODES,
    textMode: 'Plain',
    formats: ['QRCode', 'MicroQRCode', 'DataMatrix', 'Code128', 'Code39', 'Code93', 'PDF417', 'Aztec', 'EAN13', 'UPCA'],
  });
  return found
    .filter(({ isValid, text }) => isValid && text.trim() !== '')
    .map((code) => codeAt(code, width, height))
    .sort((a, b) => a.top - b.top);
}

/** What differs less from its surroundings is noise, of 255. */
const NOISE = 24;
/** A ground darker than this bears light letters. */
const DARK = 105;
const STRONGER = 2.2;

/**
 * A grey picture with its letters dark on white, whether they were dark on light or light on dark, in shade or in light: each
 * point by how much it differs from what is around it.
 *
 * @param around the same picture, blurred over some letters' width
 */
function evened(grey: Uint8Array, around: Uint8Array): Uint8Array {
  const even = new Uint8Array(grey.length);
  for (let at = 0; at < grey.length; at++) {
    const [point = 0, ground = 0] = [grey[at], around[at]];
    const differs = (ground > DARK ? ground - point : point - ground) - NOISE;
    even[at] = differs <= 0 ? 255 : Math.max(0, 255 - differs * STRONGER);
  }
  return even;
}

answerOrders({ heic, codes, evened });
