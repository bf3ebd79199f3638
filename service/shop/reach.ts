import { networkInterfaces } from 'node:os';
import { environment } from '../../runtime/environment';

const LOOPBACK: ReadonlySet<string> = new Set(['127.0.0.1', '::1', 'localhost']);
const EVERYWHERE: ReadonlySet<string> = new Set(['0.0.0.0', '::']);

/**
 * Where a tablet or a telephone reaches the shop: the address that is set, else the machine's own on its network.
 *
 * @returns null: only this machine reaches it, as it was started
 */
export function deviceAddress(): string | null {
  const { FENBRIK_ADDRESS: set, HOST: host, PORT: port } = environment();
  if (set !== undefined) return set;
  if (LOOPBACK.has(host)) return null;
  if (!EVERYWHERE.has(host)) return `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
  const own = Object.values(networkInterfaces())
    .flatMap((one) => one ?? [])
    .find(({ internal, family }) => !internal && family === 'IPv4');
  return own === undefined ? null : `http://${own.address}:${port}`;
}
