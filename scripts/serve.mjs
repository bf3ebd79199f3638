/*
 * The application behind one small server of our own: what the build compressed once is sent as it lies there, in the best
 * form that a browser takes; everything else is the framework's. `node scripts/serve.mjs HOST PORT`
 */
import { createServer } from 'node:http';
import { join } from 'node:path';
import next from 'next';
import sirv from 'sirv';
import { ROOT } from './setup.mjs';

const [hostname = '127.0.0.1', port = '4180'] = process.argv.slice(2);
const STATIC = '/_next/static';
const A_YEAR_S = 31_536_000;

process.env.PORT = port;
const app = next({ dev: false, dir: ROOT, hostname, port: Number(port) });
await app.prepare();
const frameworkHandles = app.getRequestHandler();

function handle(request, response) {
  frameworkHandles(request, response).catch((cause) => {
    console.error(`${request.method} ${request.url} broke`, cause);
    if (!response.headersSent) response.writeHead(500);
    response.end();
  });
}

// Names carry the hash of what is in the files: nothing under them ever changes.
const built = sirv(join(ROOT, '.next', 'static'), {
  brotli: true,
  gzip: true,
  etag: true,
  immutable: true,
  maxAge: A_YEAR_S,
  setHeaders: (response) => response.setHeader('x-content-type-options', 'nosniff'),
});

const server = createServer((request, response) => {
  const { url = '/' } = request;
  if (!url.startsWith(`${STATIC}/`)) {
    handle(request, response);
    return;
  }
  request.url = url.slice(STATIC.length);
  built(request, response, () => {
    request.url = url;
    handle(request, response);
  });
});
server.once('error', (cause) => {
  console.error(cause);
  process.exit(1);
});
server.listen(Number(port), hostname);

/** Takes no more requests, answers those that it has, and goes. */
function end() {
  server.close(() => {
    app.close().finally(() => process.exit(0));
  });
  server.closeIdleConnections();
}
process.once('SIGTERM', end);
process.once('SIGINT', end);
