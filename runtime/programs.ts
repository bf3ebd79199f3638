import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { isProduction } from './environment';

/** Where the build leaves our own programs and threads, beside the framework's output. */
export const PROGRAMS = '.next/fenbrik';

/** A file of ours, beside the programs: from where they run. */
export const ownFile = (path: string): string => join(/* turbopackIgnore: true */ process.cwd(), path);

/** A file of an installed package, by its path there. */
export const packageFile = (path: string): string => ownFile(`node_modules/${path}`);

/**
 * The file of a thread: as the build made it where the built application runs, else as it is written, read by a loader.
 *
 * @param source its module, from the checkout's root and without an ending: `list-work` has `list-worker.mjs` beside it
 */
export function threadFile(source: string): string {
  const built = ownFile(`${PROGRAMS}/${source.split('/').at(-1)}.mjs`);
  if (isProduction() && existsSync(built)) return built;
  return ownFile(`${source}er.mjs`);
}
