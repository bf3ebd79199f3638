import type { Sharp } from 'sharp';

/** A picture as it is kept: small enough to be shown on any screen, made again, so that nothing but its points is in it. */
export interface KeptPicture {
  jpeg: Buffer;
  width: number;
  height: number;
}

/** The longer side and the quality of a kept picture: the smaller ones where the first are too many bytes. */
const SIZES = [
  { side: 1600, quality: 80 },
  { side: 1600, quality: 60 },
  { side: 1024, quality: 60 },
] as const;
/** What a kept picture has at most, bytes. */
export const MOST_KEPT_BYTES = 1_000_000;

/**
 * Makes a picture again as it is kept (JPEG, ISO/IEC 10918-1).
 *
 * @param turned degrees clockwise by which it is set upright
 */
export async function keptPicture(picture: Sharp, turned: number): Promise<KeptPicture> {
  let kept: KeptPicture | null = null;
  for (const { side, quality } of SIZES) {
    const { data, info } = await picture
      .clone()
      .rotate(turned)
      .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality, mozjpeg: true })
      .toBuffer({ resolveWithObject: true });
    kept = { jpeg: data, width: info.width, height: info.height };
    if (data.length <= MOST_KEPT_BYTES) return kept;
  }
  // Two megapixels of noise at the last size have less.
  return kept as KeptPicture;
}
