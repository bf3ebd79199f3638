import type { IncomingMessage } from 'node:http';
import { isIP, isIPv6 } from 'node:net';
import type { TLSSocket } from 'node:tls';
import proxyAddr from 'proxy-addr';

export interface Client {
  address: string;
  secure: boolean;
  /** what the browser asked for, where a trusted proxy tells it */
  host: string | undefined;
}

export interface ClientTeller {
  (request: IncomingMessage): Client;
  /** Is a connection from here a trusted proxy's, which many clients share? */
  isProxy: (remote: string) => boolean;
}

const FORWARDED = ['x-forwarded-for', 'x-forwarded-proto', 'x-forwarded-host', 'x-forwarded-port', 'forwarded'];

const first = (header: string | string[] | undefined): string | undefined =>
  (Array.isArray(header) ? header[0] : header)?.split(',')[0]?.trim();

/**
 * Tells who a request is from, by trusted proxies only, and takes out what anybody else says of it.
 *
 * @param proxies addresses, networks or `loopback`, as proxy-addr takes them
 * @throws Error where one of them is none
 */
export function clientTeller(proxies: readonly string[]): ClientTeller {
  const trusts = proxyAddr.compile([...proxies]);
  const isProxy = (remote: string): boolean => isIP(remote) !== 0 && trusts(remote, 0);
  const tell = (request: IncomingMessage): Client => {
    const remote = request.socket.remoteAddress ?? '';
    const throughProxy = isProxy(remote);
    const address = throughProxy ? proxyAddr(request, trusts) : remote || 'unknown';
    const proto = throughProxy ? first(request.headers['x-forwarded-proto']) : undefined;
    const host = throughProxy ? first(request.headers['x-forwarded-host']) : undefined;
    const secure = proto === undefined ? (request.socket as TLSSocket).encrypted === true : proto === 'https';
    for (const name of FORWARDED) delete request.headers[name];
    return { address: address.slice(0, 60), secure, host };
  };
  return Object.assign(tell, { isProxy });
}

/** Whom an address counts for: of IPv6 the network of 64 bits that one household or shop gets (RFC 6177). */
export function countedAs(address: string): string {
  if (!isIPv6(address) || address.startsWith('::ffff:')) return address.replace('::ffff:', '');
  const [head = '', tail = ''] = address.split('::');
  const left = head.split(':').filter((part) => part !== '');
  const right = tail.split(':').filter((part) => part !== '');
  const gap = address.includes('::') ? Array<string>(Math.max(0, 8 - left.length - right.length)).fill('0') : [];
  return `${[...left, ...gap, ...right].slice(0, 4).join(':')}::/64`;
}
