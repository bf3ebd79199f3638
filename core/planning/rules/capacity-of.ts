import type { Board, Layout } from '../model/board';

/** Capacity of what sits in each slot in MiB, by the case's order of slots; 0: empty. */
export function slotCapacities(layout: Layout): number[] {
  return layout.map((piece) => piece?.module.capacityMiB ?? 0);
}

/** Total capacity of slots in MiB. */
export function totalMiB(slots: readonly number[]): number {
  return slots.reduce((sum, mib) => sum + mib, 0);
}

/** Capacity of each channel in MiB, in the order of channels; an empty one counts 0. */
export function channelCapacities(board: Pick<Board, 'slotsOf'>, slots: readonly number[]): number[] {
  return board.slotsOf.map((own) => own.reduce((sum, slot) => sum + (slots[slot] ?? 0), 0));
}
