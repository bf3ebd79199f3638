const start = (): Worker => new Worker(new URL('../../worker/plan-worker.ts', import.meta.url));

let early: Worker | null = null;

/** Starts a planning worker while the page still comes to life, so that it is there when the first case is. */
export function startEarly(): void {
  early ??= start();
}

/** A planning worker that nobody else has. */
export function takeWorker(): Worker {
  const worker = early ?? start();
  early = null;
  return worker;
}
