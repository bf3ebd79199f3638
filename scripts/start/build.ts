import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, run, say, timed } from '../setup.mjs';
import { finishStatic } from './finish-static';
import { bundlePlanner, bundlePrograms } from './programs';

const SOURCES = [
  'app',
  'ui',
  'words',
  'core',
  'store',
  'service',
  'outward',
  'worker',
  'runtime',
  'tasks',
  'gate',
  'bin',
  'next.config.mjs',
  'instrumentation.ts',
  'postcss.config.mjs',
  'scripts',
  'package-lock.json',
];

function* files(path: string): Generator<string> {
  if (!existsSync(path)) return;
  if (!statSync(path).isDirectory()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) yield* files(join(path, name));
}

function sourceHash(): string {
  const hash = createHash('sha256');
  for (const source of SOURCES) {
    for (const file of files(join(ROOT, source))) {
      if (!/\.test\.tsx?$/.test(file)) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
    }
  }
  return hash.digest('hex');
}

/**
 * Builds the application, unless this very source is built already.
 *
 * @throws Error with the end of what the build said, where it fails
 */
export async function needBuild(): Promise<void> {
  const stamp = join(ROOT, '.next', 'fenbrik-source');
  const hash = sourceHash();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return;
  say('building the application (about half a minute, once)');
  await timed('building', async () => {
    const framework = join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next');
    await run(process.execPath, [framework, 'build'], {
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      CI: '1',
    });
    const forBrowsers = join(ROOT, '.next', 'static');
    await bundlePlanner(forBrowsers);
    await Promise.all([bundlePrograms(), finishStatic(forBrowsers)]);
  });
  writeFileSync(stamp, hash);
}
