'use client';
import { useTranslations } from '#translations';
import { effectiveChannelsText } from '@/core/planning/explain/channel-words';
import { type Compared, stepBetween, stepText } from '@/core/planning/explain/compare-plans';
import type { PlanSay } from '@/core/planning/explain/plan-say';
import { boughtText, fateText, freeText } from '@/core/planning/explain/plan-words';
import { planKey } from '@/core/planning/filters/ladder';
import type { PlanCase } from '@/core/planning/model/case';
import type { Plan } from '@/core/planning/search/plan';
import type { OfferSupply } from '@/service/job/options/view';
import type { StaffWords } from '@/words/staff-words';
import { useJob } from '../../job/job-context';
import { Button } from '../../kit/button';
import { Sheet } from '../../kit/sheet';
import { capacityText, moneyText } from '../../words/amounts';
import { PlanShape } from '../ladder/plan-shape';
import { deliveryText, leadDaysOf } from '../said/delivery';
import { LANE_WORDS } from '../said/lane-words';
import { guaranteeMonthsOf, madeOfPlan } from '../said/made';
import { savingSaid } from '../said/saving-said';
import { usePlanSay } from '../use-plan-say';

interface CompareSheetProps {
  /** two or three */
  plans: readonly Plan[];
  planCase: PlanCase;
  all: readonly Plan[];
  onDrop: (plan: Plan) => void;
  onClose: () => void;
}

type Row = { name: string; of: (plan: Plan) => string };

function rowsOf(
  t: StaffWords<'options'>,
  say: PlanSay,
  planCase: PlanCase,
  all: readonly Plan[],
  supplies: Readonly<Record<string, OfferSupply>>,
): Row[] {
  const { currency } = planCase;
  const money = (cents: number | null) => (cents === null ? t('compare.nothing') : moneyText(cents, currency));
  return [
    { name: t('facts.total'), of: (plan) => capacityText(plan.totalMiB) },
    {
      name: planCase.labourCents == null ? t('facts.pricePartsOnly') : t('facts.price'),
      of: (plan) => money(plan.priceCents),
    },
    { name: t('facts.perAdded'), of: (plan) => money(plan.perAddedGiBCents) },
    { name: t('facts.saving'), of: (plan) => savingSaid(t, say, plan, { plans: all, supplies }) },
    { name: t('facts.rate'), of: (plan) => `${plan.rateMTs} MT/s` },
    { name: t('facts.channels'), of: (plan) => effectiveChannelsText(say.t, plan.effectiveChannels) },
    { name: t('facts.slots'), of: (plan) => freeText(say.t, plan) },
    { name: t('facts.old'), of: (plan) => fateText(say.t, planCase, plan) },
    {
      name: t('facts.note'),
      of: (plan) => (plan.care === 'clear' ? t('compare.clear') : say.tTrade(`cautions.${plan.care}`)),
    },
    { name: t('facts.delivery'), of: (plan) => deliveryText(t, plan, supplies) },
    { name: t('facts.buys'), of: (plan) => boughtText(say.t, planCase, plan) },
    { name: t('facts.made'), of: (plan) => madeOfPlan(planCase, plan) || '–' },
    {
      name: t('facts.guarantee'),
      of: (plan) => guaranteeMonthsOf(plan, supplies)?.toString() ?? '–',
    },
  ];
}

/** Plans side by side, the cheapest first; only what differs from it stands out. */
export function CompareSheet({ plans, planCase, all, onDrop, onClose }: CompareSheetProps) {
  const t = useTranslations('options');
  const tTrade = useTranslations('trade');
  const { job } = useJob();
  const say = usePlanSay(planCase.currency);
  const sorted = [...plans].sort((a, b) => a.priceCents - b.priceCents);
  const compared = sorted.map((plan): Compared => {
    return { plan, installed: planCase.installed.length, leadDays: leadDaysOf(plan, job.supplies) };
  });
  const rows = rowsOf(t, say, planCase, all, job.supplies);
  return (
    <Sheet open wide title={t('compare.title')} description={t('compare.what')} onClose={onClose}>
      <table className="w-full text-sm border-collapse table-fixed">
        <thead>
          <tr>
            <td className="w-28" />
            {sorted.map((plan) => (
              <th key={planKey(plan)} scope="col" className="text-left align-bottom px-2 pb-1 font-semibold">
                <span className="flex items-center gap-1">
                  <PlanShape lane={plan.lane} care={plan.care} reuse={plan.reuse} />
                  {tTrade(LANE_WORDS[plan.lane])}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, of }) => {
            const texts = sorted.map(of);
            return (
              <tr key={name} className="border-t border-line">
                <th scope="row" className="text-left font-normal text-ink-2 pr-3 py-1 align-top whitespace-nowrap">
                  {name}
                </th>
                {sorted.map((plan, nr) => (
                  <td
                    key={planKey(plan)}
                    className={`px-2 py-1 align-top ${texts[nr] === texts[0] ? (texts.every((text) => text === texts[0]) ? 'text-ink-2' : '') : 'font-semibold bg-act-soft'}`}
                  >
                    {texts[nr]}
                  </td>
                ))}
              </tr>
            );
          })}
          <tr>
            <td />
            {sorted.map((plan) => (
              <td key={planKey(plan)} className="px-2 pt-1">
                <Button weight="quiet" onClick={() => onDrop(plan)}>
                  {t('compare.remove')}
                </Button>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <ol className="mt-3 grid gap-1 border-t-2 border-edge pt-2">
        {compared.slice(1).map((to, nr) => (
          <li key={planKey(to.plan)}>{stepText(say, stepBetween(say, compared[nr] as Compared, to))}</li>
        ))}
      </ol>
    </Sheet>
  );
}
