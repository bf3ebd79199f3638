import { z } from 'zod';
import { OUTCOMES } from '../../../core/machine/limits/evidence';
import { endNotWorking, noteNotWorking } from '../../../store/job/not-working';
import { dropTrial, insertTrial } from '../../../store/library/trials';
import { releasePieces } from '../../../store/market/shelf';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { trialOfOption } from '../limits/trial-of-option';
import { setAside } from '../quote/accept';
import { isProved } from './job-work';

export const notWorkingSchema = z.strictObject({
  outcome: z.enum(OUTCOMES).exclude(['works']),
  note: z
    .string()
    .trim()
    .min(1, 'Say in a sentence what it did: the customer will ask.')
    .max(500, 'At most 500 characters, please.'),
});

/**
 * The accepted option, agreed on condition, does not work: the old modules are back in, what stock was set aside is free, the model
 * has a compatibility test more, and what was agreed for this case is all that is paid.
 */
export async function settleNotWorking(
  caller: Caller<'proofs.sign'>,
  jobId: number,
  { outcome, note }: z.infer<typeof notWorkingSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'not-working-settled',
    detail: { outcome, note },
    ofLead: true,
    needs: ['work', 'limits', 'machine', 'readings'],
    work: async (db, state) => {
      const { job, work, today } = state;
      const { accepted } = work;
      if (accepted === null) return fault('conflict', 'No option is accepted yet: there is nothing to settle.');
      if (accepted.whole.ifNot === undefined)
        return fault('conflict', 'Nothing was agreed for the case that it does not work: send a change order.');
      if (isProved(work)) return fault('conflict', 'It is proved, or settled, already.');
      if (work.invoices.some(({ cancelled }) => cancelled === null))
        return fault('conflict', 'It is invoiced already: cancel the invoice first.');
      const trial = trialOfOption(state, accepted.option, {
        outcome,
        depth: 'started',
        note: `fitted on condition for job ${job.id}: ${note}`.slice(0, 500),
      });
      const { modelId } = job;
      const trialId =
        trial === null || modelId === null
          ? null
          : await insertTrial(db, modelId, trial, { jobId: job.id, staffId: caller.id });
      await noteNotWorking(db, job.id, { quoteId: accepted.quote.id, on: today, note, trialId, staffId: caller.id });
      await releasePieces(db, job.id, true);
      return done(null);
    },
  });
}

/** It was settled by mistake, or works after all: the promise stands again. */
export async function takeBackNotWorking(caller: Caller<'proofs.sign'>, jobId: number): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'not-working-taken-back',
    ofLead: true,
    needs: ['work'],
    work: async (db, { job, work }) => {
      const { accepted, notWorking } = work;
      if (accepted === null || notWorking === null) return fault('conflict', 'Nothing is settled.');
      if (work.invoices.some(({ cancelled }) => cancelled === null))
        return fault('conflict', 'It is invoiced already: cancel the invoice first.');
      await endNotWorking(db, job.id);
      if (notWorking.trialId !== null && job.modelId !== null) await dropTrial(db, job.modelId, notWorking.trialId);
      await setAside(db, job.id, accepted.whole);
      return done(null);
    },
  });
}
