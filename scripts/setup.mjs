// Brings a fresh machine to where TypeScript can run. Uses only what Node itself has.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

export const say = (text) => console.log(`[fenbrik] ${text}`);

/** Ends the command with one sentence. */
export function giveUp(sentence) {
  console.error(`[fenbrik] ${sentence}`);
  process.exit(1);
}

function run(command, args, env = {}) {
  const done = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
    encoding: 'utf8',
    env: { ...process.env, ...env },
  });
  if (done.status !== 0)
    giveUp(
      `"${command} ${args.join(' ')}" failed:\n${(done.stderr || done.stdout || String(done.error)).slice(-2000)}`,
    );
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
  chromium: () => existsSync('/usr/bin/chromium'),
  'poppler-utils': () => existsSync('/usr/bin/pdftotext'),
  qpdf: () => existsSync('/usr/bin/qpdf'),
  'nginx-light': () => existsSync('/usr/sbin/nginx'),
  openssl: () => existsSync('/usr/bin/openssl'),
  // Made photographs are drawn with its letters.
  'fonts-dejavu-core': () => existsSync('/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf'),
};

/** Installs those of the named Debian packages that are missing. */
export function needPackages(names) {
  const missing = names.filter((name) => !PACKAGES[name]());
  if (missing.length === 0) return;
  const isRoot = process.getuid?.() === 0;
  const [command, ...prefix] = isRoot ? ['apt-get'] : ['sudo', '-n', 'apt-get'];
  say(`installing ${missing.join(', ')} from Debian's packages (a few minutes, once)`);
  if (!isRoot && spawnSync('sudo', ['-n', 'true']).status !== 0) {
    giveUp(`please install these first, then start again: sudo apt-get install ${missing.join(' ')}`);
  }
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  run(command, [...prefix, 'update'], quiet);
  run(command, [...prefix, 'install', '-y', '--no-install-recommends', ...missing], quiet);
}

/** Installs the npm packages that the lock file names, unless that is done. */
export function needModules() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules', '.fenbrik-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('installing npm packages (about a minute, once)');
  run('npm', ['ci', '--no-audit', '--no-fund']);
  writeFileSync(stamp, lock);
}

export function needNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 9))
    giveUp(`Node 20.9 or newer is needed; this is ${process.versions.node}.`);
}
