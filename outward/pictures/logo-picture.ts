import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { logCaught } from '../../runtime/log';

/** A logo is printed 110 × 34 points: this is 300 dots an inch of it, twice over. */
const MOST_WIDTH = 920;
const MOST_HEIGHT = 284;
/** A picture of more is for posters. */
const MOST_PIXELS = 4000;

export type LogoFault = 'not-a-picture' | 'damaged' | 'too-many-pixels';

/** First bytes of PNG (ISO/IEC 15948) and JPEG (ISO/IEC 10918-1); nothing else is decoded. */
function isPicture(bytes: Uint8Array): boolean {
  const starts = (...head: number[]) => head.every((byte, at) => bytes[at] === byte);
  return starts(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a) || starts(0xff, 0xd8, 0xff);
}

/**
 * A logo as it is kept and printed: decoded whole, off the main thread, and made again as a PNG of bounded size. So whatever is
 * kept can be drawn.
 */
export async function logoPicture(
  bytes: Uint8Array,
): Promise<{ ok: true; png: Buffer } | { ok: false; code: LogoFault; width?: number; height?: number }> {
  if (!isPicture(bytes)) return { ok: false, code: 'not-a-picture' };
  try {
    const picture = sharp(bytes, { failOn: 'error', limitInputPixels: MOST_PIXELS * MOST_PIXELS });
    const { width, height } = await picture.metadata();
    if (width > MOST_PIXELS || height > MOST_PIXELS) return { ok: false, code: 'too-many-pixels', width, height };
    const png = await picture
      .rotate()
      .resize({ width: MOST_WIDTH, height: MOST_HEIGHT, fit: 'inside', withoutEnlargement: true })
      .toColourspace('srgb')
      .png({ compressionLevel: 9 })
      .toBuffer();
    return { ok: true, png };
  } catch (cause) {
    logCaught(cause, 'making a logo anew');
    const isLarge = cause instanceof Error && /pixel limit/i.test(cause.message);
    return { ok: false, code: isLarge ? 'too-many-pixels' : 'damaged' };
  }
}

let printed: { of: string; png: Buffer | null } | null = null;

/** What of a kept logo can be printed; null: nothing. Those that were kept before they were made again are looked at once. */
export async function printableLogo(bytes: Buffer | null): Promise<Buffer | null> {
  if (bytes === null) return null;
  const of = createHash('sha256').update(bytes).digest('base64');
  if (printed?.of !== of) {
    const made = await logoPicture(bytes);
    printed = { of, png: made.ok ? made.png : null };
  }
  return printed.png;
}
