import { z } from 'zod';
import { idSchema } from '../../../core/bounds';
import { planKey } from '../../../core/planning/filters/ladder';
import { packsAtATime } from '../../../core/planning/model/machines';
import { setAskedOffers } from '../../../store/job/jobs';
import { packOf } from '../../../store/market/offers';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { offerKey } from './offers-for-job';

export const askedOfferSchema = z.strictObject({ offer: idSchema });

/** A job remembers so many of them, the latest. */
const MOST_ASKED = 20;

/**
 * Has an offer planned with for a job, though the ladder would leave it out for cheaper ones like it.
 *
 * @returns the name of the set that adds it to what is in the machine
 */
export function askOffer(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { offer }: z.infer<typeof askedOfferSchema>,
): Promise<Result<{ plan: string }>> {
  return changeJob(caller, jobId, {
    kind: 'offer-asked',
    detail: { offer },
    needs: ['limits'],
    work: async (db, { job, bareCase }) => {
      if (!bareCase.ok) return fault('conflict', 'The machine has gaps: fill them on Limits first.');
      const modules = await packOf(db, offer);
      if (modules === null) return fault('not-found', 'This offer is no longer on the market.');
      const asked = [offer, ...job.askedOffers.filter((one) => one !== offer)];
      await setAskedOffers(db, jobId, asked.slice(0, MOST_ASKED));
      const { planCase } = bareCase;
      const kept = planCase.installed.map(({ slot }) => slot);
      const count = packsAtATime(planCase, { modules });
      return done({ plan: planKey({ kept, bought: [{ offer: offerKey(offer), count }] }) });
    },
  });
}
