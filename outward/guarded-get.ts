import { lookup as systemLookup } from 'node:dns';
import { request as httpRequest, type IncomingMessage } from 'node:http';
import { request as httpsRequest } from 'node:https';
import { isIP, type LookupFunction } from 'node:net';
import ipaddr from 'ipaddr.js';
import { logCaught } from '../runtime/log';

/** What came of asking an address of somebody else's. */
export type Got =
  | { ok: true; changed: true; body: Buffer; etag: string | null; type: string }
  | { ok: true; changed: false; etag: string | null }
  | { ok: false; why: GetFault; status?: number };

export type GetFault =
  | 'no-address'
  | 'own-network'
  | 'away'
  | 'slow'
  | 'broke-off'
  | 'too-large'
  /** it answered with another status than 200 and 304; redirections are not followed */
  | 'refused';

export interface Asking {
  /** what was there the last time is not sent again (RFC 9110 13.1.2) */
  etag: string | null;
  accept: string;
  mostBytes: number;
  timeoutMs: number;
  /** may it be on the shop's own machine or network? */
  mayBeOwn: boolean;
}

/** Is an address on the machine itself or on a network of its own: everything that is not public unicast? */
export function isOwnAddress(address: string): boolean {
  return !ipaddr.isValid(address) || ipaddr.process(address).range() !== 'unicast';
}

class OwnAddress extends Error {}

/** Looks a name up and refuses one that leads home, in the same step in which the connection is made. */
const publicOnly: LookupFunction = (hostname, options, found) => {
  systemLookup(hostname, { ...options, all: true }, (cause, addresses) => {
    if (cause !== null) found(cause, '', 4);
    else if (addresses.some(({ address }) => isOwnAddress(address))) found(new OwnAddress(hostname), '', 4);
    else if (options.all) found(null, addresses);
    else found(null, addresses[0]?.address ?? '', addresses[0]?.family ?? 4);
  });
};

async function wholeBody(response: IncomingMessage, most: number): Promise<Buffer | null> {
  const parts: Buffer[] = [];
  let bytes = 0;
  for await (const part of response as AsyncIterable<Buffer>) {
    bytes += part.length;
    if (bytes > most) return null;
    parts.push(part);
  }
  if (!response.complete) throw new Error('broken off');
  return Buffer.concat(parts);
}

const HTTP = /^https?:$/;

/**
 * Asks an address once, by GET, and reads no more of the answer than it may have. Never throws. Redirections are not
 * followed, and a name that leads to the shop's own machine or network is not asked unless that is allowed.
 */
export async function guardedGet(address: string, asking: Asking): Promise<Got> {
  const url = URL.canParse(address) ? new URL(address) : null;
  if (url === null || !HTTP.test(url.protocol)) return { ok: false, why: 'no-address' };
  const bare = url.hostname.replace(/^\[|\]$/g, '');
  if (!asking.mayBeOwn && isIP(bare) !== 0 && isOwnAddress(bare)) return { ok: false, why: 'own-network' };
  const patience = AbortSignal.timeout(asking.timeoutMs);
  let begun = false;
  try {
    const response = await new Promise<IncomingMessage>((resolve, reject) => {
      const request = (url.protocol === 'https:' ? httpsRequest : httpRequest)(url, {
        agent: false,
        signal: patience,
        ...(!asking.mayBeOwn && { lookup: publicOnly }),
        headers: {
          accept: asking.accept,
          'user-agent': 'Fenbrik',
          ...(asking.etag !== null && { 'if-none-match': asking.etag }),
        },
      });
      request.once('response', resolve);
      request.once('error', reject);
      request.end();
    });
    begun = true;
    const { statusCode: status = 0, headers } = response;
    if (status === 304) {
      response.destroy();
      return { ok: true, changed: false, etag: asking.etag };
    }
    if (status !== 200) {
      response.destroy();
      return { ok: false, why: 'refused', status };
    }
    const body = await wholeBody(response, asking.mostBytes);
    if (body === null) {
      response.destroy();
      return { ok: false, why: 'too-large' };
    }
    return {
      ok: true,
      changed: true,
      body,
      etag: headers.etag?.slice(0, 200) ?? null,
      type: headers['content-type'] ?? '',
    };
  } catch (cause) {
    if (cause instanceof OwnAddress) return { ok: false, why: 'own-network' };
    if (patience.aborted) return { ok: false, why: 'slow' };
    logCaught(cause, 'asking another host', { host: new URL(address).host });
    return { ok: false, why: begun ? 'broke-off' : 'away' };
  }
}
