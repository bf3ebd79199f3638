import type { IncomingMessage, ServerResponse } from 'node:http';
import { AWAY_HEADERS, awayPage } from '../runtime/away-page';
import { recentDatabaseFault } from '../runtime/database-faults';

/** Headers of the page that could not be made. */
const OF_THE_BROKEN = /^(content-(?!security)|etag$|cache-control$|link$|vary$|transfer-encoding$)/;

type Sending = Pick<ServerResponse, 'writeHead' | 'write' | 'end' | 'flushHeaders'>;

/**
 * Where a page could not be made because the database is away, its place is taken by a plain page that says so (503), before
 * anything of the broken one is sent. Data that a page asks for itself is left alone: it knows what to do.
 */
export function awayInstead(request: IncomingMessage, response: ServerResponse): void {
  if (request.method !== 'GET' || request.headers.rsc !== undefined) return;
  const own: Sending = {
    writeHead: response.writeHead.bind(response),
    write: response.write.bind(response),
    end: response.end.bind(response),
    flushHeaders: response.flushHeaders.bind(response),
  };
  let isReplaced = false;
  let isSending = false;
  /** @returns true: nothing more has to be sent of what was on its way */
  const replace = (status: number): boolean => {
    if (isReplaced) return !isSending;
    if (response.headersSent || status !== 500) return false;
    const fault = recentDatabaseFault(Date.now());
    if (fault === null) return false;
    isReplaced = true;
    // While ours is sent, what the server itself calls on the way is let through.
    isSending = true;
    for (const name of response.getHeaderNames()) if (OF_THE_BROKEN.test(name)) response.removeHeader(name);
    own.writeHead(503, AWAY_HEADERS);
    own.end(awayPage(fault));
    isSending = false;
    return true;
  };
  Object.assign(response, {
    writeHead: (status: number, ...rest: [never]) => (replace(status) ? response : own.writeHead(status, ...rest)),
    flushHeaders: () => (replace(response.statusCode) ? undefined : own.flushHeaders()),
    write: (...args: [never]) => (replace(response.statusCode) ? true : own.write(...args)),
    end: (...args: [never]) => (replace(response.statusCode) ? response : own.end(...args)),
  } satisfies Sending);
}
