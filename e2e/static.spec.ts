import { request } from 'node:http';
import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { openWindow } from '../testing/browser/browser';
import { signIn } from '../testing/browser/sign-in';
import { openStage } from '../testing/browser/stage';

const stage = openStage();

interface Sent {
  status: number;
  headers: Readonly<Record<string, string | string[] | undefined>>;
  body: Buffer;
}

/** Asks by hand: what is sent, before anything unpacks it; a path goes out as it is written. */
function ask(path: string, encoding: string, method = 'GET'): Promise<Sent> {
  const { hostname, port } = new URL(stage.app.base);
  return new Promise((resolve, reject) => {
    const asked = request({ hostname, port, path, method, headers: { 'accept-encoding': encoding } }, (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('end', () => {
        resolve({ status: answer.statusCode ?? 0, headers: answer.headers, body: Buffer.concat(parts) });
      });
    });
    asked.on('error', reject);
    asked.end();
  });
}

test('scripts go out as the build compressed them, in the form that is taken, and are kept for ever', async () => {
  const page = await ask('/sign-in', 'identity');
  const [script = ''] = /\/_next\/static\/chunks\/[^"]+\.js/.exec(page.body.toString()) ?? [];
  const plain = await ask(script, 'identity');
  expect(plain).toMatchObject({
    status: 200,
    headers: {
      'content-type': expect.stringContaining('javascript'),
      'cache-control': expect.stringContaining('immutable'),
      'x-content-type-options': 'nosniff',
    },
  });
  expect(plain.headers['content-encoding']).toBeUndefined();
  const small = await ask(script, 'gzip, br');
  expect(small.headers['content-encoding']).toBe('br');
  expect(brotliDecompressSync(small.body)).toEqual(plain.body);
  const zipped = await ask(script, 'gzip');
  expect(zipped.headers['content-encoding']).toBe('gzip');
  expect(gunzipSync(zipped.body)).toEqual(plain.body);
  expect(small.body.length).toBeLessThan(zipped.body.length);
});

test('nothing but the built files is reached that way', async () => {
  for (const path of [
    '/_next/static/no-such.js',
    '/_next/static/../../package.json',
    '/_next/static/%2e%2e/%2e%2e/package.json',
    '/_next/static/..%2f..%2fpackage.json',
    '/_next/static/../server/middleware-manifest.json',
    '/_next/static/%',
  ]) {
    const { status, body } = await ask(path, 'identity');
    expect(status).toBeGreaterThanOrEqual(300);
    expect(body.toString()).not.toContain('"dependencies"');
    expect(body.toString()).not.toContain('"middleware"');
  }
  // And it is still up.
  expect((await ask('/api/health', 'identity')).status).toBe(200);
});

test('the counter brings a job in a kilobyte at most', async () => {
  const { context } = await openWindow(stage.browser, stage.app.base);
  await signIn(context, stage.app.base);
  const bytes = async (path: string) => (await (await context.request.get(path)).body()).length;
  const rows = ((await (await context.request.get('/counter')).text()).match(/class="job-row"/g) ?? []).length;
  expect(rows).toBeGreaterThan(5);
  expect(((await bytes('/counter')) - (await bytes('/counter?page=9999'))) / rows).toBeLessThanOrEqual(1024);
  await context.close();
});
