import { scaleLinear, scalePoint } from 'd3-scale';
import { line } from 'd3-shape';
import type { MonthPrice } from '@/service/market/view';

/** One size over the months: what it cost at first and now. */
export interface SizePrices {
  capacityMiB: number;
  now: MonthPrice;
  /** null: there is one month only */
  first: MonthPrice | null;
  months: MonthPrice[];
}

/** Prices by size of module, the smallest first. */
export function sizePrices(prices: readonly MonthPrice[]): SizePrices[] {
  const sizes = [...new Set(prices.map(({ capacityMiB }) => capacityMiB))].sort((a, b) => a - b);
  return sizes.flatMap((capacityMiB) => {
    const months = prices.filter((one) => one.capacityMiB === capacityMiB);
    const now = months.at(-1);
    if (now === undefined) return [];
    return [{ capacityMiB, now, first: months.length > 1 ? (months[0] ?? null) : null, months }];
  });
}

/** One size's line over the months, with where its name stands. */
export interface SizeLine extends SizePrices {
  path: string;
  dots: { x: number; y: number }[];
  labelY: number;
}

export interface Frame {
  width: number;
  height: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Names closer than this would cover each other, pixels. */
const LABEL_PX = 17;

/** Moves names apart, each as little as can be, within the frame; in the order of their lines. */
export function apart(wanted: readonly number[], top: number, bottom: number): number[] {
  const order = wanted.map((y, index) => ({ y, index })).sort((a, b) => a.y - b.y || a.index - b.index);
  const placed: number[] = [];
  for (const { y } of order) placed.push(Math.max(y, (placed.at(-1) ?? top - LABEL_PX) + LABEL_PX));
  const over = Math.max(0, (placed.at(-1) ?? 0) - bottom);
  let limit = Number.POSITIVE_INFINITY;
  for (let at = placed.length - 1; at >= 0 && over > 0; at--) {
    placed[at] = Math.min(placed[at] ?? 0, at === placed.length - 1 ? bottom : limit - LABEL_PX);
    limit = placed[at] ?? 0;
  }
  const result = [...wanted];
  for (const [at, { index }] of order.entries()) result[index] = placed[at] ?? 0;
  return result;
}

/** Lines of every size on one scale from nought, months left to right. */
export function sizeLines(prices: readonly MonthPrice[], frame: Frame) {
  const months = [...new Set(prices.map(({ month }) => month))].sort();
  const x = scalePoint<string>(months, [frame.left, frame.width - frame.right]);
  const most = Math.max(1, ...prices.map(({ middle }) => middle));
  const y = scaleLinear([0, most], [frame.height - frame.bottom, frame.top]).nice(5);
  const at = ({ month, middle }: MonthPrice) => ({ x: x(month) ?? 0, y: y(middle) });
  const drawn = sizePrices(prices).map((size) => {
    const path = line<MonthPrice>()
      .x((one) => at(one).x)
      .y((one) => at(one).y)(size.months);
    return { ...size, path: path ?? '', dots: size.months.map(at) };
  });
  const labels = apart(
    drawn.map(({ now }) => y(now.middle)),
    frame.top,
    frame.height - frame.bottom,
  );
  return {
    months: months.map((month) => ({ month, x: x(month) ?? 0 })),
    ticks: y.ticks(5).map((value) => ({ value, y: y(value) })),
    lines: drawn.map((one, index): SizeLine => ({ ...one, labelY: labels[index] ?? 0 })),
  };
}
