import { randomUUID } from 'node:crypto';
import { createServer, type IncomingMessage, type RequestListener, type Server, type ServerResponse } from 'node:http';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { wasGoodSession } from '../runtime/known-sessions';
import { log } from '../runtime/log';
import { withContext } from '../runtime/request-context';
import { CLIENT_ADDRESS, CLIENT_SECURE, REQUEST_ID, SESSION_COOKIE } from '../runtime/request-headers';
import { awayInstead } from './away-instead';
import { type BodyRule, bodyRule } from './body-rules';
import { type Client, clientTeller, countedAs } from './client';
import { Counts } from './counts';
import { HeldBytes } from './held-bytes';
import { endUnread, type Refusal, refuse } from './refuse';
import type { Route } from './routes';
import { secureHeaders } from './security-headers';
import { SlowBodies } from './slow-bodies';

const METHODS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);
/** Asked for, never sent to. */
const BODILESS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/** How much at one time. The people of a shop share one address, so whoever is signed in may have more. */
export const LIMITS = {
  connections: { all: 2_000, address: 400 },
  requests: { all: 1_000, stranger: 150, signedIn: 400 },
  /** requests that bring something, a minute */
  sends: { stranger: 300, signedIn: 3_000 },
  /** sign-ins and answers at one time, from everywhere: each is more work than its sender has with it */
  opened: { session: 400, anybody: 24, link: 100 },
  headersMs: 10_000,
  idleMs: 10_000,
} as const;

const LOOK_MS = 1_000;

const TOO_MANY: Refusal = { status: 429, sentence: 'Too many requests at once from your address: wait a moment.' };
const FULL: Refusal = { status: 503, sentence: 'Fenbrik is busy just now: try again in a moment.' };
const SLOW: Refusal = { status: 408, sentence: 'What you sent came too slowly: send it again.' };

export interface GateParts {
  /** the framework */
  handle: RequestListener;
  routeOf: (path: string) => Route | null;
  proxies: readonly string[];
  limits?: typeof LIMITS;
  /** the code is worked on: changed code may be loaded into pages */
  dev?: boolean;
}

const cookieOf = (header: string | undefined, name: string): string | undefined =>
  header
    ?.split(';')
    .map((part) => part.trim())
    .find((part) => part.startsWith(`${name}=`))
    ?.slice(name.length + 1);

/** Can a path be read: is every percent sign the beginning of a letter (RFC 3986, 2.1)? */
function isReadable(path: string): boolean {
  try {
    return path.startsWith('/') && !decodeURIComponent(path).includes('\0');
  } catch {
    return false;
  }
}

const bringsBody = ({ headers }: IncomingMessage): boolean =>
  headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0;

const sized = (bytes: number): string =>
  bytes >= 1024 * 1024 ? `${Math.floor(bytes / (1024 * 1024))} MiB` : `${Math.floor(bytes / 1024)} kB`;

