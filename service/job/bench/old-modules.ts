import { z } from 'zod';
import { insertOldModule, OLD_FATES, takeOldModuleBack } from '../../../store/job/proofs';
import { pieceSchema, putPiece } from '../../market/shelf';
import { done, fault, type Result } from '../../result';
import { type Caller, whyBarred } from '../../staff/access';
import { changeJob } from '../change-job';
import type { Accepted } from './job-work';

export const oldModuleSchema = z.discriminatedUnion('fate', [
  z.strictObject({ fate: z.enum(OLD_FATES).exclude(['shelf']), slot: z.string().min(1).max(60) }),
  z.strictObject({
    fate: z.literal('shelf'),
    slot: z.string().min(1).max(60),
    piece: pieceSchema.omit({ originJobId: true }),
  }),
  z.strictObject({ fate: z.literal('undo'), slot: z.string().min(1).max(60) }),
]);

/** Modules that the accepted option takes out of the machine. */
export function modulesOut({ option }: Accepted): { slot: string; what: string }[] {
  // What a customer takes out at home is none of ours.
  if (option.partsOnly) return [];
  const { kept } = option.shop;
  return option.before.flatMap(({ slot, text, fate }) =>
    text === null || fate === 'built-in' || kept.includes(slot) ? [] : [{ slot, what: text }],
  );
}

/** Notes what became of a module that came out: back to the customer, onto the shelf, or scrapped. */
export async function settleOldModule(
  caller: Caller<'jobs.write'>,
  jobId: number,
  input: z.infer<typeof oldModuleSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: `old-module-${input.fate}`,
    detail: { slot: input.slot },
    needs: ['work'],
    work: async (db, { work }) => {
      if (work.accepted === null)
        return fault('conflict', 'No option is accepted yet: nothing comes out of the machine.');
      if (input.fate === 'undo') {
        return (await takeOldModuleBack(db, jobId, input.slot))
          ? done(null)
          : fault('conflict', 'A module in stock is removed under Stock.');
      }
      const old = modulesOut(work.accepted).find(({ slot }) => slot === input.slot);
      if (old === undefined) return fault('not-found', `Nothing comes out of ${input.slot}.`);
      let pieceId: number | null = null;
      if (input.fate === 'shelf') {
        const barred = whyBarred(caller, 'stock.write');
        if (barred !== null) return barred;
        const put = await putPiece(db, caller, { ...input.piece, originJobId: jobId });
        if (!put.ok) return put;
        pieceId = put.value.id;
      }
      const isFirst = await insertOldModule(db, jobId, { ...old, fate: input.fate, pieceId }, caller.id);
      return isFirst ? done(null) : fault('conflict', 'Somebody noted that already.');
    },
  });
}
