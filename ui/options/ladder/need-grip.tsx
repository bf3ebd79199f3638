import type { KeyboardEvent } from 'react';
import { useTranslations } from '#translations';
import { capacityText } from '../../words/amounts';

interface NeedGripProps {
  needMiB: number | null;
  /** totals that can be reached, ascending, MiB */
  totals: readonly number[];
  /** the machine holds so much today, MiB */
  todayMiB: number;
  onNeed: (mib: number | null) => void;
}

/** The line under the lowest rung that is wanted, dragged up and down, or moved by the arrow keys from rung to rung. */
export function NeedGrip({ needMiB, totals, todayMiB, onNeed }: NeedGripProps) {
  const t = useTranslations('options');
  const most = totals.at(-1) ?? todayMiB;
  const key = (event: KeyboardEvent) => {
    if (event.key === 'ArrowUp' || event.key === 'ArrowRight') {
      const next = totals.find((total) => total > (needMiB ?? (totals[0] ?? 0) - 1));
      if (next !== undefined) onNeed(next);
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowLeft') {
      onNeed([...totals].reverse().find((total) => total < (needMiB ?? 0)) ?? null);
    } else if (event.key === 'Delete' || event.key === 'Backspace') onNeed(null);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div className="relative h-0 z-10">
      <div
        aria-hidden="true"
        className={`absolute inset-x-0 -top-px border-t-2 ${needMiB === null ? 'border-dashed border-edge' : 'border-act'}`}
      />
      <span
        role="slider"
        tabIndex={0}
        data-grip="need"
        aria-label={t('need.label')}
        aria-orientation="vertical"
        aria-valuemin={0}
        aria-valuemax={most}
        aria-valuenow={needMiB ?? 0}
        aria-valuetext={needMiB === null ? t('open') : capacityText(needMiB)}
        onKeyDown={key}
        className={`absolute right-0 -top-3 h-6 px-1.5 flex items-center gap-1 cursor-ns-resize touch-none select-none whitespace-nowrap rounded-notch text-xs font-semibold ${needMiB === null ? 'bg-sheet border border-edge text-ink' : 'bg-act text-on-act'}`}
      >
        <span aria-hidden="true">▴▾</span>
        {needMiB === null ? t('need.none') : t('need.is', { needMiB: capacityText(needMiB) })}
      </span>
    </div>
  );
}
