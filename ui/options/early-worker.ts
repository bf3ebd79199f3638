const start = (): Worker => new Worker(new URL('../../worker/plan-worker.ts', import.meta.url));

/** Started while the page still comes to life, so that it is there when the first case is. */
let early: Worker | null = typeof Worker === 'undefined' ? null : start();

/** A planning worker that nobody else has. */
export function takeWorker(): Worker {
  const worker = early ?? start();
  early = null;
  return worker;
}
