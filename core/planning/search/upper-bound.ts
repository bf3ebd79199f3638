import type { Level } from '../placement/packing/levels';
import { rivalsOf } from '../placement/packing/rivals';
import { bandwidthOf, type ChannelShare, fullRateMTs } from '../rules/bandwidth';
import { type CareLevel, HEADS_UP, moreCare } from '../rules/care';
import type { PriceFloor } from './price-floor';
import type { Structure } from './structure';

/** What a structure gives at best: guessed on the safe side until it is worth asking the places for it. */
export class UpperBound {
  /** the least care there can be, as place in CARES */
  care: CareLevel;
  /** none: not asked yet, or it cannot be placed */
  levels: readonly Level[] = [];
  isAsked = false;
  #share: ChannelShare;
  /** where floors tell the least price of what is as good; null: not known yet */
  #place: number | null = null;
  #capMTs = Number.POSITIVE_INFINITY;

  /** @param bestMTs board rate that the fastest modules on offer would run at beside what is kept */
  constructor(
    private readonly structure: Structure,
    private readonly channelCount: number,
    private readonly bestMTs: number,
    private readonly levelsOf: () => readonly Level[],
  ) {
    const { care, totalMiB, largestMiB } = structure;
    this.care = care;
    this.#share = { totalMiB, largestMiB: Math.max(totalMiB / channelCount, largestMiB) };
  }

  /** Is there something at least so good for less, at the most that this can give? */
  isDear(floor: PriceFloor, cents: number): boolean {
    this.#place ??= this.#placeIn(floor);
    return floor.leastAt(this.#place) < cents;
  }

  #placeIn(floor: PriceFloor): number {
    const { openSlots, totalMiB } = this.structure;
    const full = fullRateMTs(this.bandwidthAt(this.bestMTs), this.channelCount);
    return floor.placeOf(this.care, full, openSlots, totalMiB);
  }

  /** Asks the places, once. */
  ask(): void {
    if (this.isAsked) return;
    this.isAsked = true;
    this.#place = null;
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
