/** How often it is looked whether a seller's feed is due, milliseconds. */
const LOOK_MS = 15_000;

/** What runs beside the answers to requests, for as long as the server does. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !process.env.DATABASE_URL) return;
  const { pollFeeds } = await import('./service/feeds');
  const { log } = await import('./app/log');
  let busy = false;
  setInterval(async () => {
    if (busy) return;
    busy = true;
    try {
      for (const { ok, sentence } of await pollFeeds()) log[ok ? 'info' : 'warn']({ sentence }, 'feed asked');
    } catch (cause) {
      // The database is away: the next look is soon enough.
      log.warn({ cause: String(cause) }, 'feeds could not be asked');
    } finally {
      busy = false;
    }
  }, LOOK_MS).unref();
}
