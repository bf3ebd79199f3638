import type { NetworkInterfaceInfo } from 'node:os';
import { networkWords, reachedFromHere } from './network';

const at = (address: string, internal = false): NetworkInterfaceInfo => ({
  address,
  internal,
  family: 'IPv4',
  netmask: '255.255.255.0',
  mac: '00:00:5e:00:53:01',
  cidr: `${address}/24`,
});

test('a start on this machine alone says nothing of a network', () => {
  expect(networkWords({ host: '127.0.0.1', port: 4180, isSecure: false }, { eth0: [at('192.0.2.7')] })).toEqual([]);
});

test('a start for the network names its addresses and what no TLS means', () => {
  const words = networkWords(
    { host: '0.0.0.0', port: 4180, isSecure: false },
    { lo: [at('127.0.0.1', true)], eth0: [at('192.0.2.7')], eth1: [at('198.51.100.3')] },
  );
  expect(words[0]).toContain('http://192.0.2.7:4180 or http://198.51.100.3:4180');
  expect(words[1]).toContain('without TLS');
  expect(words.join()).not.toContain('127.0.0.1');
});

test('behind a proxy with TLS only the addresses are said, and a machine without any says so', () => {
  expect(networkWords({ host: '192.0.2.7', port: 80, isSecure: true }, {})).toEqual([
    'tablets and telephones on this network reach it at http://192.0.2.7:80',
  ]);
  expect(networkWords({ host: '0.0.0.0', port: 80, isSecure: true }, {})).toEqual([
    'this machine has no address on a network yet',
  ]);
});

test.each([
  ['0.0.0.0', 'http://127.0.0.1:4180'],
  ['::', 'http://127.0.0.1:4180'],
  ['192.0.2.7', 'http://192.0.2.7:4180'],
  ['2001:db8::7', 'http://[2001:db8::7]:4180'],
])('a server on %s is reached from here at %s', (host, url) => {
  expect(reachedFromHere(host, 4180)).toBe(url);
});
