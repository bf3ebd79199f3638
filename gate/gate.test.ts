import { once } from 'node:events';
import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import { type AddressInfo, connect, type Socket } from 'node:net';
import { noteDatabaseFault } from '../runtime/database-faults';
import { noteGoodSession } from '../runtime/known-sessions';
import { log } from '../runtime/log';
import { LIMITS } from './admission';
import { openGate } from './gate';
import { LINGER_MS } from './refuse';
import { readRoutes } from './routes';

const TOKEN = 'A'.repeat(43);
const routeOf = readRoutes({
  '/q/[token]/answer/route': '/q/[token]/answer',
  '/api/sign-in/route': '/api/sign-in',
  '/api/jobs/route': '/api/jobs',
  '/api/jobs/[id]/intake/route': '/api/jobs/[id]/intake',
  '/api/sellers/[id]/lists/route': '/api/sellers/[id]/lists',
  '/counter/page': '/counter',
});

let handled: { url: string; headers: IncomingMessage['headers']; body: number }[] = [];
/** what the framework does with a request; as a rule it reads the body and answers */
let work: (request: IncomingMessage, response: ServerResponse) => void;
let server: Server;

async function open(more: Partial<Parameters<typeof openGate>[0]> = {}): Promise<void> {
  server = openGate({ handle: (request, response) => work(request, response), routeOf, proxies: [], ...more });
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
}

beforeEach(() => {
  handled = [];
  work = async (request, response) => {
    let body = 0;
    for await (const piece of request) body += piece.length;
    handled.push({ url: request.url ?? '', headers: request.headers, body });
    response.end('done');
  };
});
const sockets: Socket[] = [];
afterEach(async () => {
  for (const socket of sockets.splice(0)) socket.destroy();
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
});

interface Sent {
  method?: string;
  path: string;
  headers?: Record<string, string | number>;
  body?: string | Buffer;
}

const portOf = () => (server.address() as AddressInfo).port;

/** Sends the head of a request and so much of its body; tells what came back until the connection ends or is quiet. */
function raw({ method = 'POST', path, headers = {}, body = '' }: Sent): Promise<{ status: number; text: string }> {
  return new Promise((resolve) => {
    const socket = connect(portOf(), '127.0.0.1');
    sockets.push(socket);
    let text = '';
    const end = () => resolve({ status: Number(/^HTTP\/1\.1 (\d+)/.exec(text)?.[1] ?? 0), text });
    socket.on('data', (piece) => {
      text += piece.toString();
      if (/\r\n\r\n/.test(text)) setTimeout(end, 50);
    });
    socket.on('error', end);
    socket.on('close', end);
    const lines = Object.entries({ host: 'shop.example', ...headers }).map(([name, value]) => `${name}: ${value}`);
    socket.write(`${method} ${path} HTTP/1.1\r\n${lines.join('\r\n')}\r\n\r\n`);
    if (body.length > 0) socket.write(body);
  });
}

const JSON_HEAD = { 'content-type': 'application/json' };
const SESSION = { cookie: 'fenbrik-session=some-token' };

