import { z } from 'zod';
import { LIMIT_NAMES, LIMIT_SCHEMAS, type LimitName } from '../core/machine/limit';
import { decide, setLimitsAgreed, undecide } from '../store/jobs';
import type { Caller } from './access';
import { changeJob } from './change-job';
import { done, fault, type Result } from './result';

/** A decision on one limit; a null value takes an earlier one back. */
export const decisionSchema = z.strictObject({
  limit: z.enum(LIMIT_NAMES as [LimitName, ...LimitName[]], { error: 'There is no such limit.' }),
  value: z.unknown(),
});

export async function decideLimit(
  caller: Caller,
  jobId: number,
  { limit, value }: { limit: LimitName; value?: unknown },
): Promise<Result<null>> {
  if (value != null) {
    const parsed = LIMIT_SCHEMAS[limit].safeParse(value);
    if (!parsed.success)
      return fault('bad-input', 'This value cannot be: a limit is more than 0, and lists are not empty.');
  }
  return changeJob(caller, jobId, {
    kind: value == null ? 'limit-decision-taken-back' : 'limit-decided',
    detail: { limit, value: value ?? null },
    work: async (db) => {
      if (value == null) await undecide(db, jobId, limit);
      else await decide(db, jobId, limit, value, caller.id);
      return done(null);
    },
  });
}

/** Says that the limits are looked at and hold, or takes that back. */
export async function agreeLimits(caller: Caller, jobId: number, agreed: boolean): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: agreed ? 'limits-agreed' : 'limits-reopened',
    work: async (db, { gaps }) => {
      if (agreed && gaps.length > 0) return fault('conflict', 'Something is still asked: answer it first.');
      await setLimitsAgreed(db, jobId, agreed);
      return done(null);
    },
  });
}
