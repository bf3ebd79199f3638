import { type ChildProcess, spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEMO_PASSWORD } from '../../demo/load-shop';
import { ROOT } from '../../scripts/setup.mjs';
import { freePort } from '../../scripts/start/cluster';
import { type Finding, held, wait } from './stage';

/** `npm start` on a folder of its own, and what it says. */
export class Start {
  said = '';
  private ended: number | null = null;

  private constructor(
    readonly child: ChildProcess,
    readonly port: number,
    readonly data: string,
  ) {
    const hear = (piece: Buffer) => {
      this.said += piece.toString();
    };
    child.stdout?.on('data', hear);
    child.stderr?.on('data', hear);
    child.once('exit', (code) => {
      this.ended = code ?? -1;
    });
  }

  static begin(data: string, port: number, more: Record<string, string> = {}): Start {
    const env: NodeJS.ProcessEnv = { ...process.env, FENBRIK_DATA: data, PORT: String(port), ...more };
    delete env.DATABASE_URL;
    const child = spawn(process.execPath, [join(ROOT, 'scripts', 'start.mjs')], {
      cwd: ROOT,
      env,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    return new Start(child, port, data);
  }

  get base(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  get code(): number | null {
    return this.ended;
  }

  async until(is: () => boolean | Promise<boolean>, ms: number): Promise<boolean> {
    const from = Date.now();
    while (Date.now() - from < ms) {
      if (await is()) return true;
      if (this.ended !== null) return false;
      await wait(100);
    }
    return false;
  }

  up(): Promise<boolean> {
    return this.until(() => this.said.includes('Fenbrik is up'), 120_000);
  }

  async status(
    path: string,
    headers: Record<string, string> = {},
  ): Promise<{ status: number; text: string; retry: string | null; type: string }> {
    try {
      const answer = await fetch(`${this.base}${path}`, { headers, redirect: 'manual' });
      return {
        status: answer.status,
        text: await answer.text(),
        retry: answer.headers.get('retry-after'),
        type: answer.headers.get('content-type') ?? '',
      };
    } catch {
      return { status: 0, text: '', retry: null, type: '' };
    }
  }

  /** The process that serves, by its command. */
  appPid(): number {
    for (const pid of readFileSync(`/proc/${this.child.pid}/task/${this.child.pid}/children`, 'utf8')
      .trim()
      .split(' ')) {
      const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
      if (command.includes('serve.mjs')) return Number(pid);
    }
    return 0;
  }

  postmaster(): number {
    try {
      return Number(readFileSync(join(this.data, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]);
    } catch {
      return 0;
    }
  }

  async end(): Promise<void> {
    if (this.ended !== null) return;
    const gone = new Promise((resolve) => this.child.once('exit', resolve));
    this.child.kill('SIGINT');
    await gone;
  }
}

/** Ends one process, hard; never a group, which is what 0 would mean. */
function kill(pid: number): void {
  if (pid <= 1) throw new Error('there is no such process to end');
  process.kill(pid, 'SIGKILL');
}

type Told = (point: number, what: string, finding: Finding) => void;

/** A start whose port is asked for and cannot be had: one line, at once. */
async function badPort(data: string, port: number, word: RegExp): Promise<Finding> {
  const from = Date.now();
  const start = Start.begin(data, port);
  await start.until(() => false, 10_000);
  const took = Date.now() - from;
  const lines = start.said.trim().split('\n');
  const is = start.code === 1 && lines.length === 1 && word.test(lines[0] ?? '') && took < 5_000;
  await start.end();
  return held(is, `ended with ${start.code} after ${(took / 1000).toFixed(1)} s: ${lines.join(' / ').slice(0, 100)}`);
}

async function appKilled(start: Start, tell: Told): Promise<void> {
  const first = start.appPid();
  kill(first);
  const again = await start.until(async () => (await start.status('/api/health')).status === 200, 30_000);
  tell(
    4,
    'the application is killed',
    held(
      again && start.appPid() !== first && start.code === null && /started again/.test(start.said),
      'started again, and said so',
    ),
  );
}

/** @returns the cookies of somebody who is signed in */
async function signedIn(start: Start): Promise<string> {
  const answer = await fetch(`${start.base}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'teo', password: DEMO_PASSWORD }),
  });
  return answer.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
}

async function forgedHeaders(start: Start, tell: Told): Promise<void> {
  const forged = await fetch(`${start.base}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-forwarded-proto': 'https', 'x-fenbrik-secure': '1' },
    body: JSON.stringify({ name: 'edda', password: DEMO_PASSWORD }),
  });
  const isBelieved =
    /; Secure/.test(forged.headers.getSetCookie().join()) || forged.headers.has('strict-transport-security');
  tell(
    12,
    'forwarded headers of just anybody',
    held(forged.ok && !isBelieved, isBelieved ? 'believed' : 'not believed'),
  );
}

async function databaseKilled(start: Start, cookie: string, tell: Told): Promise<void> {
  // The supervisor holds still, so that the database stays away for as long as it takes to look.
  start.child.kill('SIGSTOP');
  const postmaster = start.postmaster();
  kill(postmaster);
  await wait(500);
  const [health, ready, page, customer, data503] = await Promise.all([
    start.status('/api/health'),
    start.status('/api/ready'),
    start.status('/counter', { cookie }),
    start.status(`/q/${'A'.repeat(43)}`),
    start.status('/api/jobs/1/stamp', { cookie }),
  ]);
  tell(
    4,
    'alive is asked without the database, ready with it',
    held(health.status === 200 && ready.status === 503, `health ${health.status}, ready ${ready.status}`),
  );
  const isPlain = [page, customer].every(
    (one) =>
      one.status === 503 && one.retry !== null && one.type.startsWith('text/html') && !one.text.includes('digest'),
  );
  tell(
    14,
    'the database is away: pages and customers',
    held(isPlain, `page ${page.status}, customer’s page ${customer.status}, Retry-After ${page.retry}`),
  );
  tell(
    14,
    'the database is away: data',
    held(data503.status === 503 && data503.text.includes('"busy"'), `${data503.status} ${data503.text.slice(0, 40)}`),
  );
  start.child.kill('SIGCONT');
  const back = await start.until(async () => (await start.status('/api/ready')).status === 200, 60_000);
  const whole = await start.status('/counter', { cookie });
  tell(
    4,
    'PostgreSQL is killed',
    held(
      back && start.postmaster() !== postmaster && whole.status === 200,
      `up again: ready ${back ? 200 : 'never'}, the list of jobs ${whole.status}`,
    ),
  );
}

async function secondStart(start: Start, data: string, tell: Told): Promise<void> {
  const second = Start.begin(data, await freePort());
  const isUp = await second.up();
  const leftAlone = /left alone/.test(second.said);
  await second.end();
  const stillUp = (await start.status('/api/ready')).status === 200;
  tell(
    14,
    'a second demo start on one database',
    held(
      isUp && leftAlone && stillUp,
      `feeds ${leftAlone ? 'left alone' : 'MOVED'}, the first ${stillUp ? 'goes on' : 'is GONE'}`,
    ),
  );
}

/** Point 4, and what of 14 needs a start of its own: crashes, ports, and the database going away. */
export async function roughStarts(tell: Told, isLong: boolean): Promise<void> {
  const home = mkdtempSync(join(tmpdir(), 'fenbrik-rough-'));
  chmodSync(home, 0o755);
  const data = join(home, 'data');
  const taken = createServer();
  await new Promise<void>((resolve) => taken.listen(0, '127.0.0.1', resolve));
  const address = taken.address();
  const takenPort = typeof address === 'object' && address !== null ? address.port : 0;
  tell(4, 'a port that is taken', await badPort(data, takenPort, /is taken/));
  tell(4, 'a port that browsers refuse (4190)', await badPort(data, 4190, /refuse/));
  taken.close();

  const start = Start.begin(data, await freePort());
  try {
    if (!(await start.up())) {
      tell(4, 'a start of its own', held(false, start.said.slice(-300)));
      return;
    }
    await appKilled(start, tell);
    const cookie = await signedIn(start);
    await forgedHeaders(start, tell);
    await databaseKilled(start, cookie, tell);
    if (isLong) await secondStart(start, data, tell);
  } finally {
    start.child.kill('SIGCONT');
    await start.end();
    rmSync(home, { recursive: true, force: true });
  }
}
