import { useTranslations } from '#translations';
import type { PlanCase } from '@/core/planning/model/case';
import type { Answer } from '@/core/planning/search/plan';
import { capacityText } from '../../words/amounts';
import { PictureKey } from './picture-key';
import { LABEL_WIDTH } from './rung-row';

/** Bars are drawn no narrower than this, px. */
const BAR = 30;
const MOST_BARS = 16;

/** Today's machine, the ground that the ladder stands on: its slots as they are filled now. */
export function TodayGround({ planCase, answer }: { planCase: PlanCase; answer: Answer }) {
  const t = useTranslations('options');
  const { totalMiB, rateMTs, bandwidthMBs } = answer.baseline;
  const { slots } = planCase.machine;
  const held = new Map(planCase.installed.map(({ slot, module }) => [slot, module.capacityMiB]));
  const bars = slots.slice(0, MOST_BARS).map(({ id, soldered }) => ({
    id,
    mib: soldered?.capacityMiB ?? held.get(id) ?? null,
    built: soldered != null,
  }));
  const run = rateMTs === null ? '' : t('today.rate', { rateMTs, value: bandwidthMBs });
  return (
    <div className="flex items-center gap-3 pt-1.5 ground-hatch sticky bottom-0 z-20">
      <span className="shrink-0" style={{ width: LABEL_WIDTH - 12 }}>
        <span className="block text-lg font-bold wide leading-6">
          {totalMiB === 0 ? t('today.empty') : capacityText(totalMiB)}
        </span>
        <span className="block text-xs text-ink-2 narrow leading-4">{t('today.today')}</span>
      </span>
      <span className="flex items-center gap-3 bg-ground pl-2 pr-1 py-0.5 min-w-0">
        <svg width={bars.length * (BAR + 4)} height="26" aria-hidden="true" className="shrink-0">
          {bars.map(({ id, mib, built }, nr) => (
            <g key={id} transform={`translate(${nr * (BAR + 4) + 1},1)`}>
              <rect
                width={BAR}
                height="20"
                rx="1.5"
                className={mib === null ? 'fill-none stroke-edge' : 'fill-board stroke-board'}
                strokeDasharray={mib === null ? '3 3' : undefined}
                strokeWidth="1.4"
              />
              {mib !== null && (
                <>
                  <text x={BAR / 2} y="14.5" textAnchor="middle" className="fill-board-ink text-[12px] font-semibold">
                    {capacityText(mib).replace(/ GB$/, '')}
                  </text>
                  {!built && (
                    <path d={`M3 22.5H${BAR - 3}`} className="stroke-contact" strokeWidth="3" strokeDasharray="3 2" />
                  )}
                </>
              )}
            </g>
          ))}
        </svg>
        <span className="text-sm text-ink-2 truncate narrow">
          {[slots.length > MOST_BARS ? t('today.slots', { slots: slots.length }) : '', run]
            .filter((part) => part !== '')
            .join(' · ')}
        </span>
      </span>
      <span className="ml-auto bg-ground px-2 min-w-40 shrink-20 max-[700px]:hidden">
        <PictureKey answer={answer} planCase={planCase} />
      </span>
    </div>
  );
}
