import { join } from 'node:path';
import { PROGRAMS } from '../../runtime/programs';
import { ROOT } from '../setup.mjs';

/**
 * The heap of the application's process, MB: with more to hand V8 lets garbage lie until gigabytes of it are there, and a
 * process that needs more than this is broken. Bodies and files in flight are beside it, and have bounds of their own.
 */
const HEAP_MB = 768;
/** What makes pages while one works on them needs a heap of its own beside ours. */
const DEV_HEAP_MB = 4 * HEAP_MB;

/** What Node is told to run the application: as the build made it, or as it is written. */
export const serveCommand = (host: string, port: number, { isDev = false, folder = ROOT } = {}): string[] =>
  isDev
    ? [`--max-old-space-size=${DEV_HEAP_MB}`, join(folder, 'scripts', 'serve.mjs'), host, String(port), 'dev']
    : [`--max-old-space-size=${HEAP_MB}`, join(folder, PROGRAMS, 'serve.mjs'), host, String(port)];
