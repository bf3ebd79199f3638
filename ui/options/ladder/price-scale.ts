import { max, median, min } from 'd3-array';
import { type ScaleContinuousNumeric, scaleLinear, scaleSqrt } from 'd3-scale';

export interface PriceScale {
  /** from minor units to px */
  at: ScaleContinuousNumeric<number, number>;
  /** `root`: square root, where the dearest would press all others to the left */
  kind: 'linear' | 'root';
  /** prices that are written on the axis, minor units */
  ticks: number[];
}

/** From so many times the middle price on, the dearest presses the others together. */
const SPREAD = 8;
/** From so many times the cheapest on, the cheap ones cannot be told apart. */
const REACH = 40;
/** Room that one price on the axis wants, px. */
const TICK_APART = 64;

/**
 * The one axis of all prices; it shows zero. Money in minor units.
 *
 * @param width px
 */
export function priceScale(prices: readonly number[], width: number): PriceScale {
  const dearest = Math.max(max(prices) ?? 0, 100);
  const isPressed = dearest > SPREAD * Math.max(median(prices) ?? dearest, 1);
  const kind = isPressed || dearest > REACH * Math.max(min(prices) ?? dearest, 1) ? 'root' : 'linear';
  const scale = kind === 'root' ? scaleSqrt() : scaleLinear();
  const at = scale
    .domain([Math.min(0, min(prices) ?? 0), dearest])
    .nice(6)
    .range([0, Math.max(width, 120)]);
  // Between roots far more are asked for than there is room: those with room are taken.
  const whole = at.ticks(kind === 'root' ? 40 : 7).filter((tick) => tick % 100 === 0);
  const ticks: number[] = [];
  for (const tick of whole) {
    const last = ticks.at(-1);
    if (last === undefined || at(tick) - at(last) >= TICK_APART) ticks.push(tick);
  }
  return { at, kind, ticks };
}

/** An axis stays as it is as long as its dearest price is so much of it: what stays on the ladder stands where it stood. */
const STEADY_FROM = 0.6;

/** The axis of before, where it serves as well; else the new one. */
export function steadied(before: PriceScale | null, next: PriceScale): PriceScale {
  if (before === null || before.kind !== next.kind) return next;
  const [[least = 0, most = 0], [nextLeast = 0, nextMost = 0]] = [before.at.domain(), next.at.domain()];
  const isSameWidth = before.at.range().join() === next.at.range().join();
  return isSameWidth && least === nextLeast && nextMost <= most && nextMost >= STEADY_FROM * most ? before : next;
}

/** The price under a place on the axis, in whole steps of the currency; minor units. */
export function priceAt({ at }: PriceScale, x: number, step = 100): number {
  return Math.max(step, Math.round(at.invert(x) / step) * step);
}