/** What is wrong with a body that its head tells; null: nothing, it may be read. */
function faultOfBody(request: IncomingMessage, path: string, rule: BodyRule): Refusal | null {
  const type = (request.headers['content-type'] ?? '').split(';')[0]?.trim().toLowerCase() ?? '';
  const declared = request.headers['content-length'];
  if (declared !== undefined && !(Number(declared) <= rule.mostBytes))
    return { status: 413, sentence: `This is too large: at most ${sized(rule.mostBytes)} can be sent here.` };
  if (!rule.types.includes('*') && !rule.types.includes(type))
    return { status: 415, sentence: `Send this as ${rule.types.join(' or ')}.` };
  if (rule.opener === 'session' && cookieOf(request.headers.cookie, SESSION_COOKIE) === undefined)
    return { status: 401, sentence: 'Sign in to go on.' };
  if (rule.opener === 'link' && !/^\/q\/[A-Za-z0-9_-]{32,64}\//.test(path))
    return { status: 404, sentence: 'There is nothing here.' };
  return null;
}

/**
 * The server in front of the framework. It decides from a request's head alone whether its body may come in: method,
 * path, kind, size, who sends and how much of that at one time. What it lets through it watches, so that nobody holds a
 * connection or memory by sending slowly. Who may do what is decided behind it, before the body is read.
 */
export function openGate({ handle, routeOf, proxies, limits = LIMITS, dev = false }: GateParts): Server {
  const tell = clientTeller(proxies);
  const [connections, requests, opened] = [new Counts(), new Counts(), new Counts()];
  const held = new HeldBytes();
  const slow = new SlowBodies();
  const strangers = new RateLimiterMemory({ points: limits.sends.stranger, duration: 60 });
  const signedIn = new RateLimiterMemory({ points: limits.sends.signedIn, duration: 60 });

  async function admitBody(
    request: IncomingMessage,
    response: ServerResponse,
    { path, isStranger, name }: { path: string; isStranger: boolean; name: string },
  ): Promise<Refusal | null> {
    const route = routeOf(path);
    if (route === null) return { status: 404, sentence: 'There is nothing here.' };
    if (route.kind === 'page') return { status: 405, sentence: 'A page is only asked for.' };
    const rule = bodyRule(request.method ?? '', route.path);
    const hasBody = bringsBody(request);
    const wrong = hasBody ? faultOfBody(request, path, rule) : null;
    if (wrong !== null) return wrong;
    // Counted apart by who opens: whoever floods links keeps nobody at the same address from signing in.
    const isAllowed = await (isStranger ? strangers : signedIn).consume(`${rule.opener} ${name}`).then(
      () => true,
      () => false,
    );
    if (!isAllowed) return TOO_MANY;
    if (opened.of(rule.opener) >= limits.opened[rule.opener]) return FULL;
    response.once('close', opened.add(rule.opener));
    if (!hasBody) return null;
    const giveBack = held.take(
      Math.min(rule.heldBytes, Number(request.headers['content-length'] ?? rule.heldBytes)),
      isStranger,
    );
    if (giveBack === null) return FULL;
    const watchNoMore = slow.watch(request, () => refuse(request, response, SLOW), Date.now());
    response.once('close', () => {
      giveBack();
      watchNoMore();
    });
    return null;
  }

  async function admit(request: IncomingMessage, response: ServerResponse, client: Client): Promise<Refusal | null> {
    const { method = '', url = '/' } = request;
    if (!METHODS.has(method)) return { status: 405, sentence: 'This method is not known here.' };
    const path = url.split('?', 1)[0] ?? '/';
    if (!isReadable(path)) return { status: 400, sentence: 'This is no address.' };
    const session = cookieOf(request.headers.cookie, SESSION_COOKIE);
    const isStranger = !wasGoodSession(session, Date.now());
    const name = countedAs(client.address);
    if (requests.all >= limits.requests.all) return FULL;
    if (requests.of(name) >= (isStranger ? limits.requests.stranger : limits.requests.signedIn)) return TOO_MANY;
    response.once('close', requests.add(name));
    if (BODILESS.has(method)) {
      return bringsBody(request) ? { status: 400, sentence: 'A question has no body.' } : null;
    }
    return admitBody(request, response, { path, isStranger, name });
  }

  function pass(request: IncomingMessage, response: ServerResponse, client: Client): void {
    const { url = '/' } = request;
    const path = url.split('?', 1)[0] ?? '/';
    const isPage = !path.startsWith('/q/') && !path.startsWith('/customer/');
    request.headers[CLIENT_ADDRESS] = countedAs(client.address);
    request.headers[CLIENT_SECURE] = client.secure ? '1' : '0';
    const id = randomUUID();
    request.headers[REQUEST_ID] = id;
    request.headers['x-path'] = url;
    if (client.host !== undefined) request.headers.host = client.host;
    secureHeaders(request, response, { isPage, secure: client.secure, dev });
    endUnread(request, response);
    if (isPage) awayInstead(request, response);
    // What is logged and asked of the database on the way is known by this request.
    withContext(id, () => handle(request, response));
  }

  async function take(request: IncomingMessage, response: ServerResponse, goOn: () => void): Promise<void> {
    // A connection that breaks is the client's affair.
    request.on('error', () => {});
    response.on('error', () => {});
    try {
      const client = tell(request);
      const refusal = await admit(request, response, client);
      if (response.closed || response.destroyed) return;
      if (refusal !== null) {
        refuse(request, response, refusal);
        return;
      }
      goOn();
      pass(request, response, client);
    } catch (cause) {
      // Whatever one request does to us, the others go on.
      log.error({ err: cause, method: request.method, path: request.url }, 'a request broke at the gate');
      refuse(request, response, FULL);
    }
  }

  const server = createServer(
    {
      headersTimeout: limits.headersMs,
      // A long list on a slow line may take as long as it keeps coming: slow bodies are watched one by one.
      requestTimeout: 0,
      keepAliveTimeout: limits.idleMs,
      connectionsCheckingInterval: LOOK_MS,
      maxHeaderSize: 16 * 1024,
    },
    (request, response) => void take(request, response, () => {}),
  );
  // A sender who asks first is told before anything is sent.
  server.on('checkContinue', (request, response) => void take(request, response, () => response.writeContinue()));
  server.on('connection', (socket) => {
    const remote = socket.remoteAddress ?? 'unknown';
    const name = countedAs(remote);
    const isProxy = tell.isProxy(remote);
    if (connections.all >= limits.connections.all || (!isProxy && connections.of(name) >= limits.connections.address)) {
      socket.on('error', () => {});
      // Told and gone: what it goes on to ask is heard by nobody.
      socket.end(
        'HTTP/1.1 503 Service Unavailable\r\nretry-after: 5\r\nconnection: close\r\ncontent-length: 0\r\n\r\n',
        () => socket.destroy(),
      );
      return;
    }
    socket.once('close', connections.add(name));
  });
  const looking = setInterval(() => slow.look(Date.now()), LOOK_MS);
  looking.unref();
  server.once('close', () => clearInterval(looking));
  return server;
}
