import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { get } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { simpleParser } from 'mailparser';
import type { Browser } from 'playwright-core';
import { DEMO_PASSWORD } from '../demo/load-shop';
import { type MailServer, openMailServer } from '../standin/mail-server';
import { App } from '../testing/browser/app';
import { axeFindings, openBrowser } from '../testing/browser/browser';
import { openProxy, type Ports, proxyAddress, proxyPorts } from '../testing/browser/nginx';
import { hearing } from '../testing/browser/stage';
import { JOBS } from '../testing/demo-jobs';

/** A name that only this browser knows, as a shop's router would give one. */
const BENCH = 'bench.skerrow.example';
const RULES = `--host-resolver-rules=MAP shop.example 127.0.0.1,MAP ${BENCH} 127.0.0.1`;

let browser: Browser;
let mail: MailServer;
let app: App;
let ports: Ports;
let proxy: { close: () => void };
const folder = mkdtempSync(join(tmpdir(), 'fenbrik-reach-mail-'));

beforeAll(async () => {
  ports = await proxyPorts();
  mail = await openMailServer(folder);
  const settings = {
    FENBRIK_ADDRESS: proxyAddress(ports),
    FENBRIK_PROXIES: 'loopback',
    FENBRIK_SMTP: `smtp://127.0.0.1:${mail.port}`,
  };
  app = await App.open(settings, { host: '0.0.0.0' });
  proxy = await openProxy(ports, app.port);
  browser = hearing(await openBrowser([RULES]));
});
afterAll(async () => {
  await browser?.close();
  proxy?.close();
  await app?.close();
  await mail?.close();
});

test('behind nginx with a certificate of one’s own: sign-in, a quote’s link, acceptance', async () => {
  const base = proxyAddress(ports);
  const context = await browser.newContext({ baseURL: base, ignoreHTTPSErrors: true });
  const page = await context.newPage();
  const answer = await page.goto('/counter');
  expect(page.url()).toBe(`${base}/sign-in?next=%2Fcounter`);
  expect((await answer?.allHeaders())?.['strict-transport-security']).toBe('max-age=63072000');
  await page.getByLabel('Username', { exact: true }).fill('teo');
  await page.getByLabel('Password').fill(DEMO_PASSWORD);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.waitForURL(`${base}/counter`);
  const session = (await context.cookies()).find(({ name }) => name.includes('session'));
  expect(session).toMatchObject({ secure: true, httpOnly: true, sameSite: 'Lax' });

  await page.goto(`/jobs/${JOBS.choir}/quote`);
  await page.keyboard.press('s');
  await page.getByText(/is sent/).waitFor();
  await page.keyboard.press('m');
  await page.getByText(/✓ E-mail to iver@choir.example/).waitFor();
  const files = readdirSync(folder).filter((name) => name.endsWith('.eml'));
  const { text = '' } = await simpleParser(readFileSync(join(folder, `${files.length}.eml`)));
  const link = /https:\/\/\S+\/q\/\S+/.exec(text)?.[0] ?? '';
  expect(link.startsWith(`${base}/q/`)).toBe(true);

  const customer = await browser.newContext({ ignoreHTTPSErrors: true, viewport: { width: 390, height: 780 } });
  const view = await customer.newPage();
  await view.goto(link);
  await view.getByRole('radio', { name: /^Option 1/ }).check();
  for (const statement of await view.getByRole('checkbox').all())
    if (await statement.isVisible()) await statement.check();
  await view.getByLabel('Your name as signature').fill('Iver Tolland');
  await view.getByRole('button', { name: /^Accept/ }).click();
  await view.getByText(/was accepted by Iver Tolland/).waitFor();
  // Plain HTTP leads to TLS, and the application hears from whom it is, not from the proxy.
  const plain = await new Promise<[number | undefined, string | undefined]>((resolve) => {
    const asked = { port: ports.http, path: '/counter', headers: { host: 'shop.example' } };
    get({ host: '127.0.0.1', ...asked }, (answer) => {
      answer.resume();
      resolve([answer.statusCode, answer.headers.location]);
    });
  });
  expect(plain).toEqual([301, 'https://shop.example/counter']);
  await customer.close();
  await context.close();
}, 300_000);

test('a telephone on the shop’s network, without TLS: signs in, opens a job, and copies all the same', async () => {
  const base = `http://${BENCH}:${app.port}`;
  const context = await browser.newContext({
    baseURL: base,
    viewport: { width: 390, height: 780 },
    isMobile: true,
    hasTouch: true,
  });
  const page = await context.newPage();
  await page.goto(`/jobs/${JOBS.choir}/quote`);
  await page.getByLabel('Username', { exact: true }).fill('teo');
  await page.getByLabel('Password').fill(DEMO_PASSWORD);
  await page.getByRole('button', { name: 'Sign in', exact: true }).tap();
  await page.waitForURL(`${base}/jobs/${JOBS.choir}/quote`);
  expect(await page.evaluate(() => window.isSecureContext)).toBe(false);
  const session = (await context.cookies()).find(({ name }) => name.includes('session'));
  expect(session).toMatchObject({ secure: false, httpOnly: true });
  // The clipboard is there over TLS alone: what is copied is copied the old way.
  await page.getByRole('button', { name: 'Copy link' }).first().tap();
  await page.getByRole('button', { name: 'Link copied' }).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await context.close();
}, 300_000);

test('a job is shown as a QR code for a tablet, by the address that others reach', async () => {
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${app.port}` });
  const page = await context.newPage();
  await context.request.post('/api/sign-in', { data: { name: 'teo', password: DEMO_PASSWORD } });
  await page.goto(`/jobs/${JOBS.choir}/fitting`);
  await page.getByRole('button', { name: 'QR code' }).click();
  await page.getByRole('img', { name: `QR code of ${proxyAddress(ports)}/jobs/${JOBS.choir}/fitting` }).waitFor();
  expect(await axeFindings(page)).toEqual([]);
  await context.close();
}, 120_000);

test('the systemd unit is one that systemd takes', () => {
  if (!existsSync('/usr/bin/systemd-analyze')) return;
  const checked = spawnSync('systemd-analyze', ['verify', join(process.cwd(), 'docs', 'operating', 'fenbrik.service')]);
  expect(checked.stderr.toString().replace(/.*is not executable.*\n?/g, '')).toBe('');
});
