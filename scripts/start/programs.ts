import { copyFileSync, cpSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { build } from 'esbuild';
import { PROGRAMS } from '../../runtime/programs';
import { ROOT } from '../setup.mjs';

/** What runs as a program or a thread of its own: each becomes one file, which needs the packages that are for use and nothing else. */
const ENTRIES: Readonly<Record<string, string>> = {
  start: 'scripts/start-built.ts',
  serve: 'scripts/serve.ts',
  'open-shop': 'scripts/open-shop.ts',
  fenbrik: 'bin/program.ts',
  'list-work': 'outward/lists/list-work.ts',
  'picture-work': 'outward/pictures/picture-work.ts',
  'reading-work': 'outward/readings/reading-work.ts',
};

/**
 * Bundles our own programs.
 *
 * @param into the folder they are written to, from which their packages are found
 * @returns the packages that they ask for, as they are named in imports
 */
export async function bundlePrograms(into = PROGRAMS): Promise<string[]> {
  const { metafile } = await build({
    absWorkingDir: ROOT,
    entryPoints: ENTRIES,
    outdir: into,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'linked',
    metafile: true,
    logLevel: 'silent',
    define: { 'process.env.NODE_ENV': '"production"' },
  });
  const asked = Object.values(metafile.outputs).flatMap(({ imports }) =>
    imports.filter(({ external }) => external === true).map(({ path }) => path),
  );
  return [...new Set(asked)].filter((path) => !path.startsWith('node:')).sort();
}

/** Bundles the planner's worker into one script, its name marked by its content: a page starts it before its own scripts come. */
export async function bundlePlanner(folder: string): Promise<void> {
  await build({
    absWorkingDir: ROOT,
    entryPoints: { planner: 'worker/plan-worker.ts' },
    entryNames: '[name]-[hash]',
    outdir: folder,
    bundle: true,
    minify: true,
    platform: 'browser',
    format: 'iife',
    target: 'es2022',
    logLevel: 'silent',
  });
}

/** What a folder needs beside what the build made, and beside the packages. */
const BESIDE = [
  'package-lock.json',
  'next.config.mjs',
  'LICENSE',
  'store/migrations',
  'outward/page',
  'docs',
  'scripts/end-with-parent.mjs',
];
/** What the build keeps for its own next run. */
const OF_THE_BUILD = /^\.next\/(?:cache|dev|types|diagnostics|trace|turbopack)/;

/**
 * Writes a folder that holds what is run and nothing else: `npm ci --omit=dev` and `npm start` in it bring up the application.
 *
 * @throws Error where there is something at that place
 */
export function writeOutput(folder: string): void {
  if (existsSync(folder)) throw new Error(`there is something at ${folder} already`);
  mkdirSync(folder, { recursive: true });
  cpSync(join(ROOT, '.next'), join(folder, '.next'), {
    recursive: true,
    verbatimSymlinks: true,
    filter: (from) => !OF_THE_BUILD.test(relative(ROOT, from)),
  });
  for (const path of BESIDE) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    cpSync(join(ROOT, path), join(folder, path), { recursive: true });
  }
  const about = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'));
  const program = (name: string) => `${PROGRAMS}/${name}.mjs`;
  const scripts = { start: `node ${program('start')}`, 'open-shop': `node ${program('open-shop')}` };
  writeFileSync(
    join(folder, 'package.json'),
    `${JSON.stringify({ ...about, scripts, bin: { fenbrik: program('fenbrik') } }, null, 2)}\n`,
  );
  copyFileSync(join(ROOT, 'README.md'), join(folder, 'README.md'));
}
