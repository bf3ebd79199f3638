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
export const LINGER_MS = 1_000;

/**
 * Ends the connection some time after the answer is out, where the request's body did not come to its end. Until then what is on its
 * way is let go by, kept by nobody: a connection that ends with unread bytes is reset, and the sender never sees the answer.
 */
export function endUnread(request: IncomingMessage, response: ServerResponse): void {
  const { socket } = request;
  response.once('finish', () => {
    if (request.complete) return;
    request.resume();
    setTimeout(() => {
      if (!request.complete) socket.destroy();
    }, LINGER_MS).unref();
  });
}

/** A browser that shows what it is answered gets a page, everybody else data. */
function bodyOf(request: IncomingMessage, { status, sentence }: Refusal): { type: string; body: Buffer } {
  if (!/text\/html/.test(request.headers.accept ?? ''))
    return {
      type: 'application/json; charset=utf-8',
      body: Buffer.from(JSON.stringify({ code: CODES[status], sentence })),
    };
  const page = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${sentence}</title></head>
<body><main><h1>${sentence}</h1><p>Go back: what you typed may still be there.</p></main></body></html>`;
  return { type: 'text/html; charset=utf-8', body: Buffer.from(page) };
}

/** Answers without reading the request's body. */
export function refuse(request: IncomingMessage, response: ServerResponse, refusal: Refusal): void {
  const { status } = refusal;
  if (response.headersSent) {
    request.socket.destroy();
    return;
  }
  const { type, body } = bodyOf(request, refusal);
  endUnread(request, response);
  response.writeHead(status, {
    'content-type': type,
    'content-length': body.length,
    'cache-control': 'no-store',
    ...((status === 429 || status === 503) && { 'retry-after': '5' }),
  });
  response.end(request.method === 'HEAD' ? undefined : body);
}
