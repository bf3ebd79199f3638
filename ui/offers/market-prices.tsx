'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import { MIB_PER_GB } from '@/core/memory/capacity';
import type { MonthPrice } from '@/service/market/view';
import type { StaffWords } from '@/words/staff-words';
import { useWidth } from '../client/use-width';
import { capacityText, dateLocale, moneyText } from '../words/amounts';
import { type ShelfLabel, shelfText } from './market/market-words';
import { type SizePrices, sizeLines, sizePrices } from './price-lines';

interface MarketPricesProps {
  families: readonly { familyId: number; label: ShelfLabel }[];
  familyId: number | null;
  currency: string;
  months: readonly MonthPrice[];
}

const HEIGHT = 340;
/** Lines differ by their dashes as well as by their names. */
const DASHES = ['', '7 4', '2 3', '10 3 2 3', '4 2', '1 5'];

const monthText = (month: string): string =>
  new Intl.DateTimeFormat(dateLocale(), { month: 'short', timeZone: 'UTC' }).format(new Date(`${month}-01T00:00:00Z`));

/** How a price changed over the time that is shown. */
function changeText(t: StaffWords<'offers'>, now: number, before: number | null): string {
  if (before === null) return t('prices.new');
  const percent = Math.round((now / before - 1) * 100);
  if (percent === 0) return t('prices.same');
  return percent > 0 ? t('prices.dearer', { percent }) : t('prices.cheaper', { percent: -percent });
}

function Chart({ months, currency }: Pick<MarketPricesProps, 'months' | 'currency'>) {
  const t = useTranslations('offers');
  const [box, measured] = useWidth<HTMLDivElement>(960);
  const width = Math.max(300, measured);
  const frame = { width, height: HEIGHT, left: 56, right: 84, top: 14, bottom: 28 };
  const drawn = sizeLines(months, frame);
  return (
    <div ref={box} className="bg-sheet border border-line overflow-x-auto">
      <svg width={width} height={HEIGHT} role="img" aria-label={t('prices.chart')}>
        {drawn.ticks.map(({ value, y }) => (
          <g key={value}>
            <line x1={frame.left} x2={width - frame.right} y1={y} y2={y} className="stroke-line" />
            <text x={frame.left - 8} y={y + 4} textAnchor="end" className="fill-ink-2 text-xs">
              {moneyText(value, currency)}
            </text>
          </g>
        ))}
        {drawn.months.map(({ month, x }) => (
          <text key={month} x={x} y={HEIGHT - 8} textAnchor="middle" className="fill-ink-2 text-xs">
            {monthText(month)}
          </text>
        ))}
        {drawn.lines.map(({ capacityMiB, path, dots, labelY }, index) => (
          <g key={capacityMiB}>
            <path
              d={path}
              fill="none"
              className="stroke-ink"
              strokeWidth="1.8"
              strokeDasharray={DASHES[index % DASHES.length]}
            />
            {dots.at(-1) !== undefined && (
              <>
                <circle cx={dots.at(-1)?.x} cy={dots.at(-1)?.y} r="3.4" className="fill-act" />
                <line
                  x1={dots.at(-1)?.x}
                  y1={dots.at(-1)?.y}
                  x2={width - frame.right + 12}
                  y2={labelY}
                  className="stroke-edge"
                  strokeWidth="0.8"
                />
              </>
            )}
            <text x={width - frame.right + 16} y={labelY + 4} className="fill-ink text-sm font-semibold">
              {capacityText(capacityMiB)}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}

function FairPrices({ sizes, currency }: { sizes: readonly SizePrices[]; currency: string }) {
  const t = useTranslations('offers');
  const since = sizes.flatMap(({ first }) => (first === null ? [] : [first.month])).sort()[0];
  const money = (cents: number): string => moneyText(Math.round(cents), currency);
  return (
    <table className="stacks w-full text-sm bg-sheet border border-line">
      <thead>
        <tr className="text-left text-ink-2 border-b-2 border-edge">
          <th className="px-4 py-1.5 font-medium">{t('prices.moduleOf')}</th>
          <th className="px-4 py-1.5 font-medium text-right">{t('prices.perGb')}</th>
          <th className="px-4 py-1.5 font-medium text-right">{t('prices.most')}</th>
          <th className="px-4 py-1.5 font-medium text-right">{t('prices.fair')}</th>
          <th className="px-4 py-1.5 font-medium">
            {since === undefined ? t('prices.change') : t('prices.since', { since: monthText(since) })}
          </th>
          <th className="px-4 py-1.5 font-medium text-right">{t('prices.offers')}</th>
        </tr>
      </thead>
      <tbody>
        {sizes.map(({ capacityMiB, now, first }) => {
          const gb = capacityMiB / MIB_PER_GB;
          return (
            <tr key={capacityMiB} className="border-b border-line last:border-0">
              <th scope="row" className="px-4 py-1.5 text-left font-semibold">
                {capacityText(capacityMiB)}
              </th>
              <td data-column={t('prices.perGb')} className="px-4 py-1.5 text-right font-semibold">
                {money(now.middle)}
              </td>
              <td data-column={t('prices.most')} className="px-4 py-1.5 text-right">
                {t('prices.range', { low: money(now.low), high: money(now.high) })}
              </td>
              <td data-column={t('prices.fair')} className="px-4 py-1.5 text-right">
                {t('prices.rangeModule', { gb: money(now.low * gb), gb2: money(now.high * gb) })}
              </td>
              <td data-column={t('prices.change')} className="px-4 py-1.5">
                {changeText(t, now.middle, first?.middle ?? null)}
              </td>
              <td data-column={t('prices.offers')} className="px-4 py-1.5 text-right text-ink-2">
                {now.offers}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** What a GB costs by size and how that went, one kind of module at a time. */
export function MarketPricesTable({ families, familyId, currency, months }: MarketPricesProps) {
  const t = useTranslations('offers');
  const sizes = sizePrices(months);
  if (familyId === null) return <p className="bg-sheet border border-line px-4 py-8 text-center">{t('prices.none')}</p>;
  return (
    <div className="grid gap-3">
      <nav aria-label={t('kinds')} className="flex flex-wrap gap-1 text-sm">
        {families.map((one) => (
          <Link
            key={one.familyId}
            href={`/offers/market?kind=${one.familyId}`}
            aria-current={one.familyId === familyId ? 'page' : undefined}
            className={`px-2.5 py-1.5 rounded-notch border ${one.familyId === familyId ? 'border-edge bg-sheet font-semibold' : 'border-transparent text-ink-2 hover:bg-sunk'}`}
          >
            {shelfText(t, one.label)}
          </Link>
        ))}
      </nav>
      <Chart months={months} currency={currency} />
      <FairPrices sizes={sizes} currency={currency} />
      <p className="text-sm text-ink-2">{t('prices.what')}</p>
    </div>
  );
}
