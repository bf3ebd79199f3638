/** Modules of one size. */
export interface Sized {
  mib: number;
  count: number;
}

/**
 * What the two smallest of at least two modules come to, MiB.
 *
 * @param sizes the largest first, each at least once
 */
export function smallestTwo(sizes: readonly Sized[]): number {
  const last = sizes.at(-1);
  if (last === undefined) return 0;
  return last.mib + (last.count > 1 ? last.mib : (sizes.at(-2)?.mib ?? 0));
}

/**
 * Can modules be put into channels of at most two each so that all of them hold what `allowed` says? Exact for "at most"
 * and "just so much": if any way does, then putting the largest with the smallest does.
 *
 * @param sizes the largest first
 * @param channels that all may hold something
 * @param allowed told what a channel holds, MiB; 0 where it is empty
 */
export function pairUp(sizes: readonly Sized[], channels: number, allowed: (mib: number) => boolean): boolean {
  const modules = sizes.reduce((sum, { count }) => sum + count, 0);
  if (modules > 2 * channels) return false;
  // The smallest are nothing at all, until there are two for each channel.
  const nothing = { mib: 0, count: 2 * channels - modules };
  const left = [...sizes, nothing].map(({ mib, count }) => ({ mib, count }));
  let [high, low] = [0, left.length - 1];
  while (high <= low) {
    const [large, small] = [left[high], left[low]];
    if (large === undefined || small === undefined) break;
    if (large.count === 0) high++;
    else if (small.count === 0) low--;
    else {
      if (!allowed(large.mib + small.mib)) return false;
      const pairs = large === small ? Math.ceil(large.count / 2) : Math.min(large.count, small.count);
      large.count -= pairs;
      small.count -= pairs;
    }
  }
  return true;
}
