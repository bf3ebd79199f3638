import type { Board, Layout } from './board';
import { channelCapacities } from './capacity-of';

/** Bytes a channel carries in one transfer: 64 data lines. */
const BYTES_PER_TRANSFER = 8;

interface Share {
  total: number;
  largest: number;
}

function channelShare(board: Board, layout: Layout): Share {
  const capacities = channelCapacities(board, layout);
  const held = capacities.filter((capacity) => capacity > 0);
  const largest = Math.max(0, ...held);
  const uneven = held.some((capacity) => capacity !== largest);
  if (board.machine.unevenChannels === 'single' && uneven) return { total: largest, largest };
  return { total: held.reduce((sum, capacity) => sum + capacity, 0), largest };
}

/** Channels that work at once: 1 for one channel, 2 for two equal ones, 1.5 for 8 + 16 GB; 0 when empty. */
export function effectiveChannels(board: Board, layout: Layout): number {
  const { total, largest } = channelShare(board, layout);
  return largest === 0 ? 0 : total / largest;
}

/**
 * Peak bandwidth in MB/s, rounded down: rate x 8 bytes x effective channels.
 *
 * @param rateMTs the running rate; 0 for an empty machine
 */
export function bandwidthMBs(board: Board, layout: Layout, rateMTs: number): number {
  const { total, largest } = channelShare(board, layout);
  return largest === 0 ? 0 : Math.floor((rateMTs * BYTES_PER_TRANSFER * total) / largest);
}
