'use client';
import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import { useTranslations } from '#translations';
import { dayText, moneyText } from '../words/amounts';
import type { ShownPrice } from './listed-offer';

const WIDTH = 480;
const HEIGHT = 96;

/** How the price went: it holds until the next one, so it goes in steps. From nought, so that a change looks as large as it is. */
function Curve({ prices }: { prices: readonly ShownPrice[] }) {
  const points = [...prices].reverse().map(({ at, costCents }) => ({ at: new Date(at), costCents }));
  const [first = new Date(0), last = new Date(1)] = extent(points, ({ at }) => at);
  const most = Math.max(...points.map(({ costCents }) => costCents));
  const x = scaleLinear([first.getTime(), last.getTime()], [4, WIDTH - 6]);
  const y = scaleLinear([0, most], [HEIGHT - 4, 6]);
  const path = line<{ at: Date; costCents: number }>()
    .x(({ at }) => x(at.getTime()))
    .y(({ costCents }) => y(costCents))
    .curve(curveStepAfter)(points);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full h-24" aria-hidden="true">
      <line x1="0" x2={WIDTH} y1={y(0)} y2={y(0)} className="stroke-line" />
      <path d={path ?? ''} fill="none" className="stroke-edge" strokeWidth="1.8" />
      {points.map(({ at, costCents }) => (
        <circle key={at.getTime()} cx={x(at.getTime())} cy={y(costCents)} r="2.4" className="fill-act" />
      ))}
    </svg>
  );
}

/** Every price that an offer had, with when it was noted and where it came from. */
export function PriceHistory({ prices, currency }: { prices: readonly ShownPrice[]; currency: string }) {
  const t = useTranslations('offers');
  return (
    <section aria-label={t('price.every')} className="grid gap-1">
      <h3 className="text-sm font-semibold">{t('price.everyCost')}</h3>
      {prices.length > 1 && <Curve prices={prices} />}
      <ol className="text-sm border-t border-line max-h-56 overflow-y-auto">
        {prices.map(({ at, costCents, cameFrom }) => (
          <li key={at} className="grid grid-cols-[9rem_minmax(0,1fr)_auto] gap-3 py-1 border-b border-line">
            <span className="text-ink-2">{dayText(at.slice(0, 10))}</span>
            <span className="truncate">{cameFrom}</span>
            <span className="text-right">{moneyText(costCents, currency)}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
