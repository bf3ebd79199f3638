import { imageSize } from 'image-size';
import { pool, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import { getLogo, updateLogo } from '../store/shop';
import type { Caller } from './access';
import { done, fault, type Result } from './result';

/** A logo is printed a few centimetres wide: a file of more is for posters. */
export const MOST_LOGO_BYTES = 1_000_000;
const MOST_PIXELS = 4000;

export type LogoType = 'image/png' | 'image/jpeg';

/** What a logo file is; null: neither PNG (ISO/IEC 15948) nor JPEG (ISO/IEC 10918). */
export function logoType(bytes: Uint8Array): LogoType | null {
  const starts = (...head: number[]) => head.every((byte, at) => bytes[at] === byte);
  if (starts(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return 'image/png';
  return starts(0xff, 0xd8, 0xff) ? 'image/jpeg' : null;
}

/** What is wrong with a file as a logo, in one sentence; null: nothing. */
export function logoFault(bytes: Uint8Array): string | null {
  if (bytes.length === 0) return 'The file is empty.';
  if (bytes.length > MOST_LOGO_BYTES) return 'The file has more than 1 MB: save the logo smaller.';
  if (logoType(bytes) === null) return 'This is neither a PNG nor a JPEG picture.';
  try {
    const { width, height } = imageSize(bytes);
    if (width > MOST_PIXELS || height > MOST_PIXELS)
      return `The picture is ${width} × ${height} pixels: ${MOST_PIXELS} each way are enough.`;
    return null;
  } catch {
    return 'The picture is damaged: save it anew.';
  }
}

/** Puts the shop's mark on its papers, or takes it off. */
export async function saveLogo(caller: Caller, bytes: Buffer | null): Promise<Result<null>> {
  const wrong = bytes === null ? null : logoFault(bytes);
  if (wrong !== null) return fault('bad-input', wrong);
  return transaction(async (db) => {
    await updateLogo(db, bytes);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: bytes === null ? 'logo-removed' : 'logo-changed' });
    return done(null);
  });
}

/** The shop's mark as a file; null: it has none. */
export async function showLogo(): Promise<{ type: LogoType; bytes: Buffer } | null> {
  const bytes = await getLogo(pool());
  const type = bytes === null ? null : logoType(bytes);
  return bytes === null || type === null ? null : { type, bytes };
}
