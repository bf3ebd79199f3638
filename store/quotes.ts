import type { QuoteSnapshot } from '../core/quoting/snapshot';
import { many, maybeOne, one, type Queryable, run } from './database';

export interface Choice {
  place: number;
  kept: string[];
  bought: { offer: string; count: number }[];
}

export interface Draft {
  id: number;
  version: number;
  suggested: number | null;
  choices: Choice[];
}

export interface SentQuote {
  id: number;
  jobId: number;
  version: number;
  state: 'sent' | 'replaced';
  number: string;
  token: string;
  snapshot: QuoteSnapshot;
  sentAt: Date;
  sentBy: string | null;
  validUntil: string;
  /** the day on which its page was first opened, in the shop's zone; null: not yet */
  openedOn: string | null;
}

/** The job's draft, begun where there is none yet. */
export async function openDraft(db: Queryable, jobId: number): Promise<Draft> {
  await run(
    db,
    `insert into quote (job_id, version)
     select $1, coalesce((select max(version) from quote where job_id = $1), 0) + 1
     where not exists (select from quote where job_id = $1 and state = 'draft')`,
    [jobId],
  );
  const draft = await getDraft(db, jobId);
  if (draft === null) throw new Error(`job ${jobId} has no draft after one was begun`);
  return draft;
}

export async function getDraft(db: Queryable, jobId: number): Promise<Draft | null> {
  return maybeOne<Draft & Record<string, unknown>>(
    db,
    `select id, version, suggested, coalesce((
       select jsonb_agg(jsonb_build_object('place', place, 'kept', to_jsonb(kept), 'bought', bought) order by place)
       from quote_choice where quote_id = quote.id), '[]') as choices
     from quote where job_id = $1 and state = 'draft'`,
    [jobId],
  );
}

export async function putChoice(db: Queryable, quoteId: number, choice: Choice): Promise<void> {
  await run(
    db,
    `insert into quote_choice (quote_id, place, kept, bought) values ($1, $2, $3, $4)
     on conflict (quote_id, place) do update set kept = excluded.kept, bought = excluded.bought`,
    [quoteId, choice.place, choice.kept, JSON.stringify(choice.bought)],
  );
}

export async function dropChoice(db: Queryable, quoteId: number, place: number): Promise<number> {
  await run(db, 'update quote set suggested = null where id = $1 and suggested = $2', [quoteId, place]);
  return run(db, 'delete from quote_choice where quote_id = $1 and place = $2', [quoteId, place]);
}

export async function suggest(db: Queryable, quoteId: number, place: number | null): Promise<void> {
  await run(db, 'update quote set suggested = $2 where id = $1', [quoteId, place]);
}

/** The next number of a year. Its row stays locked until the transaction ends, so numbers have no gaps. */
export async function takeNumber(db: Queryable, year: number): Promise<string> {
  const row = await one<{ last: number }>(
    db,
    `insert into quote_number (year, last) values ($1, 1)
     on conflict (year) do update set last = quote_number.last + 1 returning last`,
    [year],
  );
  return `${year}-${String(row.last).padStart(4, '0')}`;
}

/** Turns a draft into a sent quote; the job's earlier one becomes replaced. */
export async function markSent(
  db: Queryable,
  jobId: number,
  quoteId: number,
  sent: { token: string; snapshot: QuoteSnapshot; staffId: number | null },
): Promise<void> {
  await run(db, `update quote set state = 'replaced' where job_id = $1 and state = 'sent'`, [jobId]);
  const { number, validUntil } = sent.snapshot;
  await run(
    db,
    `update quote set state = 'sent', number = $2, token = $3, snapshot = $4, sent_at = now(), sent_by = $5,
       valid_until = $6
     where id = $1`,
    [quoteId, number, sent.token, sent.snapshot, sent.staffId, validUntil],
  );
}

const SENT = `select quote.id, job_id as "jobId", version, state, number, token, snapshot, sent_at as "sentAt", staff.name as "sentBy",
    valid_until as "validUntil",
    (opened_at at time zone (select time_zone from shop))::date::text as "openedOn"
  from quote left join staff on staff.id = sent_by where state <> 'draft'`;

/** A job's sent quotes, the newest first. */
export async function listSent(db: Queryable, jobId: number): Promise<SentQuote[]> {
  return many<SentQuote & Record<string, unknown>>(db, `${SENT} and job_id = $1 order by version desc`, [jobId]);
}

export async function findByToken(db: Queryable, token: string): Promise<SentQuote | null> {
  return maybeOne<SentQuote & Record<string, unknown>>(db, `${SENT} and token = $1`, [token]);
}
