/** What the first customer would wait for is done once the start is over, milliseconds. */
const WARM_AFTER_MS = 2_000;
/** Anyone who ends the process asks here that what it is at is ended well. */
const TASKS = Symbol.for('fenbrik.tasks');

/** What runs beside the answers to requests, for as long as the server does. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !process.env.DATABASE_URL) return;
  const { startTasks } = await import('./tasks/run-tasks');
  const { warmPapers } = await import('./service/job/quote/warm-papers');
  const { logCaught } = await import('./runtime/log');
  (globalThis as { [TASKS]?: object })[TASKS] = await startTasks(process.env.DATABASE_URL);
  setTimeout(() => {
    warmPapers().catch((cause) => logCaught(cause, 'making a paper ahead'));
  }, WARM_AFTER_MS).unref();
}
