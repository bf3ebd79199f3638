/*
 * The application as a process: the framework behind our gate, and what the build compressed once sent as it lies there, in
 * the best form that a browser takes. Its arguments: HOST PORT [dev]. While it is worked on, pages and their parts are made when
 * they are asked for, and again when their code changes.
 */
import { readFileSync } from 'node:fs';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { join } from 'node:path';
import next from 'next';
import sirv from 'sirv';
import { openGate } from '../gate/gate';
import { readRoutes, routesIn } from '../gate/routes';
import { cutSecrets } from '../runtime/cut-secrets';
import { environment } from '../runtime/environment';
import { giveUp, ROOT } from './setup.mjs';

// What is read beside the programs lies where these are.
process.chdir(ROOT);
const [hostname = '127.0.0.1', port = '4180', mode] = process.argv.slice(2);
const dev = mode === 'dev';
// Anyone who asks where the shop is reached finds what it listens on.
process.env.HOST = hostname;
process.env.PORT = port;
const STATIC = '/_next/static';
const A_YEAR_S = 31_536_000;
/** Where the work beside requests leaves how it is ended. */
const TASKS: unique symbol = Symbol.for('fenbrik.tasks');

// Whatever writes to the log, the framework too: no line holds a secret.
for (const stream of [process.stdout, process.stderr]) {
  const write = stream.write.bind(stream);
  stream.write = ((line: string | Uint8Array, ...more: []) =>
    write(typeof line === 'string' ? cutSecrets(line) : line, ...more)) as typeof stream.write;
}

function settings() {
  try {
    return environment();
  } catch (cause) {
    return giveUp(cause instanceof Error ? cause.message : String(cause));
  }
}
const { FENBRIK_PROXIES: proxies } = settings();
const app = next({ dev, dir: ROOT, hostname, port: Number(port) });
await app.prepare();
const frameworkHandles = app.getRequestHandler();

function answer(request: IncomingMessage, response: ServerResponse): void {
  frameworkHandles(request, response).catch((cause) => {
    console.error(`${request.method} ${request.url} broke`, cause);
    if (!response.headersSent) response.writeHead(500);
    response.end();
  });
}

// Names carry the hash of what is in the files: nothing under them ever changes.
const built = dev
  ? null
  : sirv(join(ROOT, '.next', 'static'), {
      brotli: true,
      gzip: true,
      etag: true,
      immutable: true,
      maxAge: A_YEAR_S,
    });

function handle(request: IncomingMessage, response: ServerResponse): void {
  const { url = '/' } = request;
  if (built === null || !url.startsWith('/_next/')) {
    answer(request, response);
    return;
  }
  const nothing = (): void => {
    response.writeHead(404, { 'content-type': 'text/plain' }).end('There is nothing here');
  };
  if (!url.startsWith(`${STATIC}/`)) {
    nothing();
    return;
  }
  request.url = url.slice(STATIC.length);
  built(request, response, nothing);
}

const manifest = dev
  ? routesIn(join(ROOT, 'app'))
  : JSON.parse(readFileSync(join(ROOT, '.next', 'app-path-routes-manifest.json'), 'utf8'));
const server = openGate({ handle, routeOf: readRoutes(manifest), proxies, dev });
// Changed code comes through a socket of the framework's own.
if (dev) server.on('upgrade', app.getUpgradeHandler());
server.once('error', (cause) => {
  console.error(cause);
  process.exit(1);
});
server.listen(Number(port), hostname);

/** Takes no more requests and tasks, ends those that it has, and goes. */
function end(): void {
  const tasks = (globalThis as { [TASKS]?: { stop: () => Promise<void> } })[TASKS]?.stop();
  server.close(() => {
    Promise.allSettled([app.close(), tasks]).then(() => process.exit(0));
  });
  server.closeIdleConnections();
}
process.once('SIGTERM', end);
process.once('SIGINT', end);
