import { HAND_OVER_STEP } from '../../../core/fitting/checklist';
import { optionOfGroup } from '../../../core/quoting/groups/option-of-group';
import { listFittings } from '../../../store/job/fittings';
import { listGroups } from '../../../store/job/groups';
import { signedProofs } from '../../../store/job/proofs';
import { releasePieces, returnPieces, sellPieces } from '../../../store/market/shelf';
import type { Queryable } from '../../../store/queryable';
import { offerOfKey } from '../options/offers-for-job';
import type { Accepted } from './job-work';

/**
 * What customers have taken home is gone from stock, whether or not a proof comes: of each group as much as goes with the
 * machines whose parts were handed over. A hand-over that is undone puts it back, as long as no proof is signed.
 *
 * @param leadId the job that has the quote
 */
export async function settleHandedOver(db: Queryable, leadId: number, { quote, whole }: Accepted): Promise<void> {
  const groups = await listGroups(db, leadId);
  const isOver = ({ step, state }: { step: string; state: string }) => step === HAND_OVER_STEP && state === 'done';
  const over = (await listFittings(db, leadId)).filter((one) => one.quoteId === quote.id && one.ticks.some(isOver));
  const gone = new Map<number, number>();
  let isWhole = true;
  for (const { jobId, machines } of groups) {
    const handed = new Set(over.flatMap((one) => (one.jobId === jobId ? [one.machine] : []))).size;
    isWhole &&= handed >= machines;
    for (const { offer, count } of optionOfGroup(whole, jobId).shop.bought) {
      const id = offerOfKey(offer);
      gone.set(id, (gone.get(id) ?? 0) + Math.floor((count * handed) / machines));
    }
  }
  const isProved = (await signedProofs(db, quote.id)).length > 0;
  for (const [offerId, count] of gone) {
    await sellPieces(db, leadId, offerId, count);
    if (!isProved) await returnPieces(db, leadId, offerId, count);
  }
  // What else was promised to the job is free again.
  if (isWhole) await releasePieces(db, leadId, true);
}
