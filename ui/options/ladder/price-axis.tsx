'use client';
import type { KeyboardEvent, PointerEvent, RefObject } from 'react';
import { useTranslations } from '#translations';
import { currencyDecimals } from '@/core/pricing/currency';
import { useJob } from '../../job/job-context';
import { moneyText, shortMoneyText } from '../../words/amounts';
import { type PriceScale, priceAt } from './price-scale';
import { LABEL_WIDTH } from './rung-row';

interface PriceAxisProps {
  scale: PriceScale;
  currency: string;
  budgetCents: number | null;
  /** `live` while it is dragged */
  onBudget: (cents: number | null, live: boolean) => void;
  /** the part of the page that the axis begins at */
  box: RefObject<HTMLElement | null>;
}

/** How far a key moves the budget, minor units. */
const STEP = 100;
const LEAP = 1_000;

/** The mark that the budget is dragged by; where there is no budget it waits at the end of the axis. */
function BudgetGrip({ scale, currency, budgetCents, onBudget, box }: PriceAxisProps) {
  const t = useTranslations('options');
  const unit = 10 ** currencyDecimals(currency);
  const [least = 0, most = 0] = scale.at.domain();
  const [, end = 0] = scale.at.range();
  const x = budgetCents === null ? end : Math.min(scale.at(budgetCents), end);
  const move = (event: PointerEvent<HTMLElement>, live: boolean) => {
    const left = (box.current?.getBoundingClientRect().left ?? 0) + LABEL_WIDTH;
    const at = event.clientX - left;
    onBudget(at > end + 8 ? null : priceAt(scale, at), live);
  };
  const key = (event: KeyboardEvent) => {
    const now = budgetCents ?? most;
    const by = event.shiftKey ? LEAP : STEP;
    if (event.key === 'ArrowLeft' || event.key === 'ArrowDown') onBudget(Math.max(STEP, now - by), false);
    else if (event.key === 'ArrowRight' || event.key === 'ArrowUp') onBudget(now + by, false);
    else if (event.key === 'Delete' || event.key === 'Backspace') onBudget(null, false);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <span
      role="slider"
      tabIndex={0}
      aria-label={t('budget.label')}
      aria-valuemin={Math.max(0, least) / unit}
      aria-valuemax={Math.max(most, budgetCents ?? 0) / unit}
      aria-valuenow={(budgetCents ?? most) / unit}
      aria-valuetext={budgetCents === null ? t('budget.none') : moneyText(budgetCents, currency)}
      onKeyDown={key}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId)) move(event, true);
      }}
      onPointerUp={(event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId)) move(event, false);
      }}
      className="absolute top-0 -translate-x-1/2 h-6 px-1.5 flex items-center gap-1 cursor-ew-resize touch-none select-none whitespace-nowrap rounded-notch bg-act text-on-act text-xs font-semibold"
      style={{ left: Math.min(Math.max(x, 26), end - 26) }}
    >
      <span aria-hidden="true">◂</span>
      {budgetCents === null ? t('budget.short') : shortMoneyText(budgetCents, currency)}
      <span aria-hidden="true">▸</span>
    </span>
  );
}

/** The price axis that all rungs share, with the budget's grip; it begins at zero. */
export function PriceAxis(props: PriceAxisProps) {
  const t = useTranslations('options');
  const { scale, currency } = props;
  const { pricing, partsOnly, machine } = useJob().job;
  const isNet = pricing.taxWay === 'added' || pricing.exempt !== null;
  return (
    <div className="sticky top-0 z-30 bg-ground border-b-2 border-edge h-12 flex text-xs text-ink-2">
      <div className="shrink-0 self-end pb-1 narrow leading-4" style={{ width: LABEL_WIDTH }}>
        {t.rich('axis', {
          value: () => scale.kind === 'root' && <span className="block font-semibold">{t('axisRoot')}</span>,
          fitting: `${machine.count > 1 ? t('axisMachines', { machines: machine.count }) : ''}${partsOnly ? t('axisParts') : t('axisFitted')}`,
          value2: isNet ? t('axisNet') : '',
        })}
      </div>
      <div className="relative flex-1">
        {scale.ticks.map((tick) => (
          <span
            key={tick}
            aria-hidden="true"
            className="absolute bottom-1 -translate-x-1/2 whitespace-nowrap"
            style={{ left: scale.at(tick) }}
          >
            {shortMoneyText(tick, currency)}
          </span>
        ))}
        <BudgetGrip {...props} />
      </div>
    </div>
  );
}
