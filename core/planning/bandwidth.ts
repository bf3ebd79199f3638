import type { Board, Layout } from './board';
import { channelCapacities } from './capacity-of';

/** Bytes a channel carries in one transfer: 64 data lines. */
const BYTES_PER_TRANSFER = 8;

/** What counts of the channels: all that works at once, over the largest channel; MiB. */
export interface ChannelShare {
  totalMiB: number;
  largestMiB: number;
}

function channelShare(board: Board, layout: Layout): ChannelShare {
  const capacities = channelCapacities(board, layout);
  const held = capacities.filter((capacity) => capacity > 0);
  const largestMiB = Math.max(0, ...held);
  const uneven = held.some((capacity) => capacity !== largestMiB);
  if (board.machine.unevenChannels === 'single' && uneven) return { totalMiB: largestMiB, largestMiB };
  return { totalMiB: held.reduce((sum, capacity) => sum + capacity, 0), largestMiB };
}

/** Channels that work at once: 1 for one channel, 2 for two equal ones, 1.5 for 8 + 16 GB; 0 when empty. */
export function effectiveChannels(board: Board, layout: Layout): number {
  const { totalMiB, largestMiB } = channelShare(board, layout);
  return largestMiB === 0 ? 0 : totalMiB / largestMiB;
}

/**
 * Peak bandwidth in MB/s, rounded down: rate x 8 bytes x effective channels; 0 when empty.
 *
 * @param rateMTs the running rate
 */
export function bandwidthOf(rateMTs: number, { totalMiB, largestMiB }: ChannelShare): number {
  return largestMiB === 0 ? 0 : Math.floor((rateMTs * BYTES_PER_TRANSFER * totalMiB) / largestMiB);
}

/** How much the largest channel may hold for a bandwidth, which is rounded down; MiB. */
export function largestChannelMiB(rateMTs: number, totalMiB: number, bandwidth: number): number {
  return bandwidth === 0 ? Number.POSITIVE_INFINITY : Math.floor((rateMTs * BYTES_PER_TRANSFER * totalMiB) / bandwidth);
}

/**
 * Peak bandwidth of a layout in MB/s, see {@link bandwidthOf}.
 *
 * @param rateMTs the running rate; 0 for an empty machine
 */
export function bandwidthMBs(board: Board, layout: Layout, rateMTs: number): number {
  return bandwidthOf(rateMTs, channelShare(board, layout));
}
