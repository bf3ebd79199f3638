import type { Random } from './random';

/** Bytes that readers look for or trip over. */
const SPECIAL = [0x00, 0xff, 0x7f, 0x80, 0x0a, 0x0d, 0x22, 0x2c, 0x3b, 0x3c, 0x5b, 0x7b, 0x7d, 0x3a, 0x20, 0x2d];
/** Pieces of text that belong to one format or another, put where they do not belong. */
const PIECES = [
  '"',
  '[[[[',
  '{"a":',
  '\r\n\r\n',
  'Memory Device\n',
  '_SM3_',
  '_SM_',
  '*\n',
  '</script',
  'x16GB',
  '(2x',
  ';;;;',
  '\\u0000',
  'DDR4-',
  '99999999999999999999',
  '-1',
  '0x',
  '\uD800',
];

const joined = (...parts: Uint8Array[]): Uint8Array => Uint8Array.from(parts.flatMap((part) => Array.from(part)));

type Mutation = (bytes: Uint8Array, random: Random, other: Uint8Array) => Uint8Array;

const at = (bytes: Uint8Array, random: Random): number => random.below(Math.max(1, bytes.length));

const MUTATIONS: readonly Mutation[] = [
  (bytes, random) => {
    const place = at(bytes, random);
    bytes[place] = (bytes[place] ?? 0) ^ (1 << random.below(8));
    return bytes;
  },
  (bytes, random) => {
    bytes[at(bytes, random)] = SPECIAL[random.below(SPECIAL.length)] ?? 0;
    return bytes;
  },
  (bytes, random) => {
    bytes[at(bytes, random)] = random.below(256);
    return bytes;
  },
  (bytes, random) => bytes.slice(0, at(bytes, random)),
  (bytes, random) => bytes.slice(random.below(Math.min(40, bytes.length + 1))),
  (bytes, random) => {
    const from = at(bytes, random);
    return joined(bytes.slice(0, from), bytes.slice(from + random.below(64)));
  },
  (bytes, random) => {
    const from = at(bytes, random);
    const piece = bytes.slice(from, from + random.below(200));
    return joined(
      bytes.slice(0, from),
      ...Array.from({ length: 1 + random.below(20) }, () => piece),
      bytes.slice(from),
    );
  },
  (bytes, random) => {
    const from = at(bytes, random);
    const piece = new TextEncoder().encode(PIECES[random.below(PIECES.length)] ?? '');
    return joined(bytes.slice(0, from), piece, bytes.slice(from));
  },
  (bytes, random, other) => joined(bytes.slice(0, at(bytes, random)), other.slice(at(other, random))),
  (bytes, random) => {
    const from = at(bytes, random);
    bytes.fill(SPECIAL[random.below(SPECIAL.length)] ?? 0, from, from + random.below(100));
    return bytes;
  },
];

/** A good input with one to six things done to it. */
export function mutate(bytes: Uint8Array, random: Random, other: Uint8Array): Uint8Array {
  let mutated: Uint8Array = bytes.slice();
  for (let times = 1 + random.below(6); times > 0; times--) {
    mutated = MUTATIONS[random.below(MUTATIONS.length)]?.(mutated, random, other) ?? mutated;
  }
  return mutated;
}
