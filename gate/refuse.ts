import type { IncomingMessage, ServerResponse } from 'node:http';

export interface Refusal {
  status: 400 | 401 | 404 | 405 | 408 | 413 | 415 | 429 | 503;
  sentence: string;
}

const CODES: Readonly<Record<Refusal['status'], string>> = {
  400: 'bad-input',
  401: 'signed-out',
  404: 'not-found',
  405: 'bad-input',
  408: 'bad-input',
  413: 'bad-input',
  415: 'bad-input',
  429: 'busy',
  503: 'busy',
};

/** A sender who has more to say gets so long to read our answer before the connection ends, milliseconds. */
const LINGER_MS = 500;

/** Ends the connection once the answer is out, where the request's body was not read to its end. */
export function endUnread(request: IncomingMessage, response: ServerResponse): void {
  const { socket } = request;
  response.once('finish', () => {
    if (request.complete) return;
    // What is still on its way is let go by; nobody keeps it.
    setTimeout(() => socket.destroy(), LINGER_MS).unref();
  });
}

/** Answers without reading the request's body. */
export function refuse(request: IncomingMessage, response: ServerResponse, { status, sentence }: Refusal): void {
  if (response.headersSent) {
    request.socket.destroy();
    return;
  }
  const body = Buffer.from(JSON.stringify({ code: CODES[status], sentence }));
  endUnread(request, response);
  response.writeHead(status, {
    'content-type': 'application/json; charset=utf-8',
    'content-length': body.length,
    'cache-control': 'no-store',
    ...(!request.complete && { connection: 'close' }),
    ...((status === 429 || status === 503) && { 'retry-after': '5' }),
  });
  response.end(request.method === 'HEAD' ? undefined : body);
}
