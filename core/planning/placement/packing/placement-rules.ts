import type { Board } from '../../model/board';
import { CLOSED, MUST, OPEN, type PartialPlacement } from './partial-placement';
import type { Shape } from './shape';

/** Modules that have their places. */
export function standingIn({ slots }: PartialPlacement): number {
  let count = 0;
  for (const mark of slots) if (mark >= 0) count++;
  return count;
}

/** Of one size all banks match. */
export function isOneSize(shapes: readonly Shape[], { slots, left }: PartialPlacement): boolean {
  let size = 0;
  const isOther = (shape: number): boolean => {
    const own = shapes[shape]?.capacityMiB ?? 0;
    if (size === 0) size = own;
    return own !== size;
  };
  for (const mark of slots) if (mark >= 0 && isOther(mark)) return false;
  for (let shape = 0; shape < left.length; shape++) if ((left[shape] ?? 0) > 0 && isOther(shape)) return false;
  return true;
}

/** The placement with what a required fill order says of its sockets; null where that cannot be kept. */
export function filledInOrder(board: Board, stand: PartialPlacement): PartialPlacement | null {
  if (board.machine.fillRule !== 'required') return stand;
  const slots = [...stand.slots];
  const standing = board.sockets.filter((slot) => (slots[slot] ?? OPEN) >= 0).length;
  const modules = stand.left.reduce((sum, count) => sum + count, standing);
  for (const slot of board.sockets) {
    const isFilled = (board.fillPosition[slot] ?? 0) < modules;
    const mark = slots[slot] ?? OPEN;
    if (isFilled ? mark === CLOSED : mark >= 0 || mark === MUST) return null;
    if (mark < 0) slots[slot] = isFilled ? MUST : CLOSED;
  }
  return { ...stand, slots };
}
