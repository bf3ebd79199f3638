import { join } from 'node:path';
import { ROOT } from '../setup.mjs';

/**
 * The heap of the application's process, MB: with more to hand V8 lets garbage lie until gigabytes of it are there, and a
 * process that needs more than this is broken. Bodies and files in flight are beside it, and have bounds of their own.
 */
const HEAP_MB = 768;

/** What Node is told to run the application. */
export const serveCommand = (host: string, port: number, isDev = false): string[] => [
  // What makes pages while one works on them needs a heap of its own beside ours.
  `--max-old-space-size=${isDev ? 4 * HEAP_MB : HEAP_MB}`,
  join(ROOT, 'scripts', 'serve.mjs'),
  host,
  String(port),
  ...(isDev ? ['dev'] : []),
];
