/**
 * Splits an amount into whole shares that add up to it, each in proportion to its weight: every share is rounded down, and
 * what is left goes, a unit each, to the shares that lost most by that; of equal losses to the earlier one (largest remainder).
 *
 * @param amount integer minor units, of any sign
 * @param weights integers of any sign; where they add up to 0, everything falls to the first
 */
export function shares(amount: number, weights: readonly number[]): number[] {
  const sum = BigInt(weights.reduce((total, weight) => total + weight, 0));
  if (sum === 0n) return weights.map((_, index) => (index === 0 ? amount : 0));
  const size = sum < 0n ? -sum : sum;
  const parts = weights.map((weight, index) => {
    const exact = BigInt(amount) * BigInt(weight) * (sum < 0n ? -1n : 1n);
    const rest = ((exact % size) + size) % size;
    return { index, share: Number((exact - rest) / size), rest };
  });
  let left = amount - parts.reduce((total, { share }) => total + share, 0);
  for (const part of [...parts].sort((a, b) => (b.rest > a.rest ? 1 : b.rest < a.rest ? -1 : a.index - b.index))) {
    if (left <= 0) break;
    part.share += 1;
    left -= 1;
  }
  return parts.map(({ share }) => share);
}
