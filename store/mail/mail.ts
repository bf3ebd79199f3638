import { many, maybeOne, one, run } from '../database';
import { LEAD } from '../job/groups';
import type { Queryable } from '../queryable';
import { addTask } from '../queue/queue';

/** How far a mail has come. `unsure`: it was handed over whole, and no answer came back. */
export type MailState = 'waiting' | 'sending' | 'sent' | 'refused' | 'unsure' | 'given-up';

export interface Mail {
  id: number;
  /** what it is about: a quote of a job, or an order of parts */
  jobId: number | null;
  quoteId: number | null;
  orderId: number | null;
  kind: 'quote' | 'reminder' | 'order';
  to: string;
  messageId: string;
  /** where the customer's browser finds the shop, such as `https://shop.example` */
  base: string;
  state: MailState;
  tries: number;
  nextAt: Date;
  /** what the last try came to; null: there was none */
  sentence: string | null;
  sentAt: Date | null;
}

const MAIL = `select id, job_id as "jobId", quote_id as "quoteId", order_id as "orderId", kind, to_address as "to", message_id as "messageId", base,
  state, tries, next_at as "nextAt", sentence, sent_at as "sentAt" from mail`;

type Row = Mail & Record<string, unknown>;

/** Keeps a mail to be sent, with the task that sends it; null: the same waits already, went, or may have gone. */
export async function queueMail(
  db: Queryable,
  mail: Pick<Mail, 'jobId' | 'quoteId' | 'orderId' | 'kind' | 'to' | 'messageId' | 'base'>,
  staffId: number | null,
): Promise<number | null> {
  const row = await maybeOne<{ id: number }>(
    db,
    `insert into mail (job_id, quote_id, order_id, kind, to_address, message_id, base, asked_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict do nothing returning id`,
    [mail.jobId, mail.quoteId, mail.orderId, mail.kind, mail.to, mail.messageId, mail.base, staffId],
  );
  if (row !== null) await addTask(db, 'send-mail', {}, { about: null });
  return row?.id ?? null;
}

/** In how long the next mail that waits is due, milliseconds; null: none waits. */
export async function nextMailIn(db: Queryable): Promise<number | null> {
  const { ms } = await one<{ ms: number | null }>(
    db,
    `select ceil(extract(epoch from min(next_at) - now()) * 1000)::float8 as ms from mail where state = 'waiting'`,
  );
  return ms;
}

/** Mail of a job, the newest first. */
export async function listMail(db: Queryable, jobId: number): Promise<Mail[]> {
  return many<Row>(db, `${MAIL} where job_id = ${LEAD} order by id desc`, [jobId]);
}

/** Mail of an order, the newest first. */
export async function listOrderMail(db: Queryable, orderId: number): Promise<Mail[]> {
  return many<Row>(db, `${MAIL} where order_id = $1 order by id desc`, [orderId]);
}

/**
 * Takes the next mail that is due, for one try; of several processes one gets it. Mail of a quote whose link was made with
 * another server key is left to the process that has it. Null: none is due.
 */
export async function takeDueMail(db: Queryable, keyMark: Buffer): Promise<Mail | null> {
  return maybeOne<Row>(
    db,
    `with due as (
       select id as due_id from mail where state = 'waiting' and next_at <= now()
         and not exists (select from quote_link as link where link.quote_id = mail.quote_id and withdrawn_at is null
           and link.key_mark is not null and link.key_mark <> $1)
       order by next_at limit 1
       for update skip locked
     ), taken as (
       update mail set state = 'sending', tries = tries + 1, taken_at = now() from due where id = due_id returning id
     ) ${MAIL} where id = (select id from taken)`,
    [keyMark],
  );
}

/** Notes what a try came to. */
export async function noteMail(
  db: Queryable,
  id: number,
  outcome: { state: Exclude<MailState, 'sending'>; sentence: string; waitMs?: number },
): Promise<void> {
  await run(
    db,
    `update mail set state = $2, sentence = $3, next_at = now() + make_interval(secs => $4),
       sent_at = case when $2 = 'sent' then now() end
     where id = $1 and state = 'sending'`,
    [id, outcome.state, outcome.sentence.slice(0, 500), (outcome.waitMs ?? 0) / 1000],
  );
}

/** Mail that a process took and never told of: whether it went, nobody knows. */
export async function strandMail(db: Queryable, afterMinutes: number): Promise<number> {
  return run(
    db,
    `update mail set state = 'unsure', sentence = 'Fenbrik ended while it was on its way: it may have arrived.'
     where state = 'sending' and taken_at < now() - make_interval(mins => $1)`,
    [afterMinutes],
  );
}

/** Lets a mail be sent again that was refused, given up, or of which nobody knows whether it went. */
export async function releaseMail(
  db: Queryable,
  of: { jobId: number } | { orderId: number },
  id: number,
): Promise<Mail | null> {
  const [column, owner] = 'jobId' in of ? ['job_id', of.jobId] : ['order_id', of.orderId];
  return maybeOne<Row>(
    db,
    `with released as (
       update mail set state = 'given-up' where id = $2 and ${column} = $1 and state in ('refused', 'given-up', 'unsure')
       returning id
     ) ${MAIL} where id = (select id from released)`,
    [owner, id],
  );
}

/**
 * Quotes that lapse within the shop's days, were mailed, and were neither answered nor reminded of: with the mail they went by.
 * Anyone who was sent a quote for no longer than that is not reminded of it.
 */
export async function listToRemind(
  db: Queryable,
): Promise<{ jobId: number; quoteId: number; to: string; base: string }[]> {
  return many<{ jobId: number; quoteId: number; to: string; base: string }>(
    db,
    `select mail.job_id as "jobId", mail.quote_id as "quoteId", to_address as "to", base
     from mail join quote on quote.id = quote_id cross join shop
     where mail.kind = 'quote' and mail.state = 'sent' and quote.state = 'sent' and remind_days > 0
       and valid_until between (now() at time zone time_zone)::date and (now() at time zone time_zone)::date + remind_days
       and (quote.sent_at at time zone time_zone)::date < valid_until - remind_days
       and not exists (select from quote_answer where quote_answer.quote_id = quote.id and quote_answer.kind <> 'question')
       and not exists (select from mail as other where other.quote_id = quote.id and other.kind = 'reminder')`,
  );
}

/** What a mail of a quote is made from, beside the quote itself. */
export async function mailSender(db: Queryable): Promise<{ from: string; name: string }> {
  return one<{ from: string; name: string }>(db, 'select mail_from as "from", name from shop');
}
