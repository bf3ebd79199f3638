import type { Board, Piece } from './board';
import type { PlanCase } from './case';
import { countedSpeed } from './counted-speed';
import type { Purchase } from './purchase';

/** Kept modules first, then the bought ones by offer: the order that the rules of placement speak of. */
export function piecesFor(
  planCase: PlanCase,
  board: Board,
  kept: readonly number[],
  bought: readonly Purchase[],
): Piece[] {
  const stay = board.installed.filter((_, index) => kept.includes(index));
  const come = bought.flatMap(({ offer, count }) => {
    const pack = planCase.offers[offer];
    if (pack === undefined) return [];
    const speed = countedSpeed(pack.module, planCase.machine.profiles === true);
    const piece: Piece = { module: pack.module, speed, source: { from: 'offer', index: offer } };
    return new Array<Piece>(count * pack.modules).fill(piece);
  });
  return [...stay, ...come];
}
