import type { ScaleLinear } from 'd3-scale';
import { capacityText } from '@/core/memory/capacity';
import type { PlanCase } from '@/core/planning/case';
import { planKey, type Rung } from '@/core/planning/ladder';
import type { Plan } from '@/core/planning/plan';
import { boughtText, fateText, freeText, runText } from '@/core/planning/plan-words';
import { moneyText } from '@/core/pricing/money-text';
import { dodge } from './dodge';
import { PlanMark } from './plan-mark';

export const LABEL_WIDTH = 92;
const MARK_APART = 27;
const MARK_ROW = 27;
const SPAN_HEIGHT = 17;

interface RungRowProps {
  rung: Rung;
  planCase: PlanCase;
  scale: ScaleLinear<number, number>;
  currency: string;
  todayMiB: number;
  needMiB: number | null;
  /** where the budget ends on the axis, px; null: no budget, or beyond the picture */
  budgetX: number | null;
  looked: string | null;
  focusKey: string | null;
  places: ReadonlyMap<string, number>;
  onLook: (plan: Plan) => void;
  markRef: (key: string) => (element: HTMLButtonElement | null) => void;
}

/** The span from the original's price to the best third-party one, with what it saves. */
function SavingSpan({ rung, scale, currency }: Pick<RungRowProps, 'rung' | 'scale' | 'currency'>) {
  if (rung.saving === null) return null;
  const { fromCents, toCents, cents, percent } = rung.saving;
  const left = scale(toCents);
  const right = scale(fromCents);
  const text = `saves ${moneyText(cents, currency)} · ${percent} %`;
  return (
    <div className="absolute top-0 text-good" style={{ left, width: Math.max(right - left, 1), height: SPAN_HEIGHT }}>
      <svg width="100%" height="9" className="absolute bottom-0 overflow-visible" aria-hidden="true">
        <path d={`M0 9V4H${right - left}V9`} fill="none" stroke="currentColor" strokeWidth="1.6" />
      </svg>
      <span className="absolute bottom-[6px] left-1 text-xs leading-3 font-semibold whitespace-nowrap bg-ground px-1">
        {text}
      </span>
    </div>
  );
}

/** One rung: its total, all plans that end there on the shared price axis, and the best of them in words. */
export function RungRow(props: RungRowProps) {
  const { rung, planCase, scale, currency, todayMiB, needMiB, budgetX, looked, focusKey, places, onLook, markRef } =
    props;
  const xs = rung.plans.map((plan) => scale(plan.priceCents));
  const rows = dodge(xs, MARK_APART);
  const spanHeight = rung.saving === null ? 4 : SPAN_HEIGHT + 2;
  const height = spanHeight + (Math.max(...rows) + 1) * MARK_ROW;
  const below = needMiB !== null && rung.totalMiB < needMiB;
  const { best } = rung;
  const added = rung.totalMiB - todayMiB;
  return (
    <li data-rung={rung.totalMiB} className={`border-b border-line pt-1 pb-1`}>
      <div className="flex">
        <div className="shrink-0 pt-1" style={{ width: LABEL_WIDTH }}>
          <span className={`block text-lg wide leading-6 ${below ? 'font-medium text-ink-2' : 'font-bold'}`}>
            {capacityText(rung.totalMiB)}
          </span>
          <span className="block text-xs text-ink-2 narrow">
            {below ? 'below the need' : added === 0 ? 'as today' : `+${capacityText(added)}`}
          </span>
        </div>
        <div className="relative flex-1 min-w-0" style={{ height }}>
          {budgetX !== null && (
            <div
              aria-hidden="true"
              className="absolute -inset-y-1 right-0 border-l-2 border-act bg-sunk/60"
              style={{ left: budgetX }}
            />
          )}
          <SavingSpan rung={rung} scale={scale} currency={currency} />
          {rung.plans.map((plan, index) => {
            const key = planKey(plan);
            return (
              <PlanMark
                key={key}
                plan={plan}
                currency={currency}
                x={xs[index] ?? 0}
                y={spanHeight + (rows[index] ?? 0) * MARK_ROW + MARK_ROW / 2}
                looked={looked === key}
                place={places.get(key) ?? null}
                reachable={focusKey === key}
                onLook={() => onLook(plan)}
                markRef={markRef(key)}
              />
            );
          })}
        </div>
      </div>
      <p className="text-sm leading-5 narrow" style={{ paddingLeft: LABEL_WIDTH }}>
        <button
          type="button"
          tabIndex={-1}
          onClick={() => onLook(best)}
          className="text-left cursor-pointer hover:underline underline-offset-2"
        >
          <strong>{moneyText(best.priceCents, currency)}</strong> {boughtText(planCase, best)}{' '}
          <span className="text-ink-2">
            · {moneyText(best.perGiBCents, currency)}/GB · {runText(best)} · {freeText(best)} ·{' '}
            {fateText(planCase, best)}
            {best.care !== 'clear' && ` · ${best.care}`}
          </span>
        </button>
      </p>
    </li>
  );
}
