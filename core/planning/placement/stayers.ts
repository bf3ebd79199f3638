import type { Board } from '../model/board';
import type { SetFacts } from '../rules/care';
import type { Bought } from './bought';
import type { Make } from './makes';
import type { Guest } from './packing/seats';
import type { Shapes } from './packing/shape';

/** What is kept, as far as placing it beside others goes: worked out once for all sets that keep it. */
export interface Stayers {
  /** each told once, soldered ones too */
  makes: readonly Make[];
  /** modules by number of shape, soldered ones left out */
  counts: readonly number[];
  mostRanks: number;
  facts: Readonly<SetFacts>;
  guests: readonly Guest[];
  key: string;
}

/** What a set is like that has all of these. */
export function factsWith(there: Readonly<SetFacts>, bought: readonly Bought[]): SetFacts {
  let { totalMiB, ecc, nonEcc, largestBoughtMiB } = there;
  for (const { make, modules } of bought) {
    const { body } = make;
    totalMiB += modules * body.capacityMiB;
    if (body.ecc) ecc = true;
    else nonEcc = true;
    largestBoughtMiB = Math.max(largestBoughtMiB, body.capacityMiB);
  }
  return { totalMiB, ecc, nonEcc, largestBoughtMiB };
}

/**
 * @param kept places in `installed`, ascending
 * @param makes of what is soldered and of what is kept, in this order
 */
export function makeStayers(board: Board, shapes: Shapes, kept: readonly number[], makes: readonly Make[]): Stayers {
  const soldered = makes.length - kept.length;
  const guests = kept.map((index, nr): Guest => {
    return { shape: makes[soldered + nr]?.body.shape ?? -1, home: board.home[index] ?? -1, token: index };
  });
  return {
    makes: [...new Set(makes)],
    counts: shapes.list.map((_, nr) => guests.filter(({ shape }) => shape === nr).length),
    mostRanks: Math.max(0, ...makes.map(({ body }) => body.ranks)),
    facts: {
      totalMiB: makes.reduce((sum, { body }) => sum + body.capacityMiB, 0),
      ecc: makes.some(({ body }) => body.ecc),
      nonEcc: makes.some(({ body }) => !body.ecc),
      largestBoughtMiB: 0,
    },
    guests,
    key: kept.join(' '),
  };
}
