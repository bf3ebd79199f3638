import { isOffer } from '../../core/machine/slots/join-readings';
import { READ_FAULTS } from '../../core/reading/read';
import { readOffered } from '../../outward/readings/read-offered';
import { insertReading } from '../../store/job/readings';
import { changeJob } from '../job/change-job';
import type { ReadingInput } from '../job/intake/intake';
import { offerOfReading } from '../job/intake/offer-of-reading';
import { offerKey } from '../job/options/offers-for-job';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

/** A part that somebody saw while the ladder stood there. */
export interface NewPart {
  /** what the planning case calls its offer */
  offer: string;
  sentence: string;
}

/** Makes a title with its price, or a seller's page, an offer of the job; whatever is no offer changes nothing. */
export async function takePart(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { name, input }: ReadingInput,
): Promise<Result<NewPart>> {
  const outcome = await readOffered(input);
  if (!outcome.ok) return fault('bad-input', READ_FAULTS[outcome.code]);
  const { reading } = outcome;
  if (!isOffer(reading)) {
    return fault('bad-input', 'It names no price: paste a title with its price, or choose the seller’s saved page.');
  }
  return changeJob(caller, jobId, {
    kind: 'part-seen',
    detail: { source: name, format: reading.format },
    needs: [],
    work: async (db) => {
      const row = { jobId, purpose: 'intake', optionPlace: null, sourceName: name, input, result: reading } as const;
      const readingId = await insertReading(db, { ...row, staffId: caller.id });
      const became = await offerOfReading(db, caller, { jobId, readingId }, reading);
      if (became === null) return fault('bad-input', 'It names no price, or no module: look at what was pasted.');
      const { offerId, sentence } = became;
      return offerId === null ? fault('bad-input', sentence) : done({ offer: offerKey(offerId), sentence });
    },
  });
}
