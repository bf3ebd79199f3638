import { z } from 'zod';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { doneInFirstHour, FIRST_STEPS, type FirstStep } from '../../store/shop/first-hour';
import { getFirstHour, updateFirstHour } from '../../store/shop/shop';
import { done, fault, type Result } from '../result';
import { type Caller, mayDo } from '../staff/access';
import { customerAddress } from './customer-address';

export const firstHourSchema = z.strictObject({
  dismissed: z.boolean(),
  skipped: z.array(z.enum(FIRST_STEPS)).max(FIRST_STEPS.length),
});

export interface FirstHourStep {
  step: FirstStep;
  standing: 'done' | 'skipped' | 'open';
}

/** The checklist of a new shop, for its owners; null: there is none, it is put away, or nothing of it is open. */
export async function showFirstHour(caller: Caller<'jobs.read'>): Promise<FirstHourStep[] | null> {
  if (!mayDo(caller, 'shop.settings')) return null;
  const list = await getFirstHour(pool());
  if (list === null || list.dismissed) return null;
  const finished = new Set(await doneInFirstHour(pool()));
  if ((await customerAddress()).address !== '') finished.add('address');
  const steps = FIRST_STEPS.map((step): FirstHourStep => {
    const standing = finished.has(step) ? 'done' : list.skipped.includes(step) ? 'skipped' : 'open';
    return { step, standing };
  });
  return steps.some(({ standing }) => standing === 'open') ? steps : null;
}

export async function saveFirstHour(
  caller: Caller<'shop.settings'>,
  list: z.infer<typeof firstHourSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    if ((await getFirstHour(db)) === null) return fault('not-found', 'This shop has no such list.');
    await updateFirstHour(db, list);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'first-hour-changed', detail: list });
    return done(null);
  });
}
