/** Compares two lists of numbers place by place, the shorter first where one begins the other; below 0: a first. */
export function compareLists(a: readonly number[], b: readonly number[]): number {
  const shorter = Math.min(a.length, b.length);
  for (let at = 0; at < shorter; at++) {
    const by = (a[at] as number) - (b[at] as number);
    if (by !== 0) return by;
  }
  return a.length - b.length;
}
