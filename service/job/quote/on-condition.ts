import { z } from 'zod';
import { putChoice } from '../../../store/job/quotes';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { draftOption } from '../options/draft-options';

export const conditionSchema = z.strictObject({
  /** what is paid if it does not work, as the shop's prices are; null: nothing of the kind is agreed */
  cents: z
    .number()
    .int()
    .min(1, 'What is paid if it does not work is more than 0.')
    .max(100_000_000, 'This is more than any quote costs.')
    .nullable(),
});

/** Says of an option off the books what is paid where it does not work, and the old modules go back in. */
export async function putCondition(
  caller: Caller<'jobs.write'>,
  jobId: number,
  place: number,
  { cents }: z.infer<typeof conditionSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'option-condition-changed',
    detail: { place, cents },
    needs: ['quote', 'market'],
    work: async (db, state) => {
      const { draft, groups } = state;
      const choice = draft?.choices.find((one) => one.place === place);
      if (draft === null || choice === undefined)
        return fault('conflict', 'This option is no longer in the draft quote.');
      if (cents !== null) {
        if (groups.length > 1)
          return fault(
            'conflict',
            'For machines in several groups nothing can be agreed on condition: quote them apart.',
          );
        const drafted = draftOption(state, { ...choice, ifNotCents: cents });
        if (!drafted.ok) return fault('conflict', drafted.sentence);
        const { ifNot, totalCents } = drafted.option;
        if (ifNot === undefined)
          return fault(
            'conflict',
            'This is for options off the books that are fitted here: what is vouched for has to work.',
          );
        if (ifNot.totalCents > totalCents) return fault('bad-input', 'It cannot be more than the option itself costs.');
      }
      await putChoice(db, draft.id, { ...choice, ifNotCents: cents });
      return done(null);
    },
  });
}
