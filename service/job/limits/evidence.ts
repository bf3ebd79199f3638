import { z } from 'zod';
import { LIMIT_NAMES, LIMIT_SCHEMAS, type LimitName } from '../../../core/machine/limits/limit';
import { CLAIM_SOURCES, partKey, type trialSchema } from '../../../core/machine/models/model';
import { transaction } from '../../../store/database';
import { noteEvent } from '../../../store/events';
import { dropClaim, putClaim } from '../../../store/job/claims';
import { getModel } from '../../../store/library/models';
import { putTestedParts } from '../../../store/library/tested-parts';
import { dropTrial, insertTrial } from '../../../store/library/trials';
import type { Queryable } from '../../../store/queryable';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';

interface ModelChange {
  kind: string;
  detail: object;
  work: (db: Queryable) => Promise<Result<null>>;
}

/** Changes what stands on a model and notes who did it; the model must be there. */
export async function changeModel(caller: Caller, modelId: number, change: ModelChange): Promise<Result<null>> {
  return transaction(async (db) => {
    if ((await getModel(db, modelId)) === null) return fault('not-found', 'This model is no longer in the library.');
    const result = await change.work(db);
    if (!result.ok) return result;
    await noteEvent(db, {
      jobId: null,
      staffId: caller.id,
      kind: change.kind,
      detail: { modelId, ...change.detail },
    });
    return result;
  });
}

/** Records a trial: these modules in this model worked or failed. */
export async function recordTrial(
  caller: Caller<'library.write'>,
  modelId: number,
  trial: z.infer<typeof trialSchema>,
): Promise<Result<null>> {
  return changeModel(caller, modelId, {
    kind: 'trial-recorded',
    detail: { trial },
    work: async (db) => {
      await insertTrial(db, modelId, trial, { jobId: null, staffId: caller.id });
      return done(null);
    },
  });
}

/** Takes a trial out that was recorded by mistake. */
export async function takeTrialBack(
  caller: Caller<'library.write'>,
  modelId: number,
  trialId: number,
): Promise<Result<null>> {
  return changeModel(caller, modelId, {
    kind: 'trial-taken-back',
    detail: { trialId },
    work: async (db) =>
      (await dropTrial(db, modelId, trialId)) ? done(null) : fault('not-found', 'The model has no such trial.'),
  });
}

const claimName = {
  limit: z.enum(LIMIT_NAMES as [LimitName, ...LimitName[]], { error: 'There is no such limit.' }),
  kind: z.enum(CLAIM_SOURCES, { error: 'Say which source says it.' }),
  name: z.string().trim().min(1, 'Enter the name of the source.').max(200),
};

/** A source's word on a limit of a model. */
export const newClaimSchema = z.strictObject({
  ...claimName,
  value: z.unknown(),
  note: z.string().trim().max(500, 'At most 500 characters, please.').default(''),
});

export async function addClaim(
  caller: Caller<'library.write'>,
  modelId: number,
  { limit, kind, name, value, note }: z.infer<typeof newClaimSchema>,
): Promise<Result<null>> {
  if (value == null) return fault('bad-input', 'A limit needs a value.');
  if (!LIMIT_SCHEMAS[limit].safeParse(value).success) {
    return fault('bad-input', 'This value cannot be: a limit is more than 0, and lists are not empty.');
  }
  return changeModel(caller, modelId, {
    kind: 'claim-noted',
    detail: { limit, value, kind, name },
    work: async (db) => {
      await putClaim(db, modelId, { limit, value, source: { kind, name, note, on: null } }, caller.id);
      return done(null);
    },
  });
}

export const claimNameSchema = z.strictObject(claimName);

export async function removeClaim(
  caller: Caller<'library.write'>,
  modelId: number,
  claim: z.infer<typeof claimNameSchema>,
): Promise<Result<null>> {
  return changeModel(caller, modelId, {
    kind: 'claim-taken-out',
    detail: claim,
    work: async (db) =>
      (await dropClaim(db, modelId, claim)) ? done(null) : fault('not-found', 'The model has no such claim.'),
  });
}

/** Part numbers of a list of tested parts, one a line. */
export const testedListSchema = z.strictObject({
  list: z.string().trim().min(1, 'Enter whose list it is.').max(200),
  parts: z.string().max(200_000, 'That list is too long.'),
});

export async function addTestedList(
  caller: Caller<'library.write'>,
  modelId: number,
  { list, parts }: z.infer<typeof testedListSchema>,
): Promise<Result<null>> {
  const numbers = parts
    .split(/[\n,;]+/)
    .map((part) => part.trim())
    .filter((part) => part !== '');
  const wrong = numbers.find((part) => part.length > 80 || partKey(part).length < 3);
  if (wrong !== undefined) return fault('bad-input', `"${wrong.slice(0, 40)}" is no part number.`);
  if (numbers.length === 0) return fault('bad-input', 'There is no part number in it.');
  return changeModel(caller, modelId, {
    kind: 'tested-list-noted',
    detail: { list, count: numbers.length },
    work: async (db) => {
      await putTestedParts(
        db,
        modelId,
        numbers.map((part) => ({ list, part })),
      );
      return done(null);
    },
  });
}
