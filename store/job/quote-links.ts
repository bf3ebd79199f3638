import { many, run } from '../database';
import type { Queryable } from '../queryable';

/** A link as it is kept: what opens it is not in it. */
export interface StoredLink {
  id: number;
  quoteId: number;
  tokenHash: Buffer;
  /** null: it was made before there was a key, and can be shown no more */
  nonce: Buffer | null;
}

export async function insertLink(
  db: Queryable,
  link: Pick<StoredLink, 'quoteId' | 'tokenHash' | 'nonce'> & { keyMark: Buffer },
  staffId: number | null,
): Promise<void> {
  await run(db, 'insert into quote_link (quote_id, token_hash, nonce, key_mark, made_by) values ($1, $2, $3, $4, $5)', [
    link.quoteId,
    link.tokenHash,
    link.nonce,
    link.keyMark,
    staffId,
  ]);
}

/** Does a link of this hash open a quote? */
export async function isOpenLink(db: Queryable, tokenHash: Buffer): Promise<boolean> {
  return (
    (await many(db, 'select from quote_link where token_hash = $1 and withdrawn_at is null', [tokenHash])).length > 0
  );
}

/** Links that open these quotes, the newest first. */
export async function linksOfQuotesOf(db: Queryable, jobId: number): Promise<StoredLink[]> {
  return many<StoredLink & Record<string, unknown>>(
    db,
    `select quote_link.id, quote_id as "quoteId", token_hash as "tokenHash", nonce
     from quote_link join quote on quote.id = quote_id
     where job_id = $1 and withdrawn_at is null order by quote_link.id desc`,
    [jobId],
  );
}

export async function listLinks(db: Queryable, quoteIds: readonly number[]): Promise<StoredLink[]> {
  return many<StoredLink & Record<string, unknown>>(
    db,
    `select id, quote_id as "quoteId", token_hash as "tokenHash", nonce from quote_link
     where quote_id = any($1) and withdrawn_at is null order by id desc`,
    [[...quoteIds]],
  );
}

/** Withdraws all links of a quote; tells how many there were. */
export async function withdrawLinks(db: Queryable, quoteId: number, staffId: number): Promise<number> {
  const statement = `update quote_link set withdrawn_at = now(), withdrawn_by = $2
    where quote_id = $1 and withdrawn_at is null`;
  return run(db, statement, [quoteId, staffId]);
}
