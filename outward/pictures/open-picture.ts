import sharp, { type Sharp } from 'sharp';
import { MOST_PICTURE_PIXELS } from '../../runtime/body-limits';
import { caughtAs, logCaught } from '../../runtime/log';
import { WorkThread } from '../work-thread';
import type { PicturePoints } from './picture-work';

export type PictureFault = 'no-picture' | 'too-many-pixels';

/** Decodes pictures and reads codes, so that megapixels hold up nobody else. */
export const pictureThread = new WorkThread('outward/pictures/picture-work', { heapMiB: 256, longestMs: 15_000 });

/** First bytes of the kinds of picture that are opened: PNG (ISO/IEC 15948), JPEG (ISO/IEC 10918-1), WebP (RFC 9649). */
const isOpened = (head: string): boolean =>
  head.startsWith('\u0089PNG\r\n\u001a\n') ||
  head.startsWith('\u00ff\u00d8\u00ff') ||
  (head.startsWith('RIFF') && head.startsWith('WEBP', 8));
/** A picture of the High Efficiency Image File Format (ISO/IEC 23008-12), by its brands. */
const HEIC = /^[\s\S]{4}ftyp(?:mif1|msf1|hei[cx]|hev[cx])/;

async function ofHeic(input: Uint8Array): Promise<Sharp | PictureFault> {
  const opened = await pictureThread
    .work<PicturePoints | PictureFault>('heic', input, MOST_PICTURE_PIXELS)
    .catch(caughtAs('opening a HEIC picture', 'no-picture' as const));
  if (typeof opened === 'string') return opened;
  const { data, width, height } = opened;
  // What comes from a thread is an array of that thread's.
  const points = Buffer.from(data.buffer, data.byteOffset, data.byteLength);
  return sharp(points, { raw: { width, height, channels: 4 } });
}

/**
 * Opens a photograph (PNG, JPEG, WebP, HEIC), upright by its own mark and without what it says of where it was taken.
 * What else it may be is not decoded. Never throws on a bad picture.
 */
export async function openPicture(input: Uint8Array): Promise<Sharp | PictureFault> {
  const head = Buffer.from(input.subarray(0, 16)).toString('latin1');
  if (HEIC.test(head)) return ofHeic(input);
  if (!isOpened(head)) return 'no-picture';
  try {
    const { width = 0, height = 0 } = await sharp(input, { limitInputPixels: false }).metadata();
    if (width * height > MOST_PICTURE_PIXELS) return 'too-many-pixels';
    const { data, info } = await sharp(input, { limitInputPixels: MOST_PICTURE_PIXELS, failOn: 'error' })
      .rotate()
      .flatten({ background: '#ffffff' })
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true });
    // What comes from a thread is an array of that thread's.
    const points = Buffer.from(data.buffer, data.byteOffset, data.byteLength);
    return sharp(points, { raw: { width: info.width, height: info.height, channels: info.channels as 3 } });
  } catch (cause) {
    logCaught(cause, 'opening a picture');
    return 'no-picture';
  }
}
