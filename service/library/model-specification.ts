import type { z } from 'zod';
import { takenSpecificationSchema } from '../../core/machine/models/taken-specification';
import { transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { putClaim } from '../../store/job/claims';
import { getModel } from '../../store/library/models';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

export const modelSpecificationSchema = takenSpecificationSchema.omit({ inside: true });

/** Adds what a specification says to a model, all of it or nothing, each claim with the words that it came from. */
export async function completeModel(
  caller: Caller<'library.write'>,
  modelId: number,
  { source, claims }: z.infer<typeof modelSpecificationSchema>,
): Promise<Result<null>> {
  if (claims.length === 0) return fault('bad-input', 'Choose at least one limit of the specification.');
  return transaction(async (db) => {
    if ((await getModel(db, modelId)) === null) return fault('not-found', 'This model is no longer in the library.');
    for (const { limit, value, quote } of claims)
      await putClaim(db, modelId, { limit, value, source: { ...source, note: quote, on: null } }, caller.id);
    await noteEvent(db, {
      jobId: null,
      staffId: caller.id,
      kind: 'model-specified',
      detail: { modelId, source, claims },
    });
    return done(null);
  });
}
