import type { Board } from '../model/board';
import { channelCapacities } from './capacity-of';

/** Bytes a channel carries in one transfer: 64 data lines. */
const BYTES_PER_TRANSFER = 8;

/** What counts of the channels: all that works at once, over the largest channel; MiB. */
export interface ChannelShare {
  totalMiB: number;
  largestMiB: number;
}

function channelShare(board: Board, slots: readonly number[]): ChannelShare {
  const held = channelCapacities(board, slots).filter((capacity) => capacity > 0);
  const largestMiB = Math.max(0, ...held);
  const uneven = held.some((capacity) => capacity !== largestMiB);
  if (board.machine.unevenChannels === 'single' && uneven) return { totalMiB: largestMiB, largestMiB };
  return { totalMiB: held.reduce((sum, capacity) => sum + capacity, 0), largestMiB };
}

/**
 * Channels that work at once: 1 for one channel, 2 for two equal ones, 1.5 for 8 + 16 GB; 0 when empty.
 *
 * @param slots what each slot holds, MiB
 */
export function effectiveChannels(board: Board, slots: readonly number[]): number {
  const { totalMiB, largestMiB } = channelShare(board, slots);
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

/** The rate at which all of so many channels together give a bandwidth, or a little less; MT/s. */
export function fullRateMTs(bandwidth: number, channels: number): number {
  return bandwidth / (BYTES_PER_TRANSFER * channels);
}

/** How much the largest channel may hold for a bandwidth, which is rounded down; MiB. */
export function largestChannelMiB(rateMTs: number, totalMiB: number, bandwidth: number): number {
  return bandwidth === 0 ? Number.POSITIVE_INFINITY : Math.floor((rateMTs * BYTES_PER_TRANSFER * totalMiB) / bandwidth);
}

/**
 * Peak bandwidth of filled slots in MB/s, see {@link bandwidthOf}.
 *
 * @param slots what each slot holds, MiB
 * @param rateMTs the running rate; 0 for an empty machine
 */
export function bandwidthMBs(board: Board, slots: readonly number[], rateMTs: number): number {
  return bandwidthOf(rateMTs, channelShare(board, slots));
}
