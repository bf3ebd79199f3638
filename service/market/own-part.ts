import { z } from 'zod';
import { knownOf } from '../../core/machine/slots/slots-of-reading';
import { moduleText } from '../../core/memory/module-words';
import { wholeModule } from '../../core/price-list/whole-module';
import { readListing } from '../../core/reading/listing/listing';
import { insertOffer, insertPrice } from '../../store/market/offers';
import { changeJob } from '../job/change-job';
import { offerKey } from '../job/options/offers-for-job';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

export const ownPartSchema = z.strictObject({
  /** the module's label, or a line that says what it is */
  label: z.string().trim().min(1, 'Enter the module’s label.').max(300),
  count: z.number().int().min(1, 'A part is of one at least.').max(64),
});

/** What is stored as the price of a part that costs the shop nothing: a price is more than 0. Nobody reads it. */
const NO_PRICE = 1;

/** Takes down modules that the customer brings: only their fitting is charged. */
export async function takeOwnPart(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { label, count }: z.infer<typeof ownPartSchema>,
): Promise<Result<{ offer: string }>> {
  const { module: read } = readListing(label);
  const module = wholeModule(knownOf(read));
  if (module === null)
    return fault('bad-input', 'The label does not say enough: capacity, generation, form factor and rate are needed.');
  return changeJob(caller, jobId, {
    kind: 'own-part-taken',
    detail: { label, count },
    needs: [],
    work: async (db) => {
      const maker = read.maker === null ? '' : `${read.maker} `;
      const id = await insertOffer(db, {
        sellerId: null,
        sellerPart: null,
        title: `${maker}${moduleText(module)}`,
        origin: 'used',
        modules: 1,
        module,
        stock: count,
        note: '',
        modelIds: [],
        jobId,
        ownPart: true,
      });
      await insertPrice(db, id, NO_PRICE, `brought by the customer of job ${jobId}`);
      return done({ offer: offerKey(id) });
    },
  });
}
