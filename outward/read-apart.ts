import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { ReadResult, SaidKind } from '../core/reading/read';
import type { LibraryFile } from './library-file';
import type { ApartWork, ReadingOrder } from './reading-work';

/** What the largest input may take, and room for the reader itself. */
const HEAP_MIB = 256;
/** The slowest inputs of the largest size take a few seconds; one that takes longer is given up. */
const LONGEST_MS = 30_000;

const WORKER_FILE = 'outward/reading-worker.mjs';

interface Waiting {
  resolve: (result: unknown) => void;
  reject: (cause: Error) => void;
  timer: NodeJS.Timeout;
}

/** The thread that reads, and who waits for it. */
interface Thread {
  worker: Worker;
  waiting: Map<number, Waiting>;
}

let thread: Thread | null = null;
let orders = 0;

/** Ends a thread: all who wait for it are told, and the next order starts another. */
function giveUp(ended: Thread, cause: Error): void {
  if (thread === ended) thread = null;
  for (const { reject, timer } of ended.waiting.values()) {
    clearTimeout(timer);
    reject(cause);
  }
  ended.waiting.clear();
  void ended.worker.terminate();
}

function startThread(): Thread {
  // The bundler leaves the file where it is: it is TypeScript's own loader that reads it.
  const worker = new Worker(/* turbopackIgnore: true */ join(/* turbopackIgnore: true */ process.cwd(), WORKER_FILE), {
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: HEAP_MIB },
  });
  const started: Thread = { worker, waiting: new Map() };
  worker.on('message', ({ number, result }: { number: number; result: unknown }) => {
    const order = started.waiting.get(number);
    if (order === undefined) return;
    started.waiting.delete(number);
    clearTimeout(order.timer);
    order.resolve(result);
    if (started.waiting.size === 0) worker.unref();
  });
  worker.on('error', (cause) => giveUp(started, cause instanceof Error ? cause : new Error(String(cause))));
  worker.on('exit', () => giveUp(started, new Error('the reading thread ended')));
  worker.unref();
  return started;
}

/** Has the thread do its work on one input. Rejects where the thread ends or takes too long. */
async function workApart<T>(work: ApartWork, input: Uint8Array, as: SaidKind | null = null): Promise<T> {
  thread ??= startThread();
  const using = thread;
  const number = ++orders;
  return new Promise<T>((resolve, reject) => {
    const timer = setTimeout(() => giveUp(using, new Error('an input took too long to read')), LONGEST_MS);
    using.waiting.set(number, { resolve: (result) => resolve(result as T), reject, timer });
    // While somebody waits, the thread keeps the process alive.
    using.worker.ref();
    using.worker.postMessage({ number, work, input, as } satisfies ReadingOrder);
  });
}

/**
 * Reads one input off the main thread, so that an upload of megabytes holds up nobody else; the readers' own bounds
 * are there to keep it quick.
 *
 * @param as what a person says that it is; null: nobody says
 */
export async function readApart(input: Uint8Array, as: SaidKind | null = null): Promise<ReadResult> {
  return workApart('reading', input, as);
}

/** Reads a file of models off the main thread. */
export async function readLibraryApart(input: Uint8Array): Promise<LibraryFile> {
  return workApart('library', input);
}
