import type { IncomingMessage, ServerResponse } from 'node:http';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { wasGoodSession } from '../runtime/known-sessions';
import { SESSION_COOKIE } from '../runtime/request-headers';
import { type BodyRule, bodyRule } from './body-rules';
import { type Client, countedAs } from './client';
import { Counts } from './counts';
import { HeldBytes } from './held-bytes';
import { type Refusal, refuse } from './refuse';
import type { Route } from './routes';
import { SlowBodies } from './slow-bodies';

const METHODS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);
/** Asked for, never sent to. */
const BODILESS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/** How much at one time. The people of a shop share one address, so anyone who is signed in may have more. */
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

const TOO_MANY: Refusal = { status: 429, sentence: 'Too many requests at once from your address: wait a moment.' };
export const FULL: Refusal = { status: 503, sentence: 'Fenbrik is busy just now: try again in a moment.' };
const SLOW: Refusal = { status: 408, sentence: 'What you sent came too slowly: send it again.' };

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
    return { status: 401, sentence: 'Sign in to continue.' };
  if (rule.opener === 'link' && !/^\/q\/[A-Za-z0-9_-]{32,64}\//.test(path))
    return { status: 404, sentence: 'There is nothing here.' };
  return null;
}

/** Decides from a request's head alone whether it may come in, and watches those whose bodies come. */
export class Admission {
  readonly #limits: typeof LIMITS;
  readonly #routeOf: (path: string) => Route | null;
  readonly #requests = new Counts();
  readonly #opened = new Counts();
  readonly #held = new HeldBytes();
  readonly #slow = new SlowBodies();
  readonly #strangers: RateLimiterMemory;
  readonly #signedIn: RateLimiterMemory;

  constructor(routeOf: (path: string) => Route | null, limits: typeof LIMITS) {
    this.#routeOf = routeOf;
    this.#limits = limits;
    this.#strangers = new RateLimiterMemory({ points: limits.sends.stranger, duration: 60 });
    this.#signedIn = new RateLimiterMemory({ points: limits.sends.signedIn, duration: 60 });
  }

  /** Ends what comes too slowly. @param now milliseconds */
  look(now: number): void {
    this.#slow.look(now);
  }

  async #admitBody(
    request: IncomingMessage,
    response: ServerResponse,
    { path, isStranger, name }: { path: string; isStranger: boolean; name: string },
  ): Promise<Refusal | null> {
    const route = this.#routeOf(path);
    if (route === null) return { status: 404, sentence: 'There is nothing here.' };
    if (route.kind === 'page') return { status: 405, sentence: 'A page is only asked for.' };
    const rule = bodyRule(request.method ?? '', route.path);
    const hasBody = bringsBody(request);
    const wrong = hasBody ? faultOfBody(request, path, rule) : null;
    if (wrong !== null) return wrong;
    // Counted apart by who opens: anyone who floods links keeps nobody at the same address from signing in.
    const isAllowed = await (isStranger ? this.#strangers : this.#signedIn).consume(`${rule.opener} ${name}`).then(
      () => true,
      () => false,
    );
    if (!isAllowed) return TOO_MANY;
    if (this.#opened.of(rule.opener) >= this.#limits.opened[rule.opener]) return FULL;
    response.once('close', this.#opened.add(rule.opener));
    if (!hasBody) return null;
    const giveBack = this.#held.take(
      Math.min(rule.heldBytes, Number(request.headers['content-length'] ?? rule.heldBytes)),
      isStranger,
    );
    if (giveBack === null) return FULL;
    const watchNoMore = this.#slow.watch(request, () => refuse(request, response, SLOW), Date.now());
    response.once('close', () => {
      giveBack();
      watchNoMore();
    });
    return null;
  }

  async admit(request: IncomingMessage, response: ServerResponse, client: Client): Promise<Refusal | null> {
    const { method = '', url = '/' } = request;
    if (!METHODS.has(method)) return { status: 405, sentence: 'This method is not known here.' };
    const path = url.split('?', 1)[0] ?? '/';
    if (!isReadable(path)) return { status: 400, sentence: 'This is no address.' };
    const session = cookieOf(request.headers.cookie, SESSION_COOKIE);
    const isStranger = !wasGoodSession(session, Date.now());
    const name = countedAs(client.address);
    if (this.#requests.all >= this.#limits.requests.all) return FULL;
    if (this.#requests.of(name) >= (isStranger ? this.#limits.requests.stranger : this.#limits.requests.signedIn))
      return TOO_MANY;
    response.once('close', this.#requests.add(name));
    if (BODILESS.has(method)) {
      return bringsBody(request) ? { status: 400, sentence: 'A question has no body.' } : null;
    }
    return this.#admitBody(request, response, { path, isStranger, name });
  }
}
