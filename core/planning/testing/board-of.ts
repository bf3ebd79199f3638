import { type Board, makeBoard } from '../model/board';
import type { Machine } from '../model/case';

/** An empty board of so many channels with so many slots each, channel by channel. */
export function boardOf(channels: number, banks: number, more: Partial<Machine> = {}): Board {
  const slots = Array.from({ length: channels * banks }, (_, nr) => ({
    id: `S${nr}`,
    channel: `${Math.floor(nr / banks)}`,
    bank: nr % banks,
  }));
  const machine: Machine = {
    generations: ['DDR4'],
    form: 'DIMM',
    kinds: [{ buffering: 'unbuffered', ecc: false }],
    voltagesMv: [1200],
    slots,
    pairing: 'none',
    ratesMTs: [],
    ...more,
  };
  return makeBoard({ machine, installed: [] });
}
