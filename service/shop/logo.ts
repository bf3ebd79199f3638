import { type LogoFault, logoPicture } from '../../outward/pictures/logo-picture';
import { MOST_LOGO_BYTES } from '../../runtime/body-limits';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { getLogo, updateLogo } from '../../store/shop/shop';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

const FAULTS: Record<LogoFault, string> = {
  'not-a-picture': 'This is neither a PNG nor a JPEG picture.',
  damaged: 'The picture is damaged: save it again.',
  'too-many-pixels': 'The picture is over 4000 pixels wide or high: save it smaller.',
};

/** Puts the shop's mark on its papers, or takes it off. What is kept was decoded whole and made again, so it can be printed. */
export async function saveLogo(caller: Caller<'shop.settings'>, bytes: Buffer | null): Promise<Result<null>> {
  if (bytes?.length === 0) return fault('bad-input', 'The file is empty.');
  if (bytes !== null && bytes.length > MOST_LOGO_BYTES)
    return fault('bad-input', 'The file has more than 1 MB: save the logo smaller.');
  const made = bytes === null ? null : await logoPicture(bytes);
  if (made?.ok === false) return fault('bad-input', FAULTS[made.code]);
  return transaction(async (db) => {
    await updateLogo(db, made?.png ?? null);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: made === null ? 'logo-removed' : 'logo-changed' });
    return done(null);
  });
}

/** The shop's mark as a file. */
export interface LogoFile {
  type: 'image/png' | 'image/jpeg';
  bytes: Buffer;
}

/** The shop's mark as an owner sees it under Settings. */
export const showLogo = (_: Caller<'shop.settings'>): Promise<LogoFile | null> => logoFile();

/** The shop's mark for its papers; null: it has none. Those kept before they were made again may be JPEG. */
export async function logoFile(): Promise<LogoFile | null> {
  const bytes = await getLogo(pool());
  return bytes === null ? null : { type: bytes[0] === 0xff ? 'image/jpeg' : 'image/png', bytes };
}
