'use client';
import { scaleLog } from 'd3-scale';
import { useTranslations } from '#translations';
import { useWidth } from '../client/use-width';
import { capacityText } from '../words/amounts';
import type { Ruler, RulerRow } from './ruler-rows';

const ROW = 26;
const LABEL = 96;
const TAIL = 64;

const STROKES: Record<RulerRow['look'], { line: string; dash?: string; width: number }> = {
  binds: { line: 'stroke-ink', width: 5 },
  paper: { line: 'stroke-edge', width: 3 },
  guess: { line: 'stroke-edge', dash: '2 5', width: 2 },
  proven: { line: 'stroke-good', dash: '9 3', width: 3 },
  failed: { line: 'stroke-stop', dash: '1 4', width: 2 },
};

const SIGNS: Record<RulerRow['look'], string> = { binds: '▸', paper: '', guess: '~', proven: '✓', failed: '✕' };

/** How far each source lets a machine go, on one scale of capacity; the one that binds is a wall through all. */
export function CeilingRuler({ title, ruler }: { title: string; ruler: Ruler }) {
  const t = useTranslations('limits');
  const [box, width] = useWidth<HTMLDivElement>(380);
  const { rows, todayMiB, sentence } = ruler;
  const values = [...rows.map(({ mib }) => mib), ...(todayMiB > 0 ? [todayMiB] : [])];
  const least = Math.min(...values) / 2;
  const most = Math.max(...values) * 1.15;
  const scale = scaleLog()
    .base(2)
    .domain([least, Math.max(most, least * 2)])
    .range([LABEL, Math.max(LABEL + 60, width - TAIL)]);
  const height = rows.length * ROW + 6;
  const wall = rows.find(({ look }) => look === 'binds');
  return (
    <section aria-label={title} className="bg-sheet border border-line px-3 pt-2 pb-1.5 min-w-0">
      <h2 className="text-sm">
        {title}{' '}
        <span className="font-normal text-ink-2">
          {todayMiB > 0 && t('ruler.today', { todayMiB: capacityText(todayMiB) })}
        </span>
      </h2>
      <p className="text-sm mt-0.5">{sentence}</p>
      <div ref={box} className="mt-1">
        {rows.length > 0 && width > 0 && (
          <svg width={width} height={height} aria-hidden="true">
            {todayMiB > 0 && (
              <rect
                x={LABEL}
                y="0"
                width={Math.max(0, scale(todayMiB) - LABEL)}
                height={height}
                className="fill-sunk"
              />
            )}
            {rows.map(({ label, mib, look, by }, index) => {
              const y = index * ROW + ROW / 2 + 2;
              const { line, dash, width: thick } = STROKES[look];
              return (
                <g key={`${label} ${by} ${mib}`}>
                  <text x="0" y={y + 4} className="fill-ink-2 text-[13px] narrow">
                    {label}
                  </text>
                  <path
                    d={`M${LABEL} ${y}H${scale(mib)}`}
                    className={line}
                    strokeWidth={thick}
                    strokeDasharray={dash}
                    fill="none"
                  />
                  <path d={`M${scale(mib)} ${y - 7}v14`} className={line} strokeWidth={thick} />
                  <text
                    x={scale(mib) + 8}
                    y={y + 4.5}
                    className={`text-[13px] ${look === 'binds' ? 'fill-ink font-bold' : 'fill-ink font-medium'}`}
                  >
                    {SIGNS[look]}
                    {capacityText(mib)}
                  </text>
                </g>
              );
            })}
            {wall !== undefined && (
              <path
                d={`M${scale(wall.mib)} 0V${height}`}
                className="stroke-act"
                strokeWidth="1.5"
                strokeDasharray="4 3"
              />
            )}
          </svg>
        )}
      </div>
      <ul className="sr-only">
        {rows.map(({ label, mib, by, look }) => (
          <li key={`${label} ${by} ${mib}`}>
            {label}: {capacityText(mib)}, {by}
            {look === 'binds' && t('ruler.applies')}
          </li>
        ))}
      </ul>
    </section>
  );
}
