import type { Piece } from './board';

/**
 * A key that two modules share when no rule of places can tell them apart. Maker, part, height and chip facts are
 * looked at by no such rule.
 */
export function physicalKey({ module, speed }: Pick<Piece, 'module' | 'speed'>): string {
  const { generation, form, buffering, ecc, capacityMiB, ranks, voltagesMv } = module;
  return JSON.stringify([
    generation,
    form,
    buffering,
    ecc,
    capacityMiB,
    ranks ?? null,
    voltagesMv,
    speed.rateMTs,
    speed.casLatency,
  ]);
}
