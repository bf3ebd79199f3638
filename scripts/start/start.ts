import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { readEnvironment } from '../../runtime/environment';
import { makeOpeningCode } from '../../service/shop/opening-code';
import { closePool } from '../../store/database';
import { giveUp, say, timed, timeSpent } from '../setup.mjs';
import { type Cluster, clusterFolder, freePort, openCluster } from './cluster';
import type { DemoShop } from './demo-shop';
import { networkWords, reachedFromHere } from './network';
import { askedPort } from './port';
import { program } from './program';
import { actAsRoles, migrated } from './roles-of-shop';
import { serveCommand } from './serve-command';
import { pauseBefore, type Supervisor, supervise } from './supervise';
import { chosenDatabase } from './which-shop';

const DEFAULT_PORT = 4180;

async function database(wanted: string | undefined): Promise<Cluster | null> {
  if (process.env.DATABASE_URL) return null;
  const cluster = await chosenDatabase(await openCluster(clusterFolder()), wanted);
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

/** Brings the database up to date, and loads the demo shop where there is one and no other shop. */
async function prepare(demo: DemoShop | null): Promise<void> {
  process.env.FENBRIK_KEY ??= serverKey();
  const ran = await migrated();
  if (ran.length > 0) say(`database brought up to date: ${ran.join(', ')}`);
  if (demo !== null && (await timed('loading the demo shop', () => demo.load()))) say('loaded the demo shop');
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
  for (let tries = 0; tries < 900 && app.isFirst; tries++) {
    const response = await fetch(url).catch(() => null);
    if (response?.ok) return true;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return false;
}

/** Keeps our PostgreSQL up: looked after every second, and brought up again where it went. */
function watchDatabase(first: Cluster, wanted: string | undefined, onMoved: () => void): NodeJS.Timeout {
  let failures = 0;
  let notBefore = 0;
  let busy = false;
  return setInterval(async () => {
    if (busy || Date.now() < notBefore || (await isListening(first.url))) return;
    busy = true;
    say('PostgreSQL is gone: started again');
    try {
      const again = await chosenDatabase(await openCluster(clusterFolder()), wanted);
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

/** What a start is to do beside serving. */
export interface Starting {
  /** for anyone who works on the code: nothing is built, and what changes is made again and shown on its own */
  isDev?: boolean;
  /** makes what is served, unless it is there */
  build?: () => Promise<void>;
  /** the demo shop, for who shows it: a shop of one's own starts without */
  demo?: DemoShop | null;
}

/**
 * Brings everything up, prints the address, and keeps it up: what crashes is started again. On Ctrl-C it ends what it
 * started and nothing else.
 */
export async function start({ isDev = false, build = async () => {}, demo = null }: Starting = {}): Promise<void> {
  // Before anything else: a setting that is wrong is told at once.
  const { PORT: wanted, ...settings } = process.env;
  const { HOST: host, FENBRIK_ADDRESS: address } = readEnvironment(settings);
  const asked = await askedPort(wanted, host);
  const shop = demo === null ? 'off' : process.env.FENBRIK_DEMO;
  const cluster = await timed('starting PostgreSQL', () => database(shop));
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
  // The one waits for the database, the other for processors: neither for the other.
  await Promise.all([build(), prepare(demo)]).catch(giveUpWith);
  const port = asked ?? (await freePort(DEFAULT_PORT));
  const standIns = (await demo?.standIns()) ?? [];
  const here = reachedFromHere(host, port);
  const health = `${here}/api/health`;
  const app = supervise({
    name: 'the application',
    say,
    isAlive: isAlive(health),
    spawn: () => program(serveCommand(host, port, { isDev }), isDev ? { NODE_ENV: 'development' } : {}),
  });
  programs.push(app, ...standIns.map(supervise));
  await demo?.answersAt(port);
  const openingCode = await makeOpeningCode();
  await closePool();
  if (!(await timed('starting the application', () => answers(health, app)))) {
    if (!ending) console.error('[fenbrik] the application did not come up: what it said stands above.');
    return end(1);
  }
  if (cluster?.started) watching = watchDatabase(cluster, shop, () => app.restart());
  for (const line of timeSpent()) say(line);
  say(`Fenbrik is up: ${here}   (Ctrl-C ends it)`);
  for (const line of networkWords({ host, port, isSecure: address?.startsWith('https:') === true })) say(line);
  if (openingCode !== null) say(`open your shop at ${here}/open with the code ${openingCode}`);
}
