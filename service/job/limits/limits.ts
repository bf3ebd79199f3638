import { z } from 'zod';
import { LIMIT_NAMES, LIMIT_SCHEMAS, type LimitName } from '../../../core/machine/limits/limit';
import { overwritten } from '../../../core/overwritten';
import { noteEvent } from '../../../store/events';
import { putClaim } from '../../../store/job/claims';
import { decide, listDecisions, setLimitsAgreed, undecide } from '../../../store/job/jobs';
import { done, fault, type Result, writtenMeanwhile } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';

const decisionSchema = z.strictObject({
  limit: z.enum(LIMIT_NAMES as [LimitName, ...LimitName[]], { error: 'There is no such limit.' }),
  value: z.unknown(),
  /** what was decided of it when the writer looked; null or absent: nothing was */
  seen: z.unknown().optional(),
});

/** Decisions taken together, with the reason; a null value takes an earlier one back. */
export const decisionsSchema = z.strictObject({
  decisions: z.array(decisionSchema).min(1, 'There is nothing to decide.').max(20),
  why: z.string().trim().max(500, 'At most 500 characters, please.').default(''),
  /** true: the model keeps it too, for the next machine of it */
  intoModel: z.boolean().default(false),
});
export type Decisions = z.input<typeof decisionsSchema>;

const isWrong = ({ limit, value }: z.infer<typeof decisionSchema>): boolean =>
  value != null && !LIMIT_SCHEMAS[limit].safeParse(value).success;

/** Decides limits of a job, all or none, and with the model where the caller says so. */
export async function decideLimits(
  caller: Caller<'limits.decide'>,
  jobId: number,
  input: Decisions,
): Promise<Result<null>> {
  const { decisions, why, intoModel } = decisionsSchema.parse(input);
  if (decisions.some(isWrong)) {
    return fault('bad-input', 'This value cannot be: a limit is more than 0, and lists are not empty.');
  }
  const back = decisions.every(({ value }) => value == null);
  return changeJob(caller, jobId, {
    kind: back ? 'limit-decision-taken-back' : 'limit-decided',
    detail: { decisions, why, intoModel },
    needs: [],
    work: async (db, { job }) => {
      if (intoModel && job.modelId === null) return fault('conflict', 'The job has no model of the library yet.');
      const now = Object.fromEntries(
        (await listDecisions(db, jobId)).map(({ limitName, value }) => [limitName, value]),
      );
      const of = (which: 'value' | 'seen') =>
        Object.fromEntries(decisions.map((one) => [one.limit, one[which] ?? null]));
      const theirs = overwritten(now, of('seen'), of('value'));
      if (theirs !== null) return writtenMeanwhile(theirs);
      for (const { limit, value } of decisions) {
        if (value == null) await undecide(db, jobId, limit);
        else await decide(db, jobId, { limit, value, why }, caller.id);
        if (!intoModel || job.modelId === null || value == null) continue;
        const source = { kind: 'technician', name: caller.name, note: why, on: null } as const;
        await putClaim(db, job.modelId, { limit, value, source }, caller.id);
      }
      if (intoModel) await noteEvent(db, { jobId, staffId: caller.id, kind: 'model-learned', detail: { decisions } });
      return done(null);
    },
  });
}

/** Says that the limits are looked at and hold, or takes that back. */
export async function agreeLimits(
  caller: Caller<'limits.decide'>,
  jobId: number,
  agreed: boolean,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: agreed ? 'limits-agreed' : 'limits-reopened',
    needs: ['limits'],
    work: async (db, { gaps }) => {
      if (agreed && gaps.length > 0) return fault('conflict', 'Something is still asked: answer it first.');
      await setLimitsAgreed(db, jobId, agreed);
      return done(null);
    },
  });
}
