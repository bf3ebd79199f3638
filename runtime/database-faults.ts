/** What is wrong with the database when it fails us, rather than we it. */
export type DatabaseFault = 'away' | 'full';

/** SQLSTATE (PostgreSQL, appendix A): connections, shutdown, too many clients; and what Node calls broken sockets. */
const AWAY =
  /^(08...|57P0.|53300|53200|ECONNREFUSED|ECONNRESET|ETIMEDOUT|EPIPE|ENOTFOUND|EAI_AGAIN|EHOSTUNREACH|ENETUNREACH)$/;
/** what the driver says without a code */
const AWAY_WORDS =
  /timeout exceeded when trying to connect|Connection terminated|connection is closed|server closed the connection|after calling end on the pool|Client has encountered a connection error|not queryable/i;
/** disk full, and files that cannot grow */
const FULL = /^(53100|58030|ENOSPC|EDQUOT)$/;

/** Why a question to the database failed, where that is no fault of the question; null: it is. */
export function databaseFault(cause: unknown): DatabaseFault | null {
  if (typeof cause !== 'object' || cause === null) return null;
  const { code, message, errors } = cause as { code?: unknown; message?: unknown; errors?: unknown };
  if (Array.isArray(errors) && errors.length > 0) return databaseFault(errors[0]);
  const name = String(code ?? '');
  const words = String(message ?? '');
  if (FULL.test(name) || /No space left on device/i.test(words)) return 'full';
  return AWAY.test(name) || AWAY_WORDS.test(words) ? 'away' : null;
}

const PLACE = Symbol.for('fenbrik.database-fault');
/** A failure this long ago explains a page that could not be made, milliseconds. */
const RECENT_MS = 10_000;

interface Noted {
  fault: DatabaseFault;
  at: number;
}

/** Notes that the database failed just now. The gate and the framework have each their own copy of a module. */
export function noteDatabaseFault(cause: unknown, now: number): void {
  const fault = databaseFault(cause);
  if (fault !== null) (globalThis as { [PLACE]?: Noted })[PLACE] = { fault, at: now };
}

/** How the database failed in the last moments; null: it did not. */
export function recentDatabaseFault(now: number): DatabaseFault | null {
  const noted = (globalThis as { [PLACE]?: Noted })[PLACE];
  return noted !== undefined && now - noted.at < RECENT_MS ? noted.fault : null;
}
