import type { CustomerQuestion, CustomerStatement } from '../../core/quoting/quote-answer';
import type { QuoteSnapshot } from '../../core/quoting/snapshot';
import type { LineEdits, QuoteTerms } from '../../core/quoting/terms-schema';
import type { AcceptWords } from '../../core/shop/accept-words';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';
import { LEAD } from './groups';

export interface ChosenPlan {
  place: number;
  kept: string[];
  bought: { offer: string; count: number }[];
  /** what was typed over its lines */
  edits?: LineEdits;
  /** parts to take home, or fitted here; null or left out: as its job */
  partsOnly?: boolean | null;
  /** paid if it does not work, as the shop's prices are, minor units; null or left out: nothing of the kind is agreed */
  ifNotCents?: number | null;
}

export interface Draft {
  id: number;
  version: number;
  suggested: number | null;
  /** what was agreed on; what is not named is as usual */
  terms: Partial<QuoteTerms>;
  choices: ChosenPlan[];
  /** options that an owner lets go below the lowest margin, by their totals */
  released: { place: number; totalCents: number }[];
}

export interface SentQuote {
  id: number;
  jobId: number;
  version: number;
  state: 'sent' | 'replaced';
  number: string;
  snapshot: QuoteSnapshot;
  sentAt: Date;
  sentBy: string | null;
  validUntil: string;
  /** the day on which its page was first opened, in the shop's zone; null: not yet */
  openedOn: string | null;
}

