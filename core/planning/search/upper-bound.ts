import type { Board } from '../model/board';
import type { Level } from '../placement/packing/levels';
import { rivalsOf } from '../placement/packing/rivals';
import { bandwidthOf, type ChannelShare } from '../rules/bandwidth';
import { type CareLevel, HEADS_UP, moreCare } from '../rules/care';
import type { Structure } from './structure';

/** What a structure gives at best: guessed on the safe side until it is worth asking the places for it. */
export class UpperBound {
  /** the least care there can be, as place in CARES */
  care: CareLevel;
  /** none: not asked yet, or it cannot be placed */
  levels: readonly Level[] = [];
  isAsked = false;
  #share: ChannelShare;
  #capMTs = Number.POSITIVE_INFINITY;

  constructor(
    { care, totalMiB, largestMiB }: Structure,
    { channelCount }: Board,
    private readonly levelsOf: () => readonly Level[],
  ) {
    this.care = care;
    this.#share = { totalMiB, largestMiB: Math.max(totalMiB / channelCount, largestMiB) };
  }

  /** Asks the places, once. */
  ask(): void {
    if (this.isAsked) return;
    this.isAsked = true;
    this.levels = rivalsOf(this.levelsOf());
    const [level, other] = this.levels;
    // Of several levels the best depends on what is bought.
    if (level === undefined || other !== undefined) return;
    this.#share = level.share;
    this.#capMTs = level.capMTs;
    if (!level.even) this.care = moreCare(this.care, HEADS_UP);
  }

  /** The only level there is; null: none, or several. */
  get only(): Level | null {
    return this.levels.length === 1 ? (this.levels[0] ?? null) : null;
  }

  /** The most bandwidth of modules that would run at a rate, MB/s. */
  bandwidthAt(rateMTs: number): number {
    return bandwidthOf(Math.min(rateMTs, this.#capMTs), this.#share);
  }
}
