import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Command } from 'commander';
import { DEMO_PASSWORD } from '../demo/load-shop';
import { ROOT } from '../scripts/setup.mjs';
import { freePort } from '../scripts/start/cluster';
import { askOften, type Load } from './ask-often';

/*
 * node --import tsx bench/load.ts [--before COMMIT]: how many answers a second the application gives to 50 connections of a load
 * generator on a core of its own: an empty route of the framework, the customer's page, a kept PDF, the list of jobs with 200
 * of them, Options. With --before the same is done to an earlier commit in the same run, in a checkout of its own. With
 * --minutes the memory is looked at while the customer's page, the PDF and the list are asked for that long.
 */
const options = new Command()
  .option('--before <commit>', 'an earlier commit to measure beside')
  .option('--seconds <n>', 'how long each is asked for', '20')
  .option('--minutes <n>', 'how long memory is looked at', '0')
  .parse()
  .opts<{ before?: string; seconds: string; minutes: string }>();

const CONNECTIONS = 50;
const JOBS = 200;
const OPEN_JOB = 7;
const SECONDS = Number(options.seconds);

const load = (url: string, cookie: string | null, seconds: number): Promise<Load> =>
  askOften(url, { connections: CONNECTIONS, seconds, cookie });

/** `npm start` of a checkout, on data of its own. */
class Started {
  private constructor(
    private readonly child: ChildProcess,
    readonly base: string,
    private readonly home: string,
  ) {}

  static async of(root: string): Promise<Started> {
    const home = mkdtempSync(join(tmpdir(), 'fenbrik-load-'));
    chmodSync(home, 0o755);
    const port = await freePort();
    const env: NodeJS.ProcessEnv = {
      ...process.env,
      FENBRIK_DATA: join(home, 'data'),
      PORT: String(port),
      LOG_LEVEL: 'silent',
    };
    delete env.DATABASE_URL;
    const child = spawn(process.execPath, [join(root, 'scripts', 'start.mjs')], {
      cwd: root,
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    const base = `http://127.0.0.1:${port}`;
    await new Promise<void>((resolve, reject) => {
      let said = '';
      child.stdout?.on('data', (piece: Buffer) => {
        said += piece.toString();
        if (said.includes('Fenbrik is up')) resolve();
      });
      child.once('exit', (code) => reject(new Error(`ended with ${code}: ${said.slice(-500)}`)));
    });
    return new Started(child, base, home);
  }

  async signIn(): Promise<string> {
    const answer = await fetch(`${this.base}/api/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'teo', password: DEMO_PASSWORD }),
    });
    const cookie = answer.headers.getSetCookie().find((one) => one.startsWith('fenbrik-session='));
    if (cookie === undefined) throw new Error(`signing in answered ${answer.status}`);
    return cookie.split(';')[0] ?? '';
  }

  /** A customer's link, as the staff's page shows it. */
  async link(cookie: string): Promise<string> {
    const page = await fetch(`${this.base}/jobs/${OPEN_JOB}/quote`, { headers: { cookie } });
    const path = /\/q\/[A-Za-z0-9_-]{40,}/.exec(await page.text())?.[0];
    if (path === undefined) throw new Error('the demo has no such link');
    return path;
  }

  /** Resident memory of the process that serves, MB. */
  memory(): number {
    const children = readFileSync(`/proc/${this.child.pid}/task/${this.child.pid}/children`, 'utf8').trim().split(' ');
    const pid = children.find((one) => readFileSync(`/proc/${one}/cmdline`, 'utf8').includes('serve.mjs'));
    return Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1000);
  }

  async end(): Promise<void> {
    const gone = new Promise((resolve) => this.child.once('exit', resolve));
    this.child.kill('SIGINT');
    await gone;
    rmSync(this.home, { recursive: true, force: true });
  }
}

const shown = ({ perSecond, p50, p99, faults }: Load): string =>
  `${perSecond.toFixed(0).padStart(5)} a second, median ${p50} ms, p99 ${p99} ms${faults > 0 ? `, ${faults} FAULTS` : ''}`;

async function measure(name: string, root: string, minutes: number): Promise<void> {
  const app = await Started.of(root);
  try {
    const cookie = await app.signIn();
    const link = await app.link(cookie);
    for (let nr = 0; nr < JOBS; nr++) {
      await fetch(`${app.base}/api/jobs`, { method: 'POST', headers: { cookie } });
    }
    // What is done once the start is over is no customer's to wait for.
    await new Promise((resolve) => setTimeout(resolve, 5_000));
    console.log(`\n${name}: ${app.memory()} MB at first`);
    const first = performance.now();
    await (await fetch(`${app.base}${link}/pdf`)).arrayBuffer();
    console.log(`  first PDF            ${(performance.now() - first).toFixed(0)} ms`);
    const routes: [string, string, string | null][] = [
      ['empty route', '/api/health', null],
      ['customer’s page', link, null],
      ['PDF', `${link}/pdf`, null],
      [`list of ${JOBS} jobs`, '/counter', cookie],
      ['Options', '/jobs/3/options', cookie],
    ];
    let empty = 0;
    for (const [what, path, as] of routes) {
      await load(`${app.base}${path}`, as, 3);
      const found = await load(`${app.base}${path}`, as, SECONDS);
      if (what === 'empty route') empty = found.perSecond;
      console.log(
        `  ${what.padEnd(20)} ${shown(found)} (${((found.perSecond * 100) / empty).toFixed(0)} % of the empty route)`,
      );
    }
    const again = await load(`${app.base}/api/health`, null, SECONDS);
    console.log(`  empty route again    ${shown(again)}; ${app.memory()} MB`);
    for (let minute = 1; minute <= minutes; minute++) {
      for (const [path, as] of [
        [link, null],
        [`${link}/pdf`, null],
        ['/counter', cookie],
      ] as const)
        await load(`${app.base}${path}`, as, 20);
      console.log(`  after ${minute} min of it: ${app.memory()} MB`);
    }
  } finally {
    await app.end();
  }
}

if (options.before !== undefined) {
  const tree = mkdtempSync(join(tmpdir(), 'fenbrik-before-'));
  execFileSync('git', ['worktree', 'add', '--detach', tree, options.before], { cwd: ROOT, stdio: 'ignore' });
  try {
    await measure(`before (${options.before})`, tree, 0);
  } finally {
    execFileSync('git', ['worktree', 'remove', '--force', tree], { cwd: ROOT });
  }
}
await measure('this checkout', ROOT, Number(options.minutes));
