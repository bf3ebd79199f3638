import { type ChildProcess, spawn } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from '../scripts/start/cluster';
import { inLongRun } from './in-long-run';

const ROOT = join(__dirname, '..');

let home: string;
let data: string;

beforeAll(() => {
  home = mkdtempSync(join(tmpdir(), 'fenbrik-start-'));
  chmodSync(home, 0o755);
  data = join(home, 'data');
});

afterAll(() => rmSync(home, { recursive: true, force: true }));

interface Started {
  child: ChildProcess;
  url: string;
  said: string;
}

/** Runs `npm start`'s script on a data folder of its own until it prints its address. */
async function start(more: Record<string, string> = {}): Promise<Started> {
  const env: NodeJS.ProcessEnv = { ...process.env, FENBRIK_DATA: data, PORT: String(await freePort()), ...more };
  if (more.DATABASE_URL === undefined) delete env.DATABASE_URL;
  const child = spawn(process.execPath, [join(ROOT, 'scripts', 'start.mjs')], {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  return new Promise((resolve, reject) => {
    const hear = (chunk: Buffer) => {
      said += chunk.toString();
      const url = /Fenbrik is up: (http:\S+)/.exec(said)?.[1];
      if (url !== undefined) resolve({ child, url, said });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', (code) => reject(new Error(`ended with ${code}: ${said}`)));
  });
}

function end(child: ChildProcess, signal: NodeJS.Signals): Promise<number | null> {
  return new Promise((resolve) => {
    child.once('exit', resolve);
    child.kill(signal);
  });
}

/** Is it running? A process that ended but was not waited for yet (state Z) is not. */
function isUp(pid: number): boolean {
  try {
    return !/\) Z /.test(readFileSync(`/proc/${pid}/stat`, 'utf8'));
  } catch {
    return false;
  }
}

const postmaster = (): number => Number(readFileSync(join(data, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]);
const answers = (url: string) =>
  fetch(`${url}/sign-in`).then(
    async (response) => ({ status: response.status, text: await response.text() }),
    () => null,
  );

/** Waits until nobody answers there any more: the application ends with the start that started it. */
async function gone(url: string): Promise<void> {
  for (let tries = 0; tries < 100; tries++) {
    if ((await answers(url)) === null) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`${url} still answers`);
}

test('a first start sets up everything, Ctrl-C ends all of it, a second start finds its data again', async () => {
  const first = await start();
  expect(first.said).toContain('making a private PostgreSQL cluster');
  expect(first.said).toContain('loaded the demo shop');
  expect((await answers(first.url))?.text).toContain('Petrel Street Repair Co-op');
  const pid = postmaster();
  expect(await end(first.child, 'SIGINT')).toBe(0);
  expect(await answers(first.url)).toBeNull();
  expect(isUp(pid)).toBe(false);
  expect(existsSync(join(data, 'data', 'postmaster.pid'))).toBe(false);

  const second = await start();
  expect(second.said).not.toContain('making a private');
  expect(second.said).not.toContain('loaded the demo shop');
  expect(second.said).not.toContain('installing');
  expect((await answers(second.url))?.status).toBe(200);
  expect(await end(second.child, 'SIGTERM')).toBe(0);
});

inLongRun('what a start that ended hard left running is taken over by the next, and ended with that', async () => {
  const second = await start();
  // The start ends hard; what it left running is taken over by the next, and ended with that.
  const left = postmaster();
  await end(second.child, 'SIGKILL');
  expect(isUp(left)).toBe(true);
  await gone(second.url);
  const third = await start();
  expect(third.said).toContain('PostgreSQL is up');
  expect(postmaster()).toBe(left);
  expect(await end(third.child, 'SIGTERM')).toBe(0);
  expect(isUp(left)).toBe(false);
});

inLongRun(
  'a start without the demo, on a server that is given, shows a shop that is not set up and leaves the server alone',
  async () => {
    const { testDatabase } = await import('../testing/database');
    const given = await testDatabase();
    const started = await start({ DATABASE_URL: given.url, FENBRIK_DEMO: 'off' });
    expect(started.said).not.toContain('PostgreSQL');
    const page = await answers(started.url);
    expect(page?.text).toContain('A shop that is not set up yet');
    expect(page?.text).not.toContain('demo shop');
    expect(await end(started.child, 'SIGINT')).toBe(0);
    await given.drop();
  },
);
