import type { Said } from '../core/quoting/quote-answer';
import { many, one, type Queryable, run } from './database';
import { findByToken, type SentQuote } from './quotes';

/** One thing that a customer said, and to which quote. */
export interface StoredAnswer extends Said {
  quoteId: number;
}

export async function insertAnswer(db: Queryable, answer: Omit<StoredAnswer, 'on'>): Promise<void> {
  const { quoteId, kind, place, signed, ticked, words } = answer;
  await run(
    db,
    'insert into quote_answer (quote_id, kind, place, signed, ticked, words) values ($1, $2, $3, $4, $5, $6)',
    [quoteId, kind, place, signed, [...ticked], words],
  );
}

/** Everything that was said to these quotes, the earliest first. */
export async function listAnswers(db: Queryable, quoteIds: readonly number[]): Promise<StoredAnswer[]> {
  return many<StoredAnswer & Record<string, unknown>>(
    db,
    `select quote_id as "quoteId", kind, place, signed, ticked, words,
       (answered_at at time zone (select time_zone from shop))::date::text as "on"
     from quote_answer where quote_id = any($1) order by id`,
    [[...quoteIds]],
  );
}

export async function countQuestions(db: Queryable, quoteId: number): Promise<number> {
  const counting = `select count(*)::integer as count from quote_answer where quote_id = $1 and kind = 'question'`;
  return (await one<{ count: number }>(db, counting, [quoteId])).count;
}

/** A sent quote by its token, locked until the transaction ends: whoever else answers it waits. */
export async function lockByToken(db: Queryable, token: string): Promise<SentQuote | null> {
  await run(db, 'select from quote where token = $1 for update', [token]);
  return findByToken(db, token);
}

/** Notes that a quote's page was opened; only the first time counts. */
export async function noteOpened(db: Queryable, quoteId: number): Promise<void> {
  await run(db, 'update quote set opened_at = now() where id = $1 and opened_at is null', [quoteId]);
}
