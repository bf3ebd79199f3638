import { type NetworkInterfaceInfo, networkInterfaces } from 'node:os';

/** Hosts that stand for every address of the machine. */
const EVERYWHERE: ReadonlySet<string> = new Set(['0.0.0.0', '::']);
const LOOPBACK: ReadonlySet<string> = new Set(['127.0.0.1', '::1', 'localhost']);

const inUrl = (host: string): string => (host.includes(':') ? `[${host}]` : host);

/** How this machine itself reaches a server that listens there. */
export const reachedFromHere = (host: string, port: number): string =>
  `http://${EVERYWHERE.has(host) ? '127.0.0.1' : inUrl(host)}:${port}`;

type Interfaces = Record<string, NetworkInterfaceInfo[] | undefined>;

/**
 * What a start says of who else reaches it: the addresses for tablets and telephones, and what it means that nobody encrypts.
 *
 * @param isSecure a proxy with TLS stands in front
 */
export function networkWords(
  { host, port, isSecure }: { host: string; port: number; isSecure: boolean },
  interfaces: Interfaces = networkInterfaces(),
): string[] {
  if (LOOPBACK.has(host)) return [];
  const addresses = EVERYWHERE.has(host)
    ? Object.values(interfaces)
        .flatMap((one) => one ?? [])
        .filter(({ internal, family }) => !internal && family === 'IPv4')
        .map(({ address }) => address)
    : [host];
  const reached = addresses.map((address) => `http://${inUrl(address)}:${port}`);
  return [
    reached.length === 0
      ? 'this machine has no address on a network yet'
      : `tablets and telephones on this network reach it at ${reached.join(' or ')}`,
    ...(isSecure
      ? []
      : [
          'without TLS: whoever is on this network can read what is sent, passwords too, and browsers allow neither camera nor clipboard. Use it on a network of your own, or put a proxy with TLS in front (docs/operating.md).',
        ]),
  ];
}
