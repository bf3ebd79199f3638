import type { Level } from './levels';

/**
 * The levels that can be the best for some choice of modules. A lower cap is worth a look where it brings more channels to
 * work, or lets modules of several rates run as one.
 */
export function rivalsOf(levels: readonly Level[]): readonly Level[] {
  const channels = ({ share }: Level) => share.totalMiB / share.largestMiB;
  return levels.filter((level, at) => {
    // Two load rules may come to one rate of the board.
    if (level.even) return levels.slice(0, at).every((higher) => !higher.even || higher.capMTs > level.capMTs);
    return levels.slice(0, at).every((higher) => channels(higher) < channels(level));
  });
}
