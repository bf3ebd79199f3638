import { Worker } from 'node:worker_threads';
import { threadFile } from '../../runtime/programs';
import type { ListOrder, ListPiece } from './list-reading';
import type { ListWork } from './list-work';

/** A workbook's rows and strings, and room for the reader itself. */
const HEAP_MIB = 384;
/** Rows come and go: with more room for what is young, less of it is carried along. */
const YOUNG_MIB = 96;
/** A piece takes milliseconds, a workbook seconds; what takes longer is given up. */
const LONGEST_MS = 60_000;

const SOURCE = 'outward/lists/list-work';

type Taken = { ok: true; piece: ListPiece } | { ok: false; sentence: string };

/** A list being read on a thread of its own, so that it holds up nobody. End it whatever comes. */
export class ListThread {
  readonly #worker: Worker;
  #waiting: { resolve: (taken: Taken) => void; reject: (cause: Error) => void }[] = [];
  #broken: Error | null = null;

  constructor(order: ListOrder) {
    this.#worker = new Worker(/* turbopackIgnore: true */ threadFile(SOURCE), {
      execArgv: [],
      workerData: order,
      resourceLimits: { maxOldGenerationSizeMb: HEAP_MIB, maxYoungGenerationSizeMb: YOUNG_MIB },
    });
    this.#worker.on('message', (taken: Taken) => this.#waiting.shift()?.resolve(taken));
    this.#worker.on('error', (cause) => this.#fail(cause instanceof Error ? cause : new Error(String(cause))));
    this.#worker.on('exit', () => this.#fail(new Error('the list’s thread ended')));
  }

  /** Has the next piece read. Pieces are taken in the order of asking; one may be asked while another is read. */
  async take(bytes: Uint8Array, last: boolean): Promise<Taken> {
    if (this.#broken !== null) throw this.#broken;
    return new Promise<Taken>((resolve, reject) => {
      const timer = setTimeout(() => this.#fail(new Error('a piece of a list took too long')), LONGEST_MS);
      const ended =
        <T>(settle: (value: T) => void) =>
        (value: T) => {
          clearTimeout(timer);
          settle(value);
        };
      this.#waiting.push({ resolve: ended(resolve), reject: ended(reject) });
      this.#worker.postMessage({ bytes, last } satisfies ListWork);
    });
  }

  async end(): Promise<void> {
    await this.#worker.terminate();
  }

  #fail(cause: Error): void {
    this.#broken ??= cause;
    for (const { reject } of this.#waiting.splice(0)) reject(cause);
  }
}
