import { useTranslations } from '#translations';
import type { SeenOption } from '@/core/quoting/staff-view';
import type { JobView } from '@/service/job/view';
import type { StaffWords } from '@/words/staff-words';
import { moneyText } from '../words/amounts';
import { agedText, sellerText } from '../words/market-words';

interface ShopSideProps {
  option: SeenOption;
  supplies: JobView['supplies'];
  currency: string;
}

/** How old the oldest of some prices is, in words. */
function ageText(t: StaffWords<'quote'>, days: readonly number[]): string {
  if (days.length === 0) return t('shop.stock');
  const oldest = Math.max(...days);
  const age = t('shop.age', { oldest });
  return t('shop.noted', { days: days.length === 1 ? t('shop.price') : t('shop.oldest'), age });
}

/** What only the shop sees of an option: from whom, how old that price is, and, where it may be seen, cost and what is left. */
export function ShopSide({ option, supplies, currency }: ShopSideProps) {
  const t = useTranslations('quote');
  const tTrade = useTranslations('trade');
  const { costs, bought } = option.shop;
  const sellers = [...new Set(bought.map((one) => sellerText(tTrade, one.seller)))].join(', ');
  const aged = [
    ...new Set(bought.flatMap(({ offer }) => supplies[offer]?.aged ?? []).map((one) => agedText(tTrade, one))),
  ];
  const days = bought.flatMap(({ offer }) => supplies[offer]?.priceDays ?? []);
  const isLoss = costs !== null && costs.marginCents < 0;
  return (
    <p className={`text-sm bg-sunk px-2.5 py-1.5 rounded-notch mt-auto ${isLoss ? 'border-l-4 border-stop' : ''}`}>
      {t.rich('shop.line', {
        e0: () => <span className="font-semibold">{t('shop.us')}</span>,
        value: costs !== null ? moneyText(costs.costCents, currency) : '',
        value2: sellers !== '' ? t('shop.from', { sellers }) : '',
        value3: costs !== null ? ', ' : '',
        value4: () =>
          costs !== null &&
          isLoss && (
            <strong className="text-stop">
              {t('shop.loses', { marginCents: moneyText(-costs.marginCents, currency) })}
            </strong>
          ),
        value5:
          costs !== null && !isLoss ? t('shop.leaves', { marginCents: moneyText(costs.marginCents, currency) }) : '',
        bought: () =>
          bought.length > 0 && (
            <span className={`block ${aged.length > 0 ? 'text-mind font-medium' : 'text-ink-2'}`}>
              {aged.length > 0 ? aged.join(', ') : ageText(t, days)}
            </span>
          ),
      })}
    </p>
  );
}
