import type { Board, Layout } from './board';

/** Total capacity of a layout in MiB. */
export function totalMiB(layout: Layout): number {
  return layout.reduce((sum, piece) => sum + (piece?.module.capacityMiB ?? 0), 0);
}

/** Capacity of each channel in MiB, in the order of channels; an empty one counts 0. */
export function channelCapacities(board: Board, layout: Layout): number[] {
  const capacities = new Array<number>(board.channelCount).fill(0);
  layout.forEach((piece, slot) => {
    const channel = board.channelOf[slot] ?? 0;
    capacities[channel] = (capacities[channel] ?? 0) + (piece?.module.capacityMiB ?? 0);
  });
  return capacities;
}
