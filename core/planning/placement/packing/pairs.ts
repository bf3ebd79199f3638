/** Modules of one size. */
export interface Sized {
  mib: number;
  count: number;
}

/**
 * Can modules be put into channels of at most two each so that all of them hold just so much? If any way does, then
 * putting the largest with the smallest does.
 *
 * @param sizes the largest first
 * @param channels that all may hold something
 * @param mib what each is to hold
 */
export function pairUp(sizes: readonly Sized[], channels: number, mib: number): boolean {
  const modules = sizes.reduce((sum, { count }) => sum + count, 0);
  if (modules > 2 * channels) return false;
  // The smallest are nothing at all, until there are two for each channel.
  const nothing = { mib: 0, count: 2 * channels - modules };
  const left = [...sizes, nothing].map((one) => ({ ...one }));
  let [high, low] = [0, left.length - 1];
  while (high <= low) {
    const [large, small] = [left[high], left[low]];
    if (large === undefined || small === undefined) break;
    if (large.count === 0) high++;
    else if (small.count === 0) low--;
    else {
      if (large.mib + small.mib !== mib) return false;
      const pairs = large === small ? Math.ceil(large.count / 2) : Math.min(large.count, small.count);
      large.count -= pairs;
      small.count -= pairs;
    }
  }
  return true;
}
