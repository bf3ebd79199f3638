import { moneyText } from '@/core/pricing/money-text';
import type { SeenOption } from '@/core/quoting/staff-view';
import type { JobView } from '@/service/job/view';

interface ShopSideProps {
  option: SeenOption;
  supplies: JobView['supplies'];
  currency: string;
}

/** How old the oldest of some prices is, in words. */
function ageText(days: readonly number[]): string {
  if (days.length === 0) return 'from our own shelf';
  const oldest = Math.max(...days);
  const age = oldest === 0 ? 'today' : oldest === 1 ? 'yesterday' : `${oldest} days ago`;
  return `${days.length === 1 ? 'price' : 'oldest price'} noted ${age}`;
}

/** What only the shop sees of an option: from whom, how old that price is, and, where it may be seen, cost and what is left. */
export function ShopSide({ option, supplies, currency }: ShopSideProps) {
  const { costs, bought } = option.shop;
  const sellers = [...new Set(bought.map((one) => one.seller))].join(', ');
  const aged = [...new Set(bought.flatMap(({ offer }) => supplies[offer]?.aged ?? []))];
  const days = bought.flatMap(({ offer }) => supplies[offer]?.priceDays ?? []);
  const isLoss = costs !== null && costs.marginCents < 0;
  return (
    <p className={`text-sm bg-sunk px-2.5 py-1.5 rounded-notch mt-auto ${isLoss ? 'border-l-4 border-stop' : ''}`}>
      <span className="font-semibold">For us:</span> parts {costs !== null && moneyText(costs.costCents, currency)}
      {sellers !== '' && ` from ${sellers}`}
      {costs !== null && ', '}
      {costs !== null && isLoss && (
        <strong className="text-stop">loses {moneyText(-costs.marginCents, currency)}</strong>
      )}
      {costs !== null && !isLoss && `leaves ${moneyText(costs.marginCents, currency)} for work and margin`}
      {bought.length > 0 && (
        <span className={`block ${aged.length > 0 ? 'text-mind font-medium' : 'text-ink-2'}`}>
          {aged.length > 0 ? aged.join(', ') : ageText(days)}
        </span>
      )}
    </p>
  );
}
