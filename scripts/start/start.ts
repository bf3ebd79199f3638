import { type ChildProcess, spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { readEnvironment } from '../../runtime/environment';
import { makeOpeningCode } from '../../service/shop/opening-code';
import { closePool, pool } from '../../store/database';
import { listFeeds, setFeedUrl } from '../../store/market/feeds';
import { maybeShop, updateCustomerAddress } from '../../store/shop/shop';
import { giveUp, ROOT, say } from '../setup.mjs';
import { needBuild } from './build';
import { type Cluster, clusterFolder, freePort, openCluster } from './cluster';
import { networkWords, reachedFromHere } from './network';
import { askedPort } from './port';
import { actAsRoles, migrated } from './roles-of-shop';
import { serveCommand } from './serve-command';
import { pauseBefore, type Supervised, type Supervisor, supervise } from './supervise';
import { chosenDatabase } from './which-shop';

const DEFAULT_PORT = 4180;

async function database(): Promise<Cluster | null> {
  if (process.env.DATABASE_URL) return null;
  const cluster = await chosenDatabase(await openCluster(clusterFolder()), process.env.FENBRIK_DEMO);
  await actAsRoles(cluster);
  say(cluster.started ? 'PostgreSQL is up' : 'PostgreSQL was up already');
  return cluster;
}

/** The server's own key, made once for each checkout and kept beside its data, where no copy of the database has it. */
function serverKey(): string {
  const folder = clusterFolder();
  const file = join(folder, 'key');
  mkdirSync(folder, { recursive: true });
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  return readFileSync(file, 'utf8').trim();
}

async function prepare(): Promise<void> {
  process.env.FENBRIK_KEY ??= serverKey();
  const ran = await migrated();
  if (ran.length > 0) say(`database brought up to date: ${ran.join(', ')}`);
  if (process.env.FENBRIK_DEMO === 'off') return;
  // Code of the demo shop is for who shows it: a shop of one's own starts without.
  const { loadDemo } = await import('../load-demo');
  if (await loadDemo()) say('loaded the demo shop');
}

/** The demo sellers' feeds, only where the demo shop is what is loaded; the sellers learn where they answer. */
async function sellerFeeds(): Promise<Supervised | null> {
  const shop = await maybeShop(pool());
  if (shop === null || !shop.demo) return null;
  if (await feedsAnswer()) {
    say('another start serves the demo sellers’ feeds: they are left alone');
    return null;
  }
  const [{ feedCatalogue }, { DEMO_SELLERS }] = await Promise.all([
    import('../../demo/feed-catalogue'),
    import('../../demo/sellers'),
  ]);
  const port = await freePort();
  const catalogue = join(mkdtempSync(join(tmpdir(), 'fenbrik-feeds-')), 'catalogue.json');
  writeFileSync(catalogue, JSON.stringify(feedCatalogue(shop.currency)));
  for (const { name, slug } of DEMO_SELLERS) await setFeedUrl(pool(), name, `http://127.0.0.1:${port}/${slug}`);
  return standIn('the sellers’ feeds', 'seller-feeds.ts', {
    FENBRIK_FEEDS_PORT: String(port),
    FENBRIK_FEEDS_CATALOGUE: catalogue,
    FENBRIK_FEEDS_MOODS: process.env.FENBRIK_FEEDS_MOODS ?? '7',
  });
}

/** Do the demo sellers' feeds answer where the database says, for another start on the same database? */
async function feedsAnswer(): Promise<boolean> {
  const url = (await listFeeds(pool())).find(({ url }) => url !== null)?.url;
  if (url == null) return false;
  const answer = await fetch(url, { signal: AbortSignal.timeout(1_000) }).catch(() => null);
  await answer?.body?.cancel();
  return answer !== null;
}

/** The demo shop's mail goes to a server of ours that keeps it in a folder and hands it on to nobody. */
async function mailStandIn(): Promise<Supervised | null> {
  if (process.env.FENBRIK_SMTP || !(await maybeShop(pool()))?.demo) return null;
  const port = await freePort();
  const folder = join(clusterFolder(), 'mail');
  process.env.FENBRIK_SMTP = `smtp://127.0.0.1:${port}`;
  say(`the demo shop’s mail is kept in ${folder}`);
  return standIn('the mail server', 'mail-server.ts', {
    FENBRIK_MAIL_PORT: String(port),
    FENBRIK_MAIL_FOLDER: folder,
    FENBRIK_MAIL_MOODS: process.env.FENBRIK_MAIL_MOODS ?? 'well',
  });
}

const standIn = (name: string, file: string, env: Record<string, string>): Supervised => ({
  name,
  say,
  spawn: () => program(['--import', 'tsx', join(ROOT, 'standin', file)], env),
});

/** Starts a Node program of ours in its own group, so that Ctrl-C reaches it only through us. */
function program(args: string[], env: Record<string, string>): ChildProcess {
  const preload = pathToFileURL(join(ROOT, 'scripts', 'end-with-parent.mjs')).href;
  return spawn(process.execPath, ['--import', preload, ...args], {
    cwd: ROOT,
    detached: true,
    stdio: ['pipe', 'inherit', 'inherit'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production', ...env },
  });
}

/** The demo shop's customers reach it where it is: its mail goes nowhere else. A shop of one's own confirms its address. */
async function demoAddress(port: number): Promise<void> {
  const shop = await maybeShop(pool());
  if (!shop?.demo || process.env.FENBRIK_ADDRESS) return;
  if (shop.customerAddress === '' || /^http:\/\/127\.0\.0\.1:\d+$/.test(shop.customerAddress))
    await updateCustomerAddress(pool(), `http://127.0.0.1:${port}`);
}

/** Any answer is a sign of life, also that there are too many connections. */
const isAlive =
  (url: string) =>
  async (timeoutMs: number): Promise<boolean> => {
    const answer = await fetch(url, { signal: AbortSignal.timeout(timeoutMs) }).catch(() => null);
    await answer?.body?.cancel().catch(() => {});
    return answer !== null;
  };

/** Waits until the application answers; false: it ended before, or took too long. */
async function answers(url: string, app: Supervisor): Promise<boolean> {
  for (let tries = 0; tries < 300 && app.isFirst; tries++) {
    const response = await fetch(url).catch(() => null);
    if (response?.ok) return true;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return false;
}

/** Keeps our PostgreSQL up: looked after every second, and brought up again where it went. */
function watchDatabase(first: Cluster, onMoved: () => void): NodeJS.Timeout {
  let failures = 0;
  let notBefore = 0;
  let busy = false;
  return setInterval(async () => {
    if (busy || Date.now() < notBefore || (await isListening(first.url))) return;
    busy = true;
    say('PostgreSQL is gone: started again');
    try {
      const again = await chosenDatabase(await openCluster(clusterFolder()), process.env.FENBRIK_DEMO);
      failures = 0;
      if (again.url !== first.url) {
        await actAsRoles(again);
        delete process.env.FENBRIK_OWNER_URL;
        onMoved();
      }
      first.url = again.url;
      say('PostgreSQL is up again');
    } catch (cause) {
      failures++;
      const pauseMs = pauseBefore(failures);
      notBefore = Date.now() + pauseMs;
      say(`${cause instanceof Error ? cause.message : String(cause)} (tried again in ${pauseMs / 1000} s)`);
    }
    busy = false;
  }, 1_000);
}

/** Does anybody listen where the database is? */
function isListening(url: string): Promise<boolean> {
  const { hostname, port } = new URL(url);
  return new Promise((resolve) => {
    const socket = connect(Number(port), hostname);
    const end = (is: boolean) => {
      socket.destroy();
      resolve(is);
    };
    socket.once('connect', () => end(true));
    socket.once('error', () => end(false));
    socket.setTimeout(5_000, () => end(false));
  });
}

/**
 * Brings everything up, prints the address, and keeps it up: what crashes is started again. On Ctrl-C it ends what it
 * started and nothing else.
 *
 * @param isDev for whoever works on the code: nothing is built, and what changes is made anew and shown by itself
 */
export async function start({ isDev = false } = {}): Promise<void> {
  // Before anything else: a setting that is wrong is told at once.
  const { PORT: wanted, ...settings } = process.env;
  const { HOST: host, FENBRIK_ADDRESS: address } = readEnvironment(settings);
  const asked = await askedPort(wanted, host);
  const cluster = await database();
  const giveUpWith = (cause: unknown): never => {
    if (cluster?.started) cluster.stop();
    return giveUp(cause instanceof Error ? cause.message : String(cause));
  };
  const programs: Supervisor[] = [];
  let watching: NodeJS.Timeout | undefined;
  let ending = false;
  const end = async (code: number) => {
    if (ending) return;
    ending = true;
    clearInterval(watching);
    await Promise.all(programs.map((one) => one.stop()));
    if (cluster?.started) cluster.stop();
    process.exit(code);
  };
  process.on('SIGINT', () => void end(0));
  process.on('SIGTERM', () => void end(0));
  try {
    await prepare();
    if (!isDev) needBuild();
  } catch (cause) {
    giveUpWith(cause);
  }
  const mail = await mailStandIn();
  const feeds = await sellerFeeds();
  const port = asked ?? (await freePort(DEFAULT_PORT));
  const here = reachedFromHere(host, port);
  const health = `${here}/api/health`;
  const app = supervise({
    name: 'the application',
    say,
    isAlive: isAlive(health),
    spawn: () => program(serveCommand(host, port, isDev), isDev ? { NODE_ENV: 'development' } : {}),
  });
  programs.push(app, ...[feeds, mail].flatMap((one) => (one === null ? [] : [supervise(one)])));
  await demoAddress(port);
  const openingCode = await makeOpeningCode();
  await closePool();
  if (!(await answers(health, app))) {
    if (!ending) console.error('[fenbrik] the application did not come up: what it said stands above.');
    return end(1);
  }
  if (cluster?.started) watching = watchDatabase(cluster, () => app.restart());
  say(`Fenbrik is up: ${here}   (Ctrl-C ends it)`);
  for (const line of networkWords({ host, port, isSecure: address?.startsWith('https:') === true })) say(line);
  if (openingCode !== null) say(`open your shop at ${here}/open with the code ${openingCode}`);
}
