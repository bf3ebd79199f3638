import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import pLimit from 'p-limit';

/** scrypt cost (RFC 7914): 32 MiB and some 60 ms a try on the smallest machine we run on. */
const COST = { N: 2 ** 15, r: 8, p: 1 };
const KEY_BYTES = 32;
const SALT_BYTES = 16;
const MAX_MEMORY = 64 * 1024 * 1024;

/** Hashing takes a core: one at once, so that the others have theirs; and so few waiting that nobody waits for long. */
const AT_ONCE = 1;
const MOST_WAITING = 16;
const queue = pLimit(AT_ONCE);

/** Thrown where so many passwords wait to be weighed that another would only wait in vain. */
export class TooManyPasswords extends Error {}

function derive(password: string, salt: Buffer, cost: typeof COST): Promise<Buffer> {
  if (queue.pendingCount >= MOST_WAITING) return Promise.reject(new TooManyPasswords('too many passwords at once'));
  return queue(() => deriveNow(password, salt, cost));
}

function deriveNow(password: string, salt: Buffer, { N, r, p }: typeof COST): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    scrypt(password.normalize('NFKC'), salt, KEY_BYTES, { N, r, p, maxmem: MAX_MEMORY }, (error, key) =>
      error ? reject(error) : resolve(key),
    );
  });
}

/** `scrypt$N$r$p$salt$key`, salt and key in base64. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(SALT_BYTES);
  const key = await derive(password, salt, COST);
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64'), key.toString('base64')].join('$');
}

/** Is this the password of the hash? Takes the same time whichever it is; false for a hash it cannot read. */
export async function passwordMatches(password: string, hash: string): Promise<boolean> {
  const [scheme, n, r, p, salt, key] = hash.split('$');
  if (scheme !== 'scrypt' || !salt || !key) return false;
  const known = Buffer.from(key, 'base64');
  const tried = await derive(password, Buffer.from(salt, 'base64'), { N: Number(n), r: Number(r), p: Number(p) });
  return known.length === tried.length && timingSafeEqual(known, tried);
}
