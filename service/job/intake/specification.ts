import { z } from 'zod';
import { idSchema } from '../../../core/bounds';
import { takenSpecificationSchema } from '../../../core/machine/models/taken-specification';
import { jobSlotsSchema } from '../../../core/machine/slots/job-slot';
import { keepTyped } from '../../../core/machine/slots/slots-of-job';
import { isSpecification, type SpecificationReading } from '../../../core/reading/reading';
import { noteEvent } from '../../../store/events';
import { putClaim } from '../../../store/job/claims';
import { replaceSlots } from '../../../store/job/job-slots';
import { patchIntake, setLimitsAgreed } from '../../../store/job/jobs';
import { listReadings, setTaken } from '../../../store/job/readings';
import { listModelSlots } from '../../../store/library/models';
import type { Queryable } from '../../../store/queryable';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import type { JobWith } from '../slices/slice';
import { slotsFollowing } from './taken-specifications';

/** What is taken of a specification that was read into a job; null: all of it is taken back. */
export const specificationSchema = z.strictObject({
  reading: idSchema,
  taken: takenSpecificationSchema.nullable(),
  /** true: the job's model keeps the claims too, for the next machine of it */
  intoModel: z.boolean().default(false),
});

/** A machine that nobody named is called what the specification calls it; a CPU's data name the CPU. */
async function nameMachine(
  db: Queryable,
  { job, cpu }: JobWith<'limits'>,
  { about, name }: SpecificationReading,
): Promise<void> {
  if (name === null) return;
  const called = [name.maker, name.model].filter((word) => word !== null).join(' ');
  if (about === 'cpu') {
    if (job.cpu === '' && cpu.told === '') await patchIntake(db, job, { cpu: called.slice(0, 120) });
    return;
  }
  if (job.machineMaker !== '' || job.machineName !== '') return;
  await patchIntake(db, job, { machineMaker: (name.maker ?? '').slice(0, 120), machineName: name.model.slice(0, 160) });
}

/**
 * Takes claims of a specification into the job, in the name of the source that a person gave it: each as it was read, or as
 * the person changed it. An unknown machine gets the board that the text describes.
 */
export async function takeSpecification(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { reading, taken, intoModel }: z.infer<typeof specificationSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: taken === null ? 'specification-taken-back' : 'specification-taken',
    detail: { reading, taken, intoModel },
    needs: ['readings', 'machine', 'limits'],
    work: async (db, state) => {
      const kept = state.readings.find(({ id }) => id === reading);
      if (kept === undefined || !isSpecification(kept.result))
        return fault('not-found', 'The job has no such specification.');
      if (kept.setAside) return fault('conflict', 'It is ignored: use it again first.');
      const { job, model } = state;
      if (intoModel && model === null) return fault('conflict', 'The job has no model of the library yet.');
      await setTaken(db, jobId, reading, taken, caller.id);
      const readings = await listReadings(db, jobId);
      const modelSlots = model === null ? null : await listModelSlots(db, model.id);
      const next = keepTyped(
        slotsFollowing(state.joined, modelSlots, readings).map(({ slot }) => slot),
        state.slots,
        state.derived.map(({ slot }) => slot),
      );
      if (!jobSlotsSchema.safeParse(next).success)
        return fault('bad-input', 'Its slots and those of the job contradict each other: correct the board first.');
      await replaceSlots(db, jobId, next);
      await setLimitsAgreed(db, jobId, false);
      if (taken === null) return done(null);
      await nameMachine(db, state, kept.result);
      if (intoModel && job.modelId !== null) {
        const { source, claims } = taken;
        for (const { limit, value, quote } of claims)
          await putClaim(db, job.modelId, { limit, value, source: { ...source, note: quote, on: null } }, caller.id);
        await noteEvent(db, { jobId, staffId: caller.id, kind: 'model-learned', detail: { claims, source } });
      }
      return done(null);
    },
  });
}
