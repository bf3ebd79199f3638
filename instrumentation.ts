/** How often it is looked whether a seller's feed is due, a list waits to be read or a mail to go, milliseconds. */
const LOOK_MS = 15_000;
/** What the first customer would wait for is done once the start is over, milliseconds. */
const WARM_AFTER_MS = 2_000;

/** What runs beside the answers to requests, for as long as the server does. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !process.env.DATABASE_URL) return;
  const { pollFeeds } = await import('./service/feeds');
  const { takeFromFolder } = await import('./service/list-folder');
  const { readStranded } = await import('./service/read-list');
  const { queueReminders, sendDueMail } = await import('./service/mail');
  const { warmPapers } = await import('./service/warm-papers');
  const { log } = await import('./runtime/log');
  const folder = process.env.FENBRIK_LISTS;
  const look = async (): Promise<void> => {
    for (const { ok, sentence } of await pollFeeds()) log[ok ? 'info' : 'warn']({ sentence }, 'feed asked');
    for (const id of await readStranded()) log.info({ list: id }, 'a price list was read anew');
    const reminders = await queueReminders();
    if (reminders > 0) log.info({ reminders }, 'customers are reminded of quotes that lapse');
    for (const mail of await sendDueMail()) log[mail.state === 'sent' ? 'info' : 'warn'](mail, 'mail tried');
    if (!folder) return;
    for (const { ok, file, sentence } of await takeFromFolder(folder)) {
      log[ok ? 'info' : 'warn']({ file, sentence }, 'price list in the folder');
    }
  };
  setTimeout(() => {
    warmPapers().catch((cause) => log.warn({ cause: String(cause) }, 'no paper could be made ahead'));
  }, WARM_AFTER_MS).unref();
  let busy = false;
  setInterval(async () => {
    if (busy) return;
    busy = true;
    try {
      await look();
    } catch (cause) {
      // The database is away, or the folder: the next look is soon enough.
      log.warn({ cause: String(cause) }, 'the look around failed');
    } finally {
      busy = false;
    }
  }, LOOK_MS).unref();
}
