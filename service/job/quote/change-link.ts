import { z } from 'zod';
import { idSchema } from '../../../core/bounds';
import { withdrawLinks } from '../../../store/job/quote-links';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { makeLink } from './quote-links';

/** Withdraws the link of a sent version, with or without a new one in its place. */
export async function changeLink(
  caller: Caller<'quotes.send'>,
  jobId: number,
  { version, to }: z.infer<typeof changeLinkSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'quote-link-changed',
    detail: { version, to },
    needs: ['quote'],
    work: async (db, { sent }) => {
      const quote = sent.find((one) => one.version === version);
      if (quote === undefined) return fault('not-found', 'This job has no such version.');
      await withdrawLinks(db, quote.id, caller.id);
      if (to === 'renewed') await makeLink(db, quote.id, caller.id);
      return done(null);
    },
  });
}

export const changeLinkSchema = z.strictObject({
  version: idSchema,
  /** withdrawn: anyone who has it sees nothing any more; renewed: the old one goes, a new one is made */
  to: z.enum(['withdrawn', 'renewed']),
});
