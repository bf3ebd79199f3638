/** Compares two lists of numbers place by place, the shorter first where one begins the other; below 0: a first. */
export function compareLists(a: readonly number[], b: readonly number[]): number {
  const place = a.findIndex((value, index) => value !== b[index]);
  if (place < 0) return a.length - b.length;
  return (a[place] ?? 0) - (b[place] ?? Number.NEGATIVE_INFINITY);
}
