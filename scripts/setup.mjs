// Brings a fresh machine to where TypeScript can run, and says what takes its time. Uses only what Node itself has.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder that this runs from: the checkout, or what the build wrote. */
export const ROOT = rootAbove(dirname(fileURLToPath(import.meta.url)));

function rootAbove(folder) {
  return existsSync(join(folder, 'package-lock.json')) ? folder : rootAbove(dirname(folder));
}

/** What is at work now, and since when. */
const atWork = new Map();
/** What took how long, milliseconds. */
const spent = [];
const LEAST_TOLD_MS = 500;
const BEGAN = Date.now();
const seconds = (ms) => `${(ms / 1000).toFixed(ms < 9_950 ? 1 : 0)} s`;

/** A line that moves where a person watches; a log has only what is said. */
function drawProgress() {
  if (!process.stdout.isTTY) return;
  const parts = [...atWork].map(([what, since]) => `${what} … ${Math.round((Date.now() - since) / 1000)} s`);
  process.stdout.write(`\r\u001b[K${parts.length === 0 ? '' : `[fenbrik] ${parts.join(', ')}`}`);
}

export function say(text) {
  if (process.stdout.isTTY) process.stdout.write('\r\u001b[K');
  console.log(`[fenbrik] ${text}`);
  drawProgress();
}

/** Does what takes its time: it is shown while it lasts, and counted. */
export async function timed(what, work) {
  const since = Date.now();
  atWork.set(what, since);
  const drawing = setInterval(drawProgress, 1_000);
  try {
    return await work();
  } finally {
    clearInterval(drawing);
    atWork.delete(what);
    drawProgress();
    if (Date.now() - since >= LEAST_TOLD_MS) spent.push({ what, ms: Date.now() - since });
  }
}

/** Where the time since the command began went, in a line; none where it was short. */
export function timeSpent() {
  const ms = Date.now() - BEGAN;
  if (spent.length === 0 || ms < 5_000) return [];
  return [`ready after ${seconds(ms)}: ${spent.map((one) => `${one.what} ${seconds(one.ms)}`).join(', ')}`];
}

/** Ends the command with one sentence. */
export function giveUp(sentence) {
  console.error(`[fenbrik] ${sentence}`);
  process.exit(1);
}

/** Runs a program to its end. @throws Error with the end of what it said, where it fails */
export function run(command, args, env = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...env },
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (piece) => {
        said = (said + piece).slice(-4_000);
      });
    const failed = (cause) => reject(new Error(`"${command} ${args.join(' ')}" failed:\n${cause}`));
    child.on('error', failed);
    child.on('close', (status) => (status === 0 ? resolve() : failed(said)));
  });
}

/** Folder of the newest PostgreSQL server that Debian's packages installed, or null. */
export function postgresFolder() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const versions = readdirSync(base).filter((name) => existsSync(join(base, name, 'bin', 'initdb')));
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
  return newest === undefined ? null : join(base, newest, 'bin');
}

const PACKAGES = {
  postgresql: () => postgresFolder() !== null,
  'chromium-headless-shell': () => existsSync('/usr/bin/chromium-headless-shell'),
  'poppler-utils': () => existsSync('/usr/bin/pdftotext'),
  qpdf: () => existsSync('/usr/bin/qpdf'),
  'nginx-light': () => existsSync('/usr/sbin/nginx'),
  openssl: () => existsSync('/usr/bin/openssl'),
  // Made photographs are drawn with its letters.
  'fonts-dejavu-core': () => existsSync('/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf'),
};

/** All of them: what tests use, too. */
export const EVERYTHING = Object.keys(PACKAGES);

/** Installs those of the named Debian packages that are missing. */
export async function needPackages(names) {
  const missing = names.filter((name) => !PACKAGES[name]());
  if (missing.length === 0) return;
  const isRoot = process.getuid?.() === 0;
  const [command, ...prefix] = isRoot ? ['apt-get'] : ['sudo', '-n', 'apt-get'];
  say(`installing ${missing.join(', ')} from Debian's packages (a few minutes, once)`);
  if (!isRoot && spawnSync('sudo', ['-n', 'true']).status !== 0)
    giveUp(`please install these first, then start again: sudo apt-get install ${missing.join(' ')}`);
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  await timed('Debian’s packages', async () => {
    await run(command, [...prefix, 'update'], quiet);
    await run(command, [...prefix, 'install', '-y', '--no-install-recommends', ...missing], quiet);
  });
}

/** Installs the npm packages that the lock file names, unless that is done. */
export async function needModules() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules', '.fenbrik-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('installing npm packages (about a minute, once)');
  await timed('npm packages', () => run('npm', ['ci', '--no-audit', '--no-fund', '--prefer-offline']));
  writeFileSync(stamp, lock);
}

/** All that a command needs before TypeScript can run; the one waits for the network, as the other does. */
export async function need({ packages = [] } = {}) {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 9))
    giveUp(`Node 20.9 or newer is needed; this is ${process.versions.node}.`);
  await Promise.all([needPackages(packages), needModules()]).catch((cause) => giveUp(cause.message));
}
