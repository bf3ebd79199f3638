import { capacityText } from '@/core/memory/capacity';
import type { Plan } from '@/core/planning/plan';
import { freeText, runText } from '@/core/planning/plan-words';
import { moneyText } from '@/core/pricing/money-text';
import { LANE_WORDS } from './lane-words';
import { PlanShape } from './plan-shape';

interface PlanMarkProps {
  plan: Plan;
  currency: string;
  x: number;
  y: number;
  looked: boolean;
  /** place on the slip, where it has one */
  place: number | null;
  reachable: boolean;
  onLook: () => void;
  markRef: (element: HTMLButtonElement | null) => void;
}

/** One plan on the ladder. */
export function PlanMark({ plan, currency, x, y, looked, place, reachable, onLook, markRef }: PlanMarkProps) {
  const words = [
    `${capacityText(plan.totalMiB)} for ${moneyText(plan.priceCents, currency)}`,
    LANE_WORDS[plan.lane],
    plan.care,
    runText(plan),
    freeText(plan),
    place === null ? '' : `option ${place} on the slip`,
  ];
  return (
    <button
      ref={markRef}
      type="button"
      tabIndex={reachable ? 0 : -1}
      aria-pressed={looked}
      aria-label={words.filter(Boolean).join(', ')}
      onClick={onLook}
      className={`absolute -translate-x-1/2 -translate-y-1/2 w-[26px] h-[26px] rounded-full cursor-pointer scroll-mt-16 scroll-mb-24 ${looked ? 'text-act z-10 outline-3 outline-act outline-offset-1' : 'text-ink hover:text-act'}`}
      style={{ left: x, top: y }}
    >
      <PlanShape lane={plan.lane} care={plan.care} reuse={plan.reuse} />
      {place !== null && (
        <span
          aria-hidden="true"
          className="absolute -top-2 -right-1.5 text-[11px] leading-4 w-4 rounded-full bg-act text-on-act font-bold"
        >
          {place}
        </span>
      )}
    </button>
  );
}
