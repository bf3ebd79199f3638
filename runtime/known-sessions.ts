import { createHash } from 'node:crypto';

/** How long a session that was found good counts as such at the gate, milliseconds. */
const GOOD_MS = 10 * 60_000;
const MOST = 10_000;
const PLACE = Symbol.for('fenbrik.known-sessions');

/** Until when by the token's hash. The gate and the framework have each their own copy of a module: there is one map. */
function known(): Map<string, number> {
  const all = globalThis as { [PLACE]?: Map<string, number> };
  all[PLACE] ??= new Map();
  return all[PLACE];
}

const nameOf = (token: string): string => createHash('sha256').update(token).digest('base64');

/** Notes that the database knew this session: anyone who has it may send more at once than a stranger. */
export function noteGoodSession(token: string, now: number): void {
  const sessions = known();
  const name = nameOf(token);
  sessions.delete(name);
  sessions.set(name, now + GOOD_MS);
  if (sessions.size <= MOST) return;
  const [oldest] = sessions.keys();
  if (oldest !== undefined) sessions.delete(oldest);
}

/** Was this session found good lately? It opens nothing: it decides only how much may be sent. */
export function wasGoodSession(token: string | undefined, now: number): boolean {
  return token !== undefined && (known().get(nameOf(token)) ?? 0) > now;
}
