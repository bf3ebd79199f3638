'use client';
import { capacityText } from '@/core/memory/capacity';
import { effectiveChannelsText } from '@/core/planning/explain/channel-words';
import { type Compared, stepBetween, stepText } from '@/core/planning/explain/compare-plans';
import { boughtText, fateText, freeText } from '@/core/planning/explain/plan-words';
import { savingText } from '@/core/planning/explain/saving-words';
import { planKey } from '@/core/planning/filters/ladder';
import type { PlanCase } from '@/core/planning/model/case';
import type { Plan } from '@/core/planning/search/plan';
import { moneyText } from '@/core/pricing/money-text';
import type { OfferSupply } from '@/service/job/options/view';
import { useJob } from '../../job/job-context';
import { Button } from '../../kit/button';
import { Sheet } from '../../kit/sheet';
import { deliveryText, leadDaysOf } from '../delivery';
import { PlanShape } from '../ladder/plan-shape';
import { LANE_WORDS } from '../lane-words';

interface CompareSheetProps {
  /** two or three */
  plans: readonly Plan[];
  planCase: PlanCase;
  all: readonly Plan[];
  onDrop: (plan: Plan) => void;
  onClose: () => void;
}

type Row = { name: string; of: (plan: Plan) => string };

function rowsOf(planCase: PlanCase, all: readonly Plan[], supplies: Readonly<Record<string, OfferSupply>>): Row[] {
  const { currency } = planCase;
  const money = (cents: number | null) => (cents === null ? 'adds nothing' : moneyText(cents, currency));
  return [
    { name: 'Total', of: (plan) => capacityText(plan.totalMiB) },
    { name: 'Price, fitted', of: (plan) => money(plan.priceCents) },
    { name: 'Per added GB', of: (plan) => money(plan.perAddedGiBCents) },
    { name: 'Saving', of: (plan) => savingText(plan, all, currency) },
    { name: 'Runs at', of: (plan) => `${plan.rateMTs} MT/s` },
    { name: 'Channels', of: (plan) => effectiveChannelsText(plan.effectiveChannels) },
    { name: 'Slots', of: freeText },
    { name: 'Old modules', of: (plan) => fateText(planCase, plan) },
    { name: 'To mind', of: (plan) => (plan.care === 'clear' ? 'nothing' : plan.care) },
    { name: 'Delivery', of: (plan) => deliveryText(plan, supplies) },
    { name: 'Buys', of: (plan) => boughtText(planCase, plan) },
  ];
}

/** Plans side by side, the cheapest first; only what differs from it stands out. */
export function CompareSheet({ plans, planCase, all, onDrop, onClose }: CompareSheetProps) {
  const { job } = useJob();
  const { currency } = planCase;
  const sorted = [...plans].sort((a, b) => a.priceCents - b.priceCents);
  const compared = sorted.map((plan): Compared => {
    return { plan, installed: planCase.installed.length, leadDays: leadDaysOf(plan, job.supplies) };
  });
  const rows = rowsOf(planCase, all, job.supplies);
  return (
    <Sheet
      open
      wide
      title="Side by side"
      description="What is alike in all is pale; what differs from the cheapest stands out."
      onClose={onClose}
    >
      <table className="w-full text-sm border-collapse table-fixed">
        <thead>
          <tr>
            <td className="w-28" />
            {sorted.map((plan) => (
              <th key={planKey(plan)} scope="col" className="text-left align-bottom px-2 pb-1 font-semibold">
                <span className="flex items-center gap-1">
                  <PlanShape lane={plan.lane} care={plan.care} reuse={plan.reuse} />
                  {LANE_WORDS[plan.lane]}
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
                  Leave out
                </Button>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <ol className="mt-3 grid gap-1 border-t-2 border-edge pt-2">
        {compared.slice(1).map((to, nr) => (
          <li key={planKey(to.plan)}>
            {stepText(stepBetween(compared[nr] as Compared, to), (cents) => moneyText(cents, currency))}
          </li>
        ))}
      </ol>
    </Sheet>
  );
}
