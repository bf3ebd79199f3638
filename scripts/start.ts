import { type ChildProcess, spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { feedCatalogue } from '../demo/feed-catalogue';
import { DEMO_SELLERS } from '../demo/sellers';
import { closePool, pool } from '../store/database';
import { setFeedUrl } from '../store/feeds';
import { migrate } from '../store/migrate';
import { maybeShop } from '../store/shop';
import { needBuild } from './build';
import { type Cluster, clusterFolder, freePort, openCluster } from './cluster';
import { loadDemo } from './load-demo';
import { giveUp, ROOT, say } from './setup.mjs';

const DEFAULT_PORT = 4180;
const STOP_MS = 5_000;

async function database(): Promise<Cluster | null> {
  if (process.env.DATABASE_URL) return null;
  const cluster = await openCluster(clusterFolder());
  process.env.DATABASE_URL = cluster.url;
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
  const ran = await migrate(process.env.DATABASE_URL ?? '', join(ROOT, 'store', 'migrations'));
  if (ran.length > 0) say(`database brought up to date: ${ran.join(', ')}`);
  if (process.env.FENBRIK_DEMO !== 'off' && (await loadDemo())) say('loaded the demo shop');
}

/** The demo sellers' feeds, only where the demo shop is what is loaded; the sellers learn where they answer. */
async function sellerFeeds(): Promise<ChildProcess | null> {
  const shop = await maybeShop(pool());
  if (shop === null || !shop.demo) return null;
  const port = await freePort();
  const catalogue = join(mkdtempSync(join(tmpdir(), 'fenbrik-feeds-')), 'catalogue.json');
  writeFileSync(catalogue, JSON.stringify(feedCatalogue(shop.currency)));
  for (const { name, slug } of DEMO_SELLERS) await setFeedUrl(pool(), name, `http://127.0.0.1:${port}/${slug}`);
  return program(['--import', 'tsx', join(ROOT, 'standin', 'seller-feeds.ts')], {
    FENBRIK_FEEDS_PORT: String(port),
    FENBRIK_FEEDS_CATALOGUE: catalogue,
    FENBRIK_FEEDS_MOODS: process.env.FENBRIK_FEEDS_MOODS ?? '7',
  });
}

/** The demo shop's mail goes to a server of ours that keeps it in a folder and hands it on to nobody. */
async function mailStandIn(): Promise<ChildProcess | null> {
  if (process.env.FENBRIK_SMTP || !(await maybeShop(pool()))?.demo) return null;
  const port = await freePort();
  const folder = join(clusterFolder(), 'mail');
  process.env.FENBRIK_SMTP = `smtp://127.0.0.1:${port}`;
  say(`the demo shop’s mail is kept in ${folder}`);
  return program(['--import', 'tsx', join(ROOT, 'standin', 'mail-server.ts')], {
    FENBRIK_MAIL_PORT: String(port),
    FENBRIK_MAIL_FOLDER: folder,
    FENBRIK_MAIL_MOODS: process.env.FENBRIK_MAIL_MOODS ?? 'well',
  });
}

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

async function stopped(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  const late = setTimeout(() => child.kill('SIGKILL'), STOP_MS);
  await gone;
  clearTimeout(late);
}

async function answers(url: string, child: ChildProcess): Promise<boolean> {
  for (let tries = 0; tries < 300 && child.exitCode === null; tries++) {
    const response = await fetch(url).catch(() => null);
    if (response?.ok) return true;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return false;
}

/** Brings everything up, prints the address, and on Ctrl-C ends what it started and nothing else. */
export async function start(): Promise<void> {
  const cluster = await database();
  await prepare();
  try {
    needBuild();
  } catch (cause) {
    if (cluster?.started) cluster.stop();
    giveUp(cause instanceof Error ? cause.message : String(cause));
  }
  const mail = await mailStandIn();
  const port = await freePort(Number(process.env.PORT) || DEFAULT_PORT);
  const app = program([join(ROOT, 'scripts', 'serve.mjs'), '127.0.0.1', String(port)], {});
  const children = [app];
  const feeds = await sellerFeeds();
  if (feeds !== null) children.push(feeds);
  if (mail !== null) children.push(mail);
  await closePool();
  let ending = false;
  const end = async (code: number) => {
    if (ending) return;
    ending = true;
    await Promise.all(children.map(stopped));
    if (cluster?.started) cluster.stop();
    process.exit(code);
  };
  process.on('SIGINT', () => void end(0));
  process.on('SIGTERM', () => void end(0));
  app.once('exit', (code) => void end(code ?? 1));
  if (!(await answers(`http://127.0.0.1:${port}/api/health`, app))) return end(1);
  say(`Fenbrik is up: http://127.0.0.1:${port}   (Ctrl-C ends it)`);
}
