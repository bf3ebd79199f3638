import type { QuoteSnapshot } from '../../core/quoting/snapshot';
import { many, maybeOne, run } from '../database';
import type { Queryable } from '../queryable';

/** The kept PDF of a sent quote; null: nobody has asked for it yet. */
export async function getPaper(db: Queryable, quoteId: number): Promise<Buffer | null> {
  const row = await maybeOne<{ pdf: Buffer }>(db, 'select pdf from quote_paper where quote_id = $1', [quoteId]);
  return row?.pdf ?? null;
}

/** Keeps a PDF; where somebody else was first, theirs stays. */
export async function keepPaper(db: Queryable, quoteId: number, pdf: Buffer): Promise<void> {
  await run(db, 'insert into quote_paper (quote_id, pdf) values ($1, $2) on conflict (quote_id) do nothing', [
    quoteId,
    pdf,
  ]);
}

/** The quote that is out, went out last and has no kept PDF; null: there is none. */
export async function newestWithoutPaper(db: Queryable): Promise<{ id: number; snapshot: QuoteSnapshot } | null> {
  return maybeOne<{ id: number; snapshot: QuoteSnapshot }>(
    db,
    `select id, snapshot from quote
     where state = 'sent' and not exists (select from quote_paper where quote_id = quote.id)
     order by sent_at desc, id desc limit 1`,
  );
}

/** What a link's page depends on beside the quote that never changes. */
export interface PageStamp {
  quoteId: number;
  number: string;
  isOpened: boolean;
  /** changes whenever the page does */
  stamp: string;
}

const STAMP = {
  name: 'stamps of pages',
  text: `select token_hash as "tokenHash", quote.id as "quoteId", number, opened_at is not null as "isOpened",
      concat_ws(' ', state, valid_until < (now() at time zone time_zone)::date, logo is not null, md5(accept_words::text),
        (select max(id) from quote_answer where quote_id = quote.id),
        (select count(*) from quote_reply join quote_answer on quote_answer.id = answer_id where quote_id = quote.id),
        exists (select from proof where quote_id = quote.id and signed_at is not null and verdict <> 'broken') and all_proved(quote.id),
        (select max(id) from invoice where quote_id = quote.id and cancelled_at is null)) as stamp
    from quote_link join quote on quote.id = quote_link.quote_id cross join shop
    where token_hash = any($1) and withdrawn_at is null`,
};

/** Whether links' pages are still what they were, in one short question; null: a link opens nothing. In the order asked. */
export async function stampsOfLinks(db: Queryable, tokenHashes: readonly Buffer[]): Promise<(PageStamp | null)[]> {
  const rows = await many<PageStamp & { tokenHash: Buffer } & Record<string, unknown>>(db, STAMP, [[...tokenHashes]]);
  const byHash = new Map(rows.map(({ tokenHash, ...stamp }) => [tokenHash.toString('hex'), stamp]));
  return tokenHashes.map((hash) => byHash.get(hash.toString('hex')) ?? null);
}
