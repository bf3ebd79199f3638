import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

interface PriceLineProps {
  history: readonly number[];
}

const WIDTH = 96;
const HEIGHT = 22;

/** How an offer's cost went, oldest left; its own range fills the height. */
export function PriceLine({ history }: PriceLineProps) {
  const [low = 0, high = 0] = extent(history);
  const x = scaleLinear([0, Math.max(history.length - 1, 1)], [2, WIDTH - 4]);
  const y = scaleLinear([low, Math.max(high, low + 1)], [HEIGHT - 3, 3]);
  const path = line<number>()
    .x((_, index) => x(index))
    .y((cents) => y(cents))(history);
  const last = history.at(-1);
  return (
    <svg width={WIDTH} height={HEIGHT} aria-hidden="true">
      <path d={path ?? ''} fill="none" className="stroke-edge" strokeWidth="1.6" />
      {last !== undefined && <circle cx={x(history.length - 1)} cy={y(last)} r="2.6" className="fill-act" />}
    </svg>
  );
}
