import { isOffer } from '../core/machine/join-readings';
import { READ_FAULTS } from '../core/reading/read';
import { readOffered } from '../outward/read-offered';
import { insertReading } from '../store/readings';
import type { Caller } from './access';
import { changeJob } from './change-job';
import type { ReadingInput } from './intake';
import { offerOfReading } from './offer-of-reading';
import { offerKey } from './offers-for-job';
import { done, fault, type Result } from './result';

/** A part that somebody saw while the ladder stood there. */
export interface NewPart {
  /** what the planning case calls its offer */
  offer: string;
  sentence: string;
}

/** Makes a title with its price, or a seller's page, an offer of the job; whatever is no offer changes nothing. */
export async function takePart(caller: Caller, jobId: number, { name, input }: ReadingInput): Promise<Result<NewPart>> {
  const outcome = await readOffered(input);
  if (!outcome.ok) return fault('bad-input', READ_FAULTS[outcome.code]);
  const { reading } = outcome;
  if (!isOffer(reading)) {
    return fault('bad-input', 'It names no price: paste a title with its price, or choose the seller’s saved page.');
  }
  return changeJob(caller, jobId, {
    kind: 'part-seen',
    detail: { source: name, format: reading.format },
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
