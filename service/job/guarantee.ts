import { z } from 'zod';
import { idSchema } from '../../core/bounds';
import { findEarlierJobs } from '../../store/job/earlier-jobs';
import { getJob, setGuaranteeOf } from '../../store/job/jobs';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';
import { changeJob } from './change-job';
import { takeOver } from './earlier';

export const guaranteeSchema = z.strictObject({
  /** the job whose guarantee it is; null: it is none */
  of: idSchema.nullable(),
});

/** Makes a job the free replacement of what another fitted, under that one's guarantee; or, of none, an ordinary one again. */
export async function putGuarantee(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { of }: z.infer<typeof guaranteeSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'guarantee-changed',
    detail: { of },
    needs: ['machine', 'work'],
    work: async (db, { job, slots, today, work }) => {
      if (work.accepted !== null) return fault('conflict', 'An option is accepted already: its price stands.');
      if (of !== null) {
        const earlier = of === jobId ? null : await getJob(db, of);
        if (earlier === null) return fault('not-found', 'There is no such job.');
        const blank = { customerId: earlier.customer.id, serial: '', phone: '', email: '', name: '' };
        const [known] = await findEarlierJobs(db, { ...blank, jobId, of });
        const ends = [known?.partsUntil ?? null, known?.workUntil ?? null];
        if (known?.id !== of || !ends.some((day) => day !== null && day >= today))
          return fault('conflict', `Nothing that job ${of} fitted is under guarantee today.`);
        await takeOver(db, { job, slots }, earlier, 'machine');
      }
      await setGuaranteeOf(db, jobId, of);
      return done(null);
    },
  });
}