/** The job's draft, begun where there is none yet: with the terms of the version before, but for its last day. */
export async function openDraft(db: Queryable, jobId: number): Promise<Draft> {
  await run(
    db,
    `insert into quote (job_id, version, terms)
     select $1, coalesce((select max(version) from quote where job_id = $1), 0) + 1,
       coalesce((select terms - 'validUntil' from quote where job_id = $1 order by version desc limit 1), '{}')
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
    `select id, version, suggested, terms, released, coalesce((
       select jsonb_agg(
         jsonb_build_object('place', place, 'kept', to_jsonb(kept), 'bought', bought, 'edits', edits, 'partsOnly', parts_only,
           'ifNotCents', if_not_cents) order by place)
       from quote_choice where quote_id = quote.id), '[]') as choices
     from quote where job_id = $1 and state = 'draft'`,
    [jobId],
  );
}

export async function putChoice(db: Queryable, quoteId: number, choice: ChosenPlan): Promise<void> {
  await run(
    db,
    `insert into quote_choice (quote_id, place, kept, bought, edits, parts_only, if_not_cents)
     values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (quote_id, place) do update set kept = excluded.kept, bought = excluded.bought, edits = excluded.edits,
       parts_only = excluded.parts_only, if_not_cents = excluded.if_not_cents`,
    [
      ...[quoteId, choice.place, choice.kept, JSON.stringify(choice.bought), choice.edits ?? {}],
      ...[choice.partsOnly ?? null, choice.ifNotCents ?? null],
    ],
  );
}

export async function putTerms(db: Queryable, quoteId: number, terms: QuoteTerms): Promise<void> {
  await run(db, 'update quote set terms = $2 where id = $1', [quoteId, terms]);
}

/** What was typed over the lines of a sent quote's options, by their places. */
export async function listEdits(db: Queryable, quoteId: number): Promise<Map<number, LineEdits>> {
  const rows = await many<{ place: number; edits: LineEdits }>(
    db,
    'select place, edits from quote_choice where quote_id = $1',
    [quoteId],
  );
  return new Map(rows.map(({ place, edits }) => [place, edits]));
}

/** Notes that an owner lets these options go below the lowest margin. */
export async function releaseOptions(
  db: Queryable,
  quoteId: number,
  released: Draft['released'],
  staffId: number,
): Promise<void> {
  await run(db, 'update quote set released = $2, released_by = $3 where id = $1', [
    quoteId,
    JSON.stringify(released),
    staffId,
  ]);
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
  sent: { snapshot: QuoteSnapshot; staffId: number | null },
): Promise<void> {
  await run(db, `update quote set state = 'replaced' where job_id = $1 and state = 'sent'`, [jobId]);
  const { number, validUntil } = sent.snapshot;
  await run(
    db,
    `update quote set state = 'sent', number = $2, snapshot = $3, sent_at = now(), sent_by = $4, valid_until = $5
     where id = $1`,
    [quoteId, number, sent.snapshot, sent.staffId, validUntil],
  );
}

const SENT = `select quote.id, job_id as "jobId", version, state, number, snapshot, sent_at as "sentAt", staff.name as "sentBy",
    valid_until as "validUntil",
    (opened_at at time zone (select time_zone from shop))::date::text as "openedOn"
  from quote left join staff on staff.id = sent_by where state <> 'draft'`;

/** Sent quotes of a job, or of the job that leads its groups, the newest first. */
export async function listSent(db: Queryable, jobId: number): Promise<SentQuote[]> {
  return many<SentQuote & Record<string, unknown>>(db, `${SENT} and job_id = ${LEAD} order by version desc`, [jobId]);
}

/** A sent quote by its id. */
export async function findSent(db: Queryable, id: number): Promise<SentQuote | null> {
  return maybeOne<SentQuote & Record<string, unknown>>(db, `${SENT} and quote.id = $1`, [id]);
}

/** A sent quote by its number. */
export async function findByNumber(db: Queryable, number: string): Promise<SentQuote | null> {
  return maybeOne<SentQuote & Record<string, unknown>>(db, `${SENT} and number = $1`, [number]);
}

/** A sent quote with everything that its page says. */
export interface LinkedQuote extends Pick<SentQuote, 'id' | 'state' | 'snapshot' | 'validUntil'> {
  isOpened: boolean;
  /** its last day is over where the shop is */
  lapsed: boolean;
  hasLogo: boolean;
  acceptWords: AcceptWords;
  /** it was fitted, and the promise was held against the machine, signed and not broken */
  isProved: boolean;
  /** it was settled that it does not work */
  isNotWorking: boolean;
  /** it was invoiced, and the invoice counts */
  hasInvoice: boolean;
  /** what was said to it, the earliest first */
  answers: StoredSaid[];
}

/** One thing that a customer said, as the page needs it. */
type StoredSaid = CustomerStatement & Pick<CustomerQuestion, 'id' | 'reply'>;

const LINKED = {
  name: 'quote of a link',
  text: `select quote.id, state, snapshot, valid_until as "validUntil", opened_at is not null as "isOpened",
      valid_until < (now() at time zone time_zone)::date as lapsed, logo is not null as "hasLogo", accept_words as "acceptWords",
      all_proved(quote.id) and not settled.is_so as "isProved", settled.is_so as "isNotWorking",
      exists (select from invoice where invoice.quote_id = quote.id and cancelled_at is null) as "hasInvoice",
      coalesce((
        select jsonb_agg(jsonb_build_object('id', said.id, 'kind', kind, 'place', place, 'signed', signed, 'ticked', ticked,
            'words', said.words, 'on', (answered_at at time zone time_zone)::date::text,
            'reply', case when answer_id is not null then jsonb_build_object('words', reply.words,
              'on', (replied_at at time zone time_zone)::date::text) end) order by said.id)
        from quote_answer as said left join quote_reply as reply on answer_id = said.id where said.quote_id = quote.id
      ), '[]') as answers
    from quote_link join quote on quote.id = quote_link.quote_id cross join shop
      cross join lateral (select exists (select from job where not_working_quote_id = quote.id) as is_so) as settled
    where token_hash = $1 and withdrawn_at is null`,
};

/** All that a link's page says, in one question; null: the link opens nothing. */
export async function findLinked(db: Queryable, tokenHash: Buffer): Promise<LinkedQuote | null> {
  const [found] = await many<LinkedQuote & Record<string, unknown>>(db, LINKED, [tokenHash]);
  return found ?? null;
}

/** The quote that a link opens, by what is kept of its unguessable part; null: none, or it was withdrawn. */
export async function findByLink(db: Queryable, tokenHash: Buffer): Promise<SentQuote | null> {
  return maybeOne<SentQuote & Record<string, unknown>>(
    db,
    `${SENT} and quote.id = (select quote_id from quote_link where token_hash = $1 and withdrawn_at is null)`,
    [tokenHash],
  );
}
