import type { CustomerQuestion, CustomerStatement } from '../../core/quoting/quote-answer';
import { many, one, run } from '../database';
import type { Queryable } from '../queryable';
import { LEAD } from './groups';
import { findByLink, type SentQuote } from './quotes';

/** One thing that a customer said, and to which quote. */
export interface StoredAnswer extends CustomerStatement {
  id: number;
  quoteId: number;
  /** what the shop answered to a question */
  reply: CustomerQuestion['reply'];
}

/** @param answer `takenBy`: who of the shop took it down, where the customer did not answer by the link */
export async function insertAnswer(
  db: Queryable,
  answer: Omit<StoredAnswer, 'id' | 'on' | 'reply'> & { takenBy?: number },
): Promise<void> {
  const { quoteId, kind, place, signed, ticked, words, takenBy = null } = answer;
  await run(
    db,
    'insert into quote_answer (quote_id, kind, place, signed, ticked, words, taken_by) values ($1, $2, $3, $4, $5, $6, $7)',
    [quoteId, kind, place, signed, [...ticked], words, takenBy],
  );
}

const ANSWERS = `select said.id, quote_id as "quoteId", kind, place, signed, ticked, said.words,
    (answered_at at time zone (select time_zone from shop))::date::text as "on",
    case when answer_id is not null then jsonb_build_object('words', reply.words,
      'on', (replied_at at time zone (select time_zone from shop))::date::text) end as reply
  from quote_answer as said left join quote_reply as reply on answer_id = said.id`;
type AnswerRow = StoredAnswer & Record<string, unknown>;

/** Everything that was said to a quote, the earliest first. */
export async function listAnswers(db: Queryable, quoteId: number): Promise<StoredAnswer[]> {
  return many<AnswerRow>(db, `${ANSWERS} where quote_id = $1 order by said.id`, [quoteId]);
}

/** Everything that was said to the quotes of a job that went out, the earliest first. */
export async function answersOfJob(db: Queryable, jobId: number): Promise<StoredAnswer[]> {
  return many<AnswerRow>(
    db,
    `${ANSWERS} join quote on quote.id = quote_id where job_id = ${LEAD} and quote.state <> 'draft' order by said.id`,
    [jobId],
  );
}

/** Is the quote of a job that is out accepted? */
export async function isAccepted(db: Queryable, jobId: number): Promise<boolean> {
  const text = `select count(*)::integer as count from quote_answer join quote on quote.id = quote_id
    where job_id = ${LEAD} and quote.state = 'sent' and kind = 'accepted'`;
  return (await one<{ count: number }>(db, text, [jobId])).count > 0;
}

/** What the shop answers to a question; false: it was answered already. */
export async function insertReply(db: Queryable, answerId: number, staffId: number, words: string): Promise<boolean> {
  const noted = `insert into quote_reply (answer_id, staff_id, words) values ($1, $2, $3) on conflict do nothing`;
  return (await run(db, noted, [answerId, staffId, words])) > 0;
}

export async function countQuestions(db: Queryable, quoteId: number): Promise<number> {
  const counting = `select count(*)::integer as count from quote_answer where quote_id = $1 and kind = 'question'`;
  return (await one<{ count: number }>(db, counting, [quoteId])).count;
}

/** A sent quote by its link, locked until the transaction ends: anyone else who answers it waits. */
export async function lockByLink(db: Queryable, tokenHash: Buffer): Promise<SentQuote | null> {
  const linked = 'select quote_id from quote_link where token_hash = $1 and withdrawn_at is null';
  // The job first, as anyone who changes it in the shop does: two who answer at once wait for each other, and never both.
  await run(db, `select from job where id = (select job_id from quote where id = (${linked})) for update`, [tokenHash]);
  await run(db, `select from quote where id = (${linked}) for update`, [tokenHash]);
  return findByLink(db, tokenHash);
}

/** Notes that a quote's page was opened; only the first time counts. */
export async function noteOpened(db: Queryable, quoteId: number): Promise<void> {
  await run(db, 'update quote set opened_at = now() where id = $1 and opened_at is null', [quoteId]);
}
