import { z } from 'zod';
import { putChoice } from '../../../store/job/quotes';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';

export const fitOptionSchema = z.strictObject({
  /** parts to take home, or fitted here; null: as its job */
  partsOnly: z.boolean().nullable(),
});

/** Says whether an option of the draft is fitted here or taken home as parts. */
export async function fitOption(
  caller: Caller<'jobs.write'>,
  jobId: number,
  place: number,
  { partsOnly }: z.infer<typeof fitOptionSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'option-fitting-changed',
    detail: { place, partsOnly },
    needs: ['quote'],
    work: async (db, { draft, job }) => {
      const choice = draft?.choices.find((one) => one.place === place);
      if (draft === null || choice === undefined)
        return fault('conflict', 'This option is no longer in the draft quote.');
      await putChoice(db, draft.id, { ...choice, partsOnly: partsOnly === job.partsOnly ? null : partsOnly });
      return done(null);
    },
  });
}
