import { z } from 'zod';
import { idSchema } from '../../../core/bounds';
import { dayText } from '../../../core/day-text';
import { customerView } from '../../../core/quoting/customer-view';
import {
  type CustomerAnswer,
  decisionOf,
  faultOfAcceptance,
  standingOf,
  tickedOf,
  type VersionStanding,
} from '../../../core/quoting/quote-answer';
import { localeOf, wordsOf } from '../../../core/quoting/words/in-language';
import { PAPER_WORDS } from '../../../core/quoting/words/papers-in';
import { pool, transaction } from '../../../store/database';
import { noteEvent } from '../../../store/events';
import { reopenJob, touchJob } from '../../../store/job/jobs';
import { countQuestions, insertAnswer, insertReply, listAnswers, lockByLink } from '../../../store/job/quote-answers';
import { findByLink, type SentQuote } from '../../../store/job/quotes';
import type { Queryable } from '../../../store/queryable';
import { shopDay } from '../../../store/shop/shop';
import { takeTry } from '../../../store/staff/rate-limits';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { setAside } from './accept';
import { isToken, linkHash } from './quote-links';

/** So many questions are taken of one quote: anyone who asks more is better heard on the telephone. */
const MOST_QUESTIONS = 20;

/** So much is taken by one link within an hour: nobody says more to a quote. */
const ANSWERS_BY_LINK = { name: 'answer-by-link', points: 40, seconds: 3600 };

const words = (most: number) => z.string().trim().max(most, `At most ${most} characters, please.`);

/** What the customer's page sends. */
export const answerSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('accept'),
    place: z.number().int().min(1).max(3),
    signed: words(120).min(1, 'Type your name: it is your signature.'),
    ticked: z.array(z.string().max(500)).max(20),
  }),
  z.strictObject({ kind: z.literal('decline'), words: words(2_000) }),
  z.strictObject({ kind: z.literal('ask'), words: words(2_000).min(1, 'Type your question first.') }),
]);
export type AnswerInput = z.infer<typeof answerSchema>;

async function accept(
  db: Queryable,
  sent: SentQuote,
  standing: { answer: CustomerAnswer | null; state: VersionStanding },
  input: Extract<AnswerInput, { kind: 'accept' }>,
): Promise<Result<null>> {
  const { answer, state } = standing;
  const { place, signed } = input;
  const { faults } = wordsOf(sent.snapshot);
  if (answer?.kind === 'accepted') {
    // The same yes once more, from a page that did not hear our answer, is the same yes.
    if (answer.place === place && answer.signed === signed) return done(null);
    return fault(
      'conflict',
      faults.acceptedAlready(answer.place, answer.signed, dayText(answer.on, localeOf(sent.snapshot))),
    );
  }
  if (state === 'lapsed' || state === 'replaced') return fault('conflict', faults[state]);
  const quote = customerView(sent.snapshot);
  const wrong = faultOfAcceptance(quote, input);
  if (wrong !== null) return fault('bad-input', wrong);
  await insertAnswer(db, {
    quoteId: sent.id,
    kind: 'accepted',
    place,
    signed,
    ticked: tickedOf(quote, input),
    words: '',
  });
  const option = sent.snapshot.options.find((one) => one.place === place);
  if (option !== undefined) await setAside(db, sent.jobId, option);
  return done(null);
}

/** That it is too much, in the language of the quote. */
async function tooManyWords(hash: Buffer): Promise<string> {
  const sent = await findByLink(pool(), hash);
  return (sent === null ? PAPER_WORDS.en : wordsOf(sent.snapshot)).faults.tooManyAnswers;
}

/**
 * Takes what a customer says to a quote by its link. Acknowledged only when it is on disk; a yes that comes twice is one
 * yes, and a second one that says something else is told what was accepted.
 */
export async function answerQuote(token: string, input: AnswerInput): Promise<Result<null>> {
  if (!isToken(token)) return fault('not-found', PAPER_WORDS.en.faults.noQuote);
  const hash = linkHash(token);
  const { waitMs } = await takeTry(ANSWERS_BY_LINK, hash.toString('base64url'));
  if (waitMs > 0) return fault('too-many', await tooManyWords(hash));
  return transaction(async (db) => {
    const sent = await lockByLink(db, hash);
    if (sent === null) return fault('not-found', PAPER_WORDS.en.faults.noQuote);
    const { faults } = wordsOf(sent.snapshot);
    const answer = decisionOf(await listAnswers(db, sent.id));
    const lapsed = (await shopDay(db)) > sent.validUntil;
    const state = standingOf(answer, { replaced: sent.state === 'replaced', lapsed });
    if (input.kind === 'accept') {
      const accepted = await accept(db, sent, { answer, state }, input);
      if (!accepted.ok || answer?.kind === 'accepted') return accepted;
    } else if (state === 'lapsed' || state === 'replaced') {
      return fault('conflict', faults[state]);
    } else if (input.kind === 'decline') {
      if (answer?.kind === 'accepted') return fault('conflict', faults.acceptedNoMore(answer.place));
      // The same no once more is the same no: anyone who thinks better of it says yes.
      if (answer?.kind === 'declined') return done(null);
      await insertAnswer(db, { ...NOTHING_SIGNED, quoteId: sent.id, kind: 'declined', words: input.words });
    } else {
      if ((await countQuestions(db, sent.id)) >= MOST_QUESTIONS) return fault('conflict', faults.tooManyQuestions);
      await insertAnswer(db, { ...NOTHING_SIGNED, quoteId: sent.id, kind: 'question', words: input.words });
    }
    const detail = input.kind === 'accept' ? { number: sent.number, place: input.place } : { number: sent.number };
    await noteEvent(db, { jobId: sent.jobId, staffId: null, kind: EVENTS[input.kind], detail });
    await touchJob(db, sent.jobId);
    // Anyone who says yes or asks is waiting, though the shop had done with it.
    if (input.kind !== 'decline') await reopenJob(db, sent.jobId);
    return done(null);
  });
}

export const replySchema = z.strictObject({
  question: idSchema,
  words: words(2_000).min(1, 'Enter the answer first.'),
});

/** Answers a customer's question: what is said stands beside it on the customer's page, and stays. */
export async function replyTo(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { question, words: said }: z.infer<typeof replySchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'question-answered',
    detail: { question },
    needs: ['quote'],
    work: async (db, { answers }) => {
      if (!answers.some(({ id, kind }) => id === question && kind === 'question'))
        return fault('not-found', 'Nobody asked this here.');
      const isFirst = await insertReply(db, question, caller.id, said);
      return isFirst ? done(null) : fault('conflict', 'Somebody answered it meanwhile: look at what was said.');
    },
  });
}

const NOTHING_SIGNED = { place: null, signed: null, ticked: [] } as const;
const EVENTS = { accept: 'quote-accepted', decline: 'quote-declined', ask: 'question-asked' } as const;
