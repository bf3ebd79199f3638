import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import type { JobSlot } from '../../core/machine/slots/job-slot';
import {
  getJob,
  listSlots,
  patchIntake,
  replaceSlots,
  setCustomer,
  setLimitsAgreed,
  setModel,
} from '../../store/job/jobs';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { changeJob } from './change-job';

export const takeEarlierSchema = z.strictObject({
  from: idSchema,
  /** the customer alone, or the machine as it was known then with them */
  what: z.enum(['customer', 'machine']),
});

/** Slots as an earlier job knew them; what a module was to become was that job's business. */
function asKnownThen(slots: readonly JobSlot[]): JobSlot[] {
  return slots.map((slot) => ({
    ...slot,
    keep: 'may',
    creditCents: 0,
    placeSource: slot.placeSource === 'model' ? 'model' : 'earlier',
    moduleSource: slot.moduleSource === 'model' ? 'model' : 'earlier',
  }));
}

/** Goes on where an earlier job left off: the same customer and, where asked, the same machine with its slots. */
export async function takeEarlier(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { from, what }: z.infer<typeof takeEarlierSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'earlier-job-taken',
    detail: { from, what },
    needs: ['machine'],
    work: async (db, { job, slots }) => {
      const earlier = from === jobId ? null : await getJob(db, from);
      if (earlier === null) return fault('not-found', 'There is no such job.');
      await setCustomer(db, job, earlier.customer.id);
      if (what === 'customer') return done(null);
      const { machineMaker, machineName, serial, cpu, os, osBits } = earlier;
      await patchIntake(
        db,
        { ...job, customer: earlier.customer },
        { machineMaker, machineName, serial, cpu, os, osBits },
      );
      await setModel(db, jobId, earlier.modelId);
      // What was read or typed into this job is newer than what an earlier one knew.
      if (slots.length === 0) await replaceSlots(db, jobId, asKnownThen(await listSlots(db, from)));
      await setLimitsAgreed(db, jobId, false);
      return done(null);
    },
  });
}
