/**
 * `amount x numerator / denominator` rounded to a whole number, halves to the even neighbour, computed exactly.
 *
 * @throws RangeError where the denominator is 0 or a figure is no integer
 */
export function roundHalfEven(amount: number, numerator: number, denominator: number): number {
  const product = BigInt(amount) * BigInt(numerator);
  const divisor = BigInt(denominator);
  const quotient = product / divisor;
  const rest = product - quotient * divisor;
  const twice = rest < 0n ? -rest * 2n : rest * 2n;
  const size = divisor < 0n ? -divisor : divisor;
  const away = product < 0n === divisor < 0n ? 1n : -1n;
  const up = twice > size || (twice === size && quotient % 2n !== 0n);
  return Number(up ? quotient + away : quotient);
}