describe('a body is let in by its head alone', () => {
  beforeEach(() => open());

  test.each<[string, Sent, number]>([
    ['a path that is none', { path: '/api/nothing', headers: { ...JSON_HEAD, 'content-length': 2 } }, 404],
    ['a page', { path: '/counter', headers: { ...JSON_HEAD, 'content-length': 2 } }, 405],
    ['a method that is none', { method: 'TRACE', path: '/counter' }, 405],
    ['an address that is none', { method: 'GET', path: '/q/%E0%A4%A' }, 400],
    ['an address with a NUL', { method: 'GET', path: '/jobs/%00' }, 400],
    ['a question with a body', { method: 'GET', path: '/counter', headers: { 'content-length': 5 } }, 400],
    ['staff’s JSON without a session', { path: '/api/jobs', headers: { ...JSON_HEAD, 'content-length': 9 } }, 401],
    [
      'staff’s JSON over 256 kB',
      { path: '/api/jobs/1/intake', method: 'PATCH', headers: { ...JSON_HEAD, ...SESSION, 'content-length': 262_145 } },
      413,
    ],
    ['an answer over 16 kB', { path: `/q/${TOKEN}/answer`, headers: { ...JSON_HEAD, 'content-length': 16_385 } }, 413],
    ['an answer without a link', { path: '/q/short/answer', headers: { ...JSON_HEAD, 'content-length': 9 } }, 404],
    [
      'JSON that says it is text, as another site’s form would',
      { path: '/api/jobs', headers: { ...SESSION, 'content-type': 'text/plain', 'content-length': 9 } },
      415,
    ],
    ['a length that is no number', { path: '/api/sign-in', headers: { ...JSON_HEAD, 'content-length': '5x' } }, 400],
  ])('%s: refused, and never read', async (_, sent, status) => {
    expect((await raw(sent)).status).toBe(status);
    expect(handled).toEqual([]);
  });

  it('lets in what is right, and the framework reads it whole', async () => {
    const body = JSON.stringify({ kind: 'ask', words: 'x'.repeat(16_000) });
    const headers = { ...JSON_HEAD, 'content-length': body.length };
    expect((await raw({ path: `/q/${TOKEN}/answer`, headers, body })).status).toBe(200);
    expect(handled).toMatchObject([{ body: body.length }]);
  });

  it('is refused with a page where a browser shows what it is answered, with data elsewhere', async () => {
    const headers = { ...JSON_HEAD, 'content-length': 90_000 };
    expect((await raw({ path: '/api/sign-in', headers })).text).toContain(
      '{"code":"bad-input","sentence":"This is too large',
    );
    const page = await raw({ path: '/api/sign-in', headers: { ...headers, accept: 'text/html,*/*' } });
    expect(page.text).toContain('<h1>This is too large: at most 4 kB can be sent here.</h1>');
  });

  it('asks first where the sender asks first, and takes nothing that it would refuse', async () => {
    const expecting = { ...JSON_HEAD, expect: '100-continue' };
    const refused = await raw({ path: '/api/jobs', headers: { ...expecting, 'content-length': 90_000_000 } });
    expect(refused.text).not.toContain('100 Continue');
    expect(refused.status).toBe(413);
    const taken = await raw({ path: '/api/sign-in', headers: { ...expecting, 'content-length': 2 }, body: '{}' });
    expect(taken.text).toContain('100 Continue');
  });

  it('is heard also by a sender who is busy sending and reads late', async () => {
    const socket = connect(portOf(), '127.0.0.1');
    sockets.push(socket);
    let text = '';
    socket.on('error', () => {});
    socket.write('POST /api/jobs HTTP/1.1\r\nhost: shop.example\r\ncontent-length: 90000000\r\n\r\n');
    for (let nr = 0; nr < 8; nr++) socket.write(Buffer.alloc(1024 * 1024, 97));
    await new Promise((resolve) => setTimeout(resolve, 400));
    socket.on('data', (piece) => {
      text += piece.toString();
    });
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(text).toContain('HTTP/1.1 413');
    expect(handled).toEqual([]);
  });

  it('ends the connection of the person who sends on after the answer', async () => {
    work = (_, response) => void response.writeHead(401).end('no');
    const headers = { ...JSON_HEAD, ...SESSION, 'content-length': 200_000 };
    const { text } = await raw({ path: '/api/jobs', headers, body: 'x'.repeat(1000) });
    expect(text).toContain('401');
    await new Promise((resolve) => setTimeout(resolve, LINGER_MS + 300));
    expect(sockets.at(-1)?.destroyed || sockets.at(-1)?.readableEnded).toBe(true);
  });
});

describe('what is in flight is bounded', () => {
  it('by address, more for anyone who is signed in', async () => {
    const limits = { ...LIMITS, requests: { all: 50, stranger: 3, signedIn: 6 } };
    await open({ limits: limits as unknown as typeof LIMITS });
    work = () => {};
    noteGoodSession('known-token', Date.now());
    const many = (count: number, headers: Record<string, string> = {}) =>
      Promise.all(
        Array.from({ length: count }, () => Promise.race([raw({ method: 'GET', path: '/', headers }), quiet()])),
      );
    const quiet = () => new Promise<{ status: number }>((resolve) => setTimeout(() => resolve({ status: 0 }), 400));
    const statuses = (await many(5)).map(({ status }) => status);
    expect(statuses.filter((status) => status === 429)).toHaveLength(2);
    const signedIn = (await many(5, { cookie: 'fenbrik-session=known-token' })).map(({ status }) => status);
    expect(signedIn.filter((status) => status === 429)).toHaveLength(2);
  });

  it('by sign-ins from everywhere, so that the others are not kept waiting', async () => {
    await open({ limits: { ...LIMITS, opened: { session: 9, anybody: 2, link: 9 } } as unknown as typeof LIMITS });
    work = () => {};
    const send = () => raw({ path: '/api/sign-in', headers: { ...JSON_HEAD, 'content-length': 2 }, body: '{}' });
    void send();
    void send();
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect((await send()).status).toBe(503);
    work = (_, response) => void response.end('done');
    expect((await raw({ method: 'GET', path: '/counter' })).status).toBe(200);
  });

  it('by connections from an address', async () => {
    await open({ limits: { ...LIMITS, connections: { all: 100, address: 4 } } as unknown as typeof LIMITS });
    for (let nr = 0; nr < 4; nr++) sockets.push(connect(portOf(), '127.0.0.1'));
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect((await raw({ method: 'GET', path: '/' })).status).toBe(503);
  });

  it('and one that is too many is asked nothing, whatever it goes on to send', async () => {
    await open({ limits: { ...LIMITS, connections: { all: 100, address: 1 } } as unknown as typeof LIMITS });
    sockets.push(connect(portOf(), '127.0.0.1'));
    await new Promise((resolve) => setTimeout(resolve, 100));
    await raw({ method: 'GET', path: '/counter' });
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(handled).toEqual([]);
  });

  it('by how often something is sent', async () => {
    await open({ limits: { ...LIMITS, sends: { stranger: 5, signedIn: 10 } } as unknown as typeof LIMITS });
    const send = () => raw({ path: '/api/sign-in', headers: { ...JSON_HEAD, 'content-length': 2 }, body: '{}' });
    const statuses: number[] = [];
    for (let nr = 0; nr < 7; nr++) statuses.push((await send()).status);
    expect(statuses).toEqual([200, 200, 200, 200, 200, 429, 429]);
  });
});

