import { randomUUID } from 'node:crypto';
import { createServer, type IncomingMessage, type RequestListener, type Server, type ServerResponse } from 'node:http';
import type { Socket } from 'node:net';
import { log } from '../runtime/log';
import { withContext } from '../runtime/request-context';
import { CLIENT_ADDRESS, CLIENT_SECURE, REQUEST_ID } from '../runtime/request-headers';
import { Admission, FULL, LIMITS } from './admission';
import { awayInstead } from './away-instead';
import { type Client, clientTeller, countedAs } from './client';
import { Counts } from './counts';
import { endUnread, refuse } from './refuse';
import type { Route } from './routes';
import { secureHeaders } from './security-headers';

const LOOK_MS = 1_000;

export interface GateParts {
  /** the framework */
  handle: RequestListener;
  routeOf: (path: string) => Route | null;
  proxies: readonly string[];
  limits?: typeof LIMITS;
  /** the code is worked on: changed code may be loaded into pages */
  dev?: boolean;
}

/** Hands a request on to the framework, with who it is from. */
function pass(
  request: IncomingMessage,
  response: ServerResponse,
  { client, handle, dev }: { client: Client; handle: RequestListener; dev: boolean },
): void {
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

/** Lets connections in up to so many, from everywhere and from one address. */
class Connections {
  readonly #counts = new Counts();
  readonly #most: typeof LIMITS.connections;

  constructor(most: typeof LIMITS.connections) {
    this.#most = most;
  }

  /** @param isProxy many people's requests come from it */
  take(socket: Socket, isProxy: boolean): void {
    const name = countedAs(socket.remoteAddress ?? 'unknown');
    if (this.#counts.all < this.#most.all && (isProxy || this.#counts.of(name) < this.#most.address)) {
      socket.once('close', this.#counts.add(name));
      return;
    }
    socket.on('error', () => {});
    // Told and gone: what it goes on to ask is heard by nobody.
    socket.end(
      'HTTP/1.1 503 Service Unavailable\r\nretry-after: 5\r\nconnection: close\r\ncontent-length: 0\r\n\r\n',
      () => socket.destroy(),
    );
  }
}

/**
 * The server in front of the framework. It decides from a request's head alone whether its body may come in: method,
 * path, kind, size, who sends and how much of that at one time. What it lets through it watches, so that nobody holds a
 * connection or memory by sending slowly. Who may do what is decided behind it, before the body is read.
 */
export function openGate({ handle, routeOf, proxies, limits = LIMITS, dev = false }: GateParts): Server {
  const tell = clientTeller(proxies);
  const connections = new Connections(limits.connections);
  const admission = new Admission(routeOf, limits);

  async function take(request: IncomingMessage, response: ServerResponse, goOn: () => void): Promise<void> {
    // A connection that breaks is the client's affair.
    request.on('error', () => {});
    response.on('error', () => {});
    try {
      const client = tell(request);
      const refusal = await admission.admit(request, response, client);
      if (response.closed || response.destroyed) return;
      if (refusal !== null) {
        refuse(request, response, refusal);
        return;
      }
      goOn();
      pass(request, response, { client, handle, dev });
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
  server.on('connection', (socket) => connections.take(socket, tell.isProxy(socket.remoteAddress ?? 'unknown')));
  const looking = setInterval(() => admission.look(Date.now()), LOOK_MS);
  looking.unref();
  server.once('close', () => clearInterval(looking));
  return server;
}
