import { z } from 'zod';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { dropOtherShop, listOtherShops, type OtherShop, setTrusted } from '../../store/library/other-shops';
import { lockLibrary } from '../../store/library/same-models';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

export const otherShops = (_: Caller<'library.read'>): Promise<OtherShop[]> => listOtherShops(pool());

export const trustSchema = z.strictObject({ trusted: z.boolean() });

/** Believes what another shop saw, or believes it no more. */
export async function trustShop(
  caller: Caller<'shop.settings'>,
  id: number,
  { trusted }: z.infer<typeof trustSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    if (!(await setTrusted(db, id, trusted, caller.id))) return fault('not-found', 'There is no such shop.');
    const kind = trusted ? 'shop-trusted' : 'shop-not-trusted';
    await noteEvent(db, { jobId: null, staffId: caller.id, kind, detail: { id } });
    return done(null);
  });
}

/** Takes out everything that another shop handed over. */
export async function dropShop(
  caller: Caller<'shop.settings'>,
  id: number,
): Promise<Result<{ models: number; kept: number }>> {
  return transaction(async (db) => {
    await lockLibrary(db);
    const dropped = await dropOtherShop(db, id);
    if (dropped === null) return fault('not-found', 'There is no such shop.');
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'shop-dropped', detail: { id, ...dropped } });
    return done(dropped);
  });
}
