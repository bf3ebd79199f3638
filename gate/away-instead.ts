import { type IncomingMessage, ServerResponse } from 'node:http';
import { AWAY_HEADERS, awayPage } from '../runtime/away-page';
import { recentDatabaseFault } from '../runtime/database-faults';

/**
 * Where a page could not be made because the database is away, its place is taken by a plain page that says so (503), before
 * anything of the broken one is sent. Data that a page asks for itself is left alone: it knows what to do.
 */
export function awayInstead(request: IncomingMessage, response: ServerResponse): void {
  if (request.method !== 'GET' || request.headers.rsc !== undefined) return;
  let isReplaced = false;
  /** @returns true: nothing more is to be sent of what was on its way */
  const replace = (status: number): boolean => {
    if (isReplaced) return true;
    if (response.headersSent || status !== 500) return false;
    const fault = recentDatabaseFault(Date.now());
    if (fault === null) return false;
    isReplaced = true;
    const page = awayPage(fault);
    for (const name of response.getHeaderNames()) {
      if (/^(content-|etag|cache-control|link$|vary$|transfer-)/.test(name) && name !== 'content-security-policy')
        response.removeHeader(name);
    }
    response.statusCode = 503;
    for (const [name, value] of Object.entries(AWAY_HEADERS)) response.setHeader(name, value);
    ServerResponse.prototype.end.call(response, page, 'utf8');
    return true;
  };
  const { writeHead, write, end, flushHeaders } = response;
  response.writeHead = function writeHeadInstead(status: number, ...rest: never[]) {
    return replace(status) ? response : writeHead.call(response, status, ...rest);
  } as typeof response.writeHead;
  response.flushHeaders = function flushInstead() {
    if (!replace(response.statusCode)) flushHeaders.call(response);
  };
  response.write = function writeInstead(...args: never[]) {
    return replace(response.statusCode) ? true : (write as (...all: never[]) => boolean).call(response, ...args);
  } as typeof response.write;
  response.end = function endInstead(...args: never[]) {
    return replace(response.statusCode)
      ? response
      : (end as (...all: never[]) => ServerResponse).call(response, ...args);
  } as typeof response.end;
}
