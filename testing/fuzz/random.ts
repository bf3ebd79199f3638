import { seeded } from '../../demo/random';

/** A seeded source of whole numbers: the same seed gives the same run. */
export interface Random {
  /** a whole number from 0 to before `below` */
  below: (below: number) => number;
}

export function makeRandom(seed: number): Random {
  const next = seeded(seed);
  return { below: (below) => Math.floor(next() * below) };
}
