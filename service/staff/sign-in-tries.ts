import { forgetTries, giveBackTry, type RateLimit, takeTry } from '../../store/staff/rate-limits';

/** Whose tries are counted together. */
export interface Tried {
  name: string;
  /** the client's address */
  address: string;
  /** the browser's own mark, where somebody of this name signed in from it before; null: it is any browser */
  knownBrowser: string | null;
}

const MINUTES_S = 60;
const WINDOW_S = 10 * MINUTES_S;

/** From a browser that nobody knows: of this name from this address, from the address, of the name, and in all. */
const STRANGERS: readonly (RateLimit & { key: (tried: Tried) => string })[] = [
  { name: 'sign-in-pair', points: 8, seconds: WINDOW_S, key: ({ name, address }) => `${address} ${name}` },
  { name: 'sign-in-address', points: 60, seconds: WINDOW_S, key: ({ address }) => address },
  { name: 'sign-in-name', points: 30, seconds: WINDOW_S, key: ({ name }) => name },
  { name: 'sign-in-all', points: 600, seconds: WINDOW_S, key: () => 'all' },
];

/** From a known browser there is no lock: after the first tries each takes longer than the one before. */
const KNOWN: RateLimit = { name: 'sign-in-known', points: 1_000_000, seconds: WINDOW_S };
const PAUSE: RateLimit = { name: 'sign-in-pause', points: 1, seconds: 1 };
const FREE_TRIES = 3;
const LONGEST_PAUSE_S = 60;

/** How long after this try the next may come, seconds. */
export const pauseAfter = (count: number): number =>
  count <= FREE_TRIES ? 0 : Math.min(LONGEST_PAUSE_S, 2 ** (count - FREE_TRIES));

async function takeKnown({ name, knownBrowser }: Tried): Promise<number> {
  const key = `${knownBrowser} ${name}`;
  const { count } = await takeTry(KNOWN, key);
  const pauseS = pauseAfter(count);
  return pauseS === 0 ? 0 : (await takeTry(PAUSE, key, pauseS)).waitMs;
}

/**
 * Takes a try before the password is looked at.
 *
 * @returns how long to wait, milliseconds; 0: the password may be weighed
 */
export async function takeSignInTry(tried: Tried): Promise<number> {
  if (tried.knownBrowser !== null) return takeKnown(tried);
  for (const { key, ...limit } of STRANGERS) {
    const { waitMs } = await takeTry(limit, key(tried));
    if (waitMs > 0) return waitMs;
  }
  return 0;
}

/** A try that was right is no guess: it is not counted. */
export async function forgetSignInTry(tried: Tried): Promise<void> {
  if (tried.knownBrowser !== null) {
    await forgetTries(KNOWN, `${tried.knownBrowser} ${tried.name}`);
    return;
  }
  const [pair, ...others] = STRANGERS;
  if (pair !== undefined) await forgetTries(pair, pair.key(tried));
  for (const { key, ...limit } of others) await giveBackTry(limit, key(tried));
}
