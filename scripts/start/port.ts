import { createServer } from 'node:net';

/** Can this port be listened on? */
export function lookAtPort(port: number, host = '127.0.0.1'): Promise<'free' | 'taken' | 'barred' | 'no-host'> {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', ({ code }: NodeJS.ErrnoException) =>
      resolve(code === 'EACCES' ? 'barred' : code === 'EADDRINUSE' ? 'taken' : 'no-host'),
    );
    server.listen(port, host, () => server.close(() => resolve('free')));
  });
}

/** Is it one of the ports that browsers never speak HTTP to (WHATWG Fetch, "bad port")? Node's fetch refuses them too. */
async function isRefusedByBrowsers(port: number): Promise<boolean> {
  const cause = await fetch(`http://127.0.0.1:${port}/`, { signal: AbortSignal.timeout(2_000) }).then(
    () => null,
    (error: Error) => error.cause ?? null,
  );
  return (cause as { message?: unknown } | null)?.message === 'bad port';
}

/**
 * The port that was asked for.
 *
 * @param asked the setting `PORT`; undefined or empty: none was asked for
 * @returns null where none was
 * @throws Error with one sentence where it cannot be had: anyone who asked for a port wants that one
 */
export async function askedPort(asked: string | undefined, host = '127.0.0.1'): Promise<number | null> {
  if (asked === undefined || asked === '') return null;
  const port = Number(asked);
  if (!/^\d{1,5}$/.test(asked) || port < 1 || port > 65_535)
    throw new Error(`PORT is "${asked}": a port is a number from 1 to 65535.`);
  const found = await lookAtPort(port, host);
  if (found === 'taken') throw new Error(`Port ${port} is taken by another program: end that, or set another PORT.`);
  if (found === 'no-host') throw new Error(`HOST is "${host}": this machine has no such address.`);
  if (found === 'barred') throw new Error(`Port ${port} may not be used by this user: set a PORT of 1024 or more.`);
  if (await isRefusedByBrowsers(port)) throw new Error(`Browsers refuse port ${port}: set another PORT, such as 4180.`);
  return port;
}
