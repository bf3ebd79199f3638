import type { ScaleLinear } from 'd3-scale';
import { moneyText } from '@/core/pricing/money-text';
import { LABEL_WIDTH } from './rung-row';

interface PriceAxisProps {
  scale: ScaleLinear<number, number>;
  currency: string;
  /** px; null: none in the picture */
  budgetX: number | null;
}

/** The price axis that all rungs share; it begins at zero. */
export function PriceAxis({ scale, currency, budgetX }: PriceAxisProps) {
  const ticks = scale.ticks(7).filter((tick) => tick % 100 === 0);
  return (
    <div className="sticky top-0 z-20 bg-ground border-b-2 border-edge h-10 flex text-xs text-ink-2" aria-hidden="true">
      <div className="shrink-0 self-end pb-1 narrow" style={{ width: LABEL_WIDTH }}>
        total, with fitting
      </div>
      <div className="relative flex-1">
        {ticks.map((tick) => (
          <span
            key={tick}
            className="absolute bottom-1 -translate-x-1/2 whitespace-nowrap"
            style={{ left: scale(tick) }}
          >
            {moneyText(tick, currency).replace(/[.,]00$/, '')}
          </span>
        ))}
        {budgetX !== null && (
          <span
            className="absolute top-0 text-xs leading-4 font-semibold text-act whitespace-nowrap -translate-x-1/2"
            style={{ left: Math.max(budgetX, 24) }}
          >
            budget ▾
          </span>
        )}
      </div>
    </div>
  );
}
