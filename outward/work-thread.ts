import { Worker } from 'node:worker_threads';
import { threadFile } from '../runtime/programs';

/** One piece of work for a thread, with a number to tell its answer by. */
export interface Order {
  number: number;
  work: string;
  /** what the work is given, in the order of its parameters */
  given: unknown[];
}

interface Waiting {
  resolve: (result: unknown) => void;
  reject: (cause: Error) => void;
  timer: NodeJS.Timeout;
}

/** A worker that runs, and who waits for it. */
interface Running {
  worker: Worker;
  waiting: Map<number, Waiting>;
}

export interface ThreadLimits {
  /** what the largest input may take, and room for the reader itself */
  heapMiB: number;
  /** work that takes longer is given up, ms */
  longestMs: number;
}

/** Works on inputs off the main thread, so that large ones hold up nobody else; a thread that ends is started again. */
export class WorkThread {
  readonly #source: string;
  readonly #limits: ThreadLimits;
  #running: Running | null = null;
  #orders = 0;

  /** @param source the work's module, from the checkout's root: one that hands its messages to `answerOrders` */
  constructor(source: string, limits: ThreadLimits) {
    this.#source = source;
    this.#limits = limits;
  }

  /** Has the thread do its work. Rejects where the thread ends or takes too long. */
  async work<T>(work: string, ...given: unknown[]): Promise<T> {
    this.#running ??= this.#start();
    const using = this.#running;
    const number = ++this.#orders;
    return new Promise<T>((resolve, reject) => {
      const late = () => this.#giveUp(using, new Error('an input took too long to read'));
      const timer = setTimeout(late, this.#limits.longestMs);
      using.waiting.set(number, { resolve: (result) => resolve(result as T), reject, timer });
      // While somebody waits, the thread keeps the process alive.
      using.worker.ref();
      using.worker.postMessage({ number, work, given } satisfies Order);
    });
  }

  /** Ends a thread: all who wait for it are told, and the next order starts another. */
  #giveUp(ended: Running, cause: Error): void {
    if (this.#running === ended) this.#running = null;
    for (const { reject, timer } of ended.waiting.values()) {
      clearTimeout(timer);
      reject(cause);
    }
    ended.waiting.clear();
    void ended.worker.terminate();
  }

  #start(): Running {
    const worker = new Worker(/* turbopackIgnore: true */ threadFile(this.#source), {
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: this.#limits.heapMiB },
    });
    const started: Running = { worker, waiting: new Map() };
    worker.on('message', ({ number, result }: { number: number; result: unknown }) => {
      const order = started.waiting.get(number);
      if (order === undefined) return;
      started.waiting.delete(number);
      clearTimeout(order.timer);
      order.resolve(result);
      if (started.waiting.size === 0) worker.unref();
    });
    const failed = (cause: unknown) => this.#giveUp(started, cause instanceof Error ? cause : new Error(String(cause)));
    worker.on('error', failed);
    worker.on('exit', () => failed('a thread for work ended'));
    worker.unref();
    return started;
  }
}
