/** A seeded source of numbers (mulberry32): the same seed gives the same run. */
export interface Random {
  /** a whole number from 0 to before `below` */
  below: (below: number) => number;
}

export function makeRandom(seed: number): Random {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  return { below: (below) => Math.floor(next() * below) };
}
