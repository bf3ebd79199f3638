import { z } from 'zod';
import { STATIONS } from '../../core/machine/station';
import { pool } from '../../store/database';
import { getJob } from '../../store/job/jobs';
import { findByLink, findByNumber } from '../../store/job/quotes';
import type { Caller } from '../staff/access';
import { isToken, linkHash } from './quote/quote-links';

export const codeSchema = z.strictObject({ text: z.string().max(400, 'A code has at most 400 characters.') });

/** What a code of the shop's own opens. */
export interface Opens {
  path: string;
  /** what is opened, for a button */
  text: string;
}

const QUOTE_NUMBER = /^\d{4}-\d{4,8}$/;
const JOB_PATH = /^\/jobs\/(?<id>[1-9]\d{0,8})(?:\/(?<station>[a-z]{1,20}))?\/?$/;
const LINK_PATH = /^\/q\/(?<token>[\w-]{20,100})(?:\/[a-z.-]{1,30})?\/?$/;

/**
 * What a scanned or photographed code opens: the address of a job's page, a customer's link to a quote, a quote's number.
 * Null: it is none of this shop's.
 *
 * @param hosts by which the shop is reached: an address elsewhere is another shop's
 */
export async function opensOf(_: Caller<'jobs.read'>, text: string, hosts: readonly string[]): Promise<Opens | null> {
  const code = text.trim();
  if (QUOTE_NUMBER.test(code)) {
    const quote = await findByNumber(pool(), code);
    return quote === null ? null : { path: `/jobs/${quote.jobId}/quote`, text: `Open quote ${quote.number}` };
  }
  if (!/^https?:\/\//i.test(code) || !URL.canParse(code)) return null;
  const { host, pathname } = new URL(code);
  if (!hosts.includes(host)) return null;
  const token = LINK_PATH.exec(pathname)?.groups?.token;
  if (token !== undefined) {
    const quote = isToken(token) ? await findByLink(pool(), linkHash(token)) : null;
    return quote === null ? null : { path: `/jobs/${quote.jobId}/quote`, text: `Open quote ${quote.number}` };
  }
  const { id, station } = JOB_PATH.exec(pathname)?.groups ?? {};
  if (id === undefined || (await getJob(pool(), Number(id))) === null) return null;
  const isKnown = station !== undefined && (STATIONS as readonly string[]).includes(station);
  return { path: isKnown ? `/jobs/${id}/${station}` : `/jobs/${id}`, text: `Open job ${id}` };
}
