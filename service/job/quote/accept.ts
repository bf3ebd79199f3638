import { z } from 'zod';
import { customerView } from '../../../core/quoting/customer-view';
import { decisionOf, faultOfAcceptance, standingOf, tickedOf } from '../../../core/quoting/quote-answer';
import type { QuoteOption } from '../../../core/quoting/snapshot';
import { fallThrough, goOn } from '../../../store/job/jobs';
import { insertAnswer } from '../../../store/job/quote-answers';
import { releasePieces, setAsidePieces } from '../../../store/market/shelf';
import type { Queryable } from '../../../store/queryable';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { offerOfKey } from '../options/offers-for-job';

/** What of our shelf an accepted option takes is set aside for its job; what was held for its other options is free. */
export async function setAside(db: Queryable, jobId: number, option: QuoteOption): Promise<void> {
  for (const { offer, count } of option.shop.bought) await setAsidePieces(db, jobId, offerOfKey(offer), count);
  await releasePieces(db, jobId);
}

export const spokenYesSchema = z.strictObject({
  place: z.number().int().min(1).max(3),
  signed: z.string().trim().min(1, 'Enter who accepted.').max(120, 'At most 120 characters, please.'),
  /** statements that the customer agreed to, as they read */
  ticked: z.array(z.string().max(500)).max(20).default([]),
});

/** Takes a customer's yes down that was said at the counter or on the telephone. */
export async function acceptSpoken(
  caller: Caller<'quotes.send'>,
  jobId: number,
  input: z.infer<typeof spokenYesSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'quote-accepted',
    detail: { place: input.place, spoken: true },
    ofLead: true,
    needs: ['quote'],
    work: async (db, { job, sent, answers, today }) => {
      const current = sent.find(({ state }) => state === 'sent');
      if (current === undefined) return fault('conflict', 'No quote of this job is out.');
      const answer = decisionOf(answers.filter(({ quoteId }) => quoteId === current.id));
      const standing = standingOf(answer, { replaced: false, lapsed: today > current.validUntil });
      if (standing === 'accepted') return fault('conflict', 'It is accepted already.');
      if (standing === 'lapsed') return fault('conflict', 'The quote has lapsed: send a new version first.');
      const quote = customerView(current.snapshot);
      const wrong = faultOfAcceptance({ ...quote, language: 'en' }, input);
      if (wrong !== null) return fault('bad-input', wrong);
      const option = current.snapshot.options.find(({ place }) => place === input.place);
      if (option === undefined) return fault('bad-input', 'There is no such option.');
      await insertAnswer(db, {
        quoteId: current.id,
        kind: 'accepted',
        place: input.place,
        signed: input.signed,
        ticked: tickedOf(quote, input),
        words: '',
        takenBy: caller.id,
      });
      await setAside(db, job.id, option);
      return done(null);
    },
  });
}

export const fellThroughSchema = z.strictObject({
  why: z
    .string()
    .trim()
    .min(1, 'Enter the reason in a few words.')
    .max(500, 'At most 500 characters, please.')
    .nullable(),
});

/** Notes that a job came to nothing, or, with no reason, that it goes on after all. */
export async function noteFellThrough(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { why }: z.infer<typeof fellThroughSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: why === null ? 'job-goes-on' : 'job-fell-through',
    detail: { why },
    ofLead: true,
    needs: ['work'],
    work: async (db, { job, work }) => {
      if (why !== null) {
        await fallThrough(db, job.id, why);
        await releasePieces(db, job.id, true);
      } else {
        await goOn(db, job.id);
        if (work.accepted !== null) await setAside(db, job.id, work.accepted.whole);
      }
      return done(null);
    },
  });
}
