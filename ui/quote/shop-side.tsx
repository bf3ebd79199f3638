import { moneyText } from '@/core/pricing/money-text';
import type { QuoteOption } from '@/core/quoting/snapshot';

/** What only the shop sees of an option: what it costs, from whom, and what is left. */
export function ShopSide({ option, currency }: { option: QuoteOption; currency: string }) {
  const { costCents, marginCents, bought } = option.shop;
  const sellers = [...new Set(bought.map((one) => one.seller))].join(', ');
  return (
    <p className="text-sm bg-sunk px-2.5 py-1.5 rounded-notch mt-auto">
      <span className="font-semibold">For us:</span> parts {moneyText(costCents, currency)}
      {sellers !== '' && ` from ${sellers}`}, leaves {moneyText(marginCents, currency)} for work and margin
    </p>
  );
}
