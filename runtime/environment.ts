import { z } from 'zod';

const addresses = z
  .string()
  .transform((text) => text.split(/[\s,]+/).filter((one) => one !== ''))
  .default([]);

const origin = z
  .url({ protocol: /^https?$/, error: 'FENBRIK_ADDRESS is an address such as https://shop.example' })
  .transform((text) => new URL(text).origin);

const schema = z.object({
  /** where customers reach the shop, such as `https://shop.example`; undefined: an owner confirms it under Settings */
  FENBRIK_ADDRESS: origin.optional(),
  /** addresses, networks (`10.0.0.0/8`) or `loopback` of the proxies whose `X-Forwarded-*` headers are believed */
  FENBRIK_PROXIES: addresses,
  /** where the server listens: this machine alone, or `0.0.0.0` for the whole network (`::` for IPv6 too) */
  HOST: z
    .string()
    .regex(/^[A-Za-z0-9.:_-]{1,253}$/, 'HOST is an address such as 0.0.0.0')
    .default('127.0.0.1'),
  /** on which port it does */
  PORT: z.coerce.number().int().min(1).max(65_535).optional(),
  /** a folder that price lists are laid into, one folder a seller */
  FENBRIK_LISTS: z.string().optional(),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent']).default('info'),
});

export type Environment = z.infer<typeof schema>;

/**
 * The settings of the process that come from outside.
 *
 * @throws Error with one sentence that names the setting which is wrong
 */
export function readEnvironment(from: Record<string, string | undefined>): Environment {
  // An empty setting is one that is not set.
  const set = Object.fromEntries(Object.entries(from).filter(([, value]) => value !== ''));
  const read = schema.safeParse(set);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new Error(`${String(issue?.path[0])} is wrong: ${issue?.message}`);
}

let known: Environment | undefined;

/** The settings of this process, read once. */
export function environment(): Environment {
  known ??= readEnvironment(process.env);
  return known;
}