it('ends a body that comes too slowly, and lets one go on that waits for us', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'setTimeout', 'clearTimeout', 'queueMicrotask'] });
  try {
    await open();
    const headers = { ...JSON_HEAD, ...SESSION, 'content-length': 200_000 };
    const slow = raw({ path: '/api/jobs', headers, body: '{"a":' });
    await new Promise((resolve) => setTimeout(resolve, 100));
    jest.advanceTimersByTime(11_000);
    const { status } = await slow;
    expect([0, 408]).toContain(status);
    expect(sockets.at(-1)?.destroyed || status === 408).toBe(true);

    // Nobody reads this one: its buffer is full, and that is not the sender's fault.
    work = () => {};
    const list = { ...SESSION, 'content-type': 'text/csv', 'content-length': 50_000_000 };
    void raw({ path: '/api/sellers/1/lists', headers: list, body: Buffer.alloc(2_000_000, 65) });
    await new Promise((resolve) => setTimeout(resolve, 200));
    jest.advanceTimersByTime(30_000);
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(sockets.at(-1)?.destroyed).toBe(false);
  } finally {
    jest.useRealTimers();
  }
});

it('goes on where the framework breaks on a request', async () => {
  await open();
  const said = jest.spyOn(log, 'error').mockImplementation(() => {});
  work = () => {
    throw new Error('broken');
  };
  expect((await raw({ method: 'GET', path: `/q/${TOKEN}` })).status).toBe(503);
  expect(said).toHaveBeenCalledTimes(1);
  said.mockRestore();
  work = (_, response) => void response.end('done');
  expect((await raw({ method: 'GET', path: '/counter' })).status).toBe(200);
});

describe('what handlers may believe', () => {
  const forged = {
    'x-forwarded-for': '9.9.9.9',
    'x-forwarded-proto': 'https',
    'x-forwarded-host': 'evil.example',
    'x-fenbrik-client': '8.8.8.8',
    'x-fenbrik-secure': '1',
  };

  it('is nothing that just anybody says', async () => {
    await open();
    const { text } = await raw({ method: 'GET', path: '/', headers: forged });
    expect(handled[0]?.headers).toMatchObject({ host: 'shop.example', 'x-fenbrik-client': '127.0.0.1' });
    expect(handled[0]?.headers['x-fenbrik-secure']).toBe('0');
    expect(Object.keys(handled[0]?.headers ?? {}).filter((name) => name.startsWith('x-forwarded'))).toEqual([]);
    expect(text.toLowerCase()).not.toContain('strict-transport-security');
  });

  it('is what a trusted proxy says', async () => {
    await open({ proxies: ['loopback'] });
    const { text } = await raw({ method: 'GET', path: '/', headers: forged });
    expect(handled[0]?.headers).toMatchObject({
      host: 'evil.example',
      'x-fenbrik-client': '9.9.9.9',
      'x-fenbrik-secure': '1',
    });
    expect(text.toLowerCase()).toContain('strict-transport-security: max-age=63072000');
  });
});

describe('a page that could not be made', () => {
  const broken = (_: IncomingMessage, response: ServerResponse) => {
    response.statusCode = 500;
    response.setHeader('content-type', 'text/html');
    response.setHeader('content-length', '12');
    response.write('broken');
    response.write(' pieces');
    response.end('digest 12345');
  };

  it('is a plain one with 503 while the database is away, and itself otherwise', async () => {
    await open();
    work = broken;
    expect((await raw({ method: 'GET', path: '/counter' })).text).toContain('broken');
    noteDatabaseFault({ code: 'ECONNREFUSED' }, Date.now());
    const { status, text } = await raw({ method: 'GET', path: '/counter' });
    expect(status).toBe(503);
    expect(text).toContain('retry-after: 5');
    expect(text).toContain('Gleich wieder da');
    expect(text).not.toMatch(/broken|digest/);
    // Data is for anyone who asked for it to understand; other pages are theirs.
    expect((await raw({ method: 'GET', path: '/counter', headers: { rsc: '1' } })).status).toBe(500);
    work = (_, response) => void response.end('well');
    expect((await raw({ method: 'GET', path: '/counter' })).status).toBe(200);
    noteDatabaseFault({ code: '53100' }, Date.now());
    work = broken;
    expect((await raw({ method: 'GET', path: '/counter' })).text).toContain('The disk is full');
  });
});
