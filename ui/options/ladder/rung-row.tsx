import { memo, type ReactNode } from 'react';
import { useTranslations } from '#translations';
import { freeText, runText } from '@/core/planning/explain/plan-words';
import { planKey, type Rung } from '@/core/planning/filters/ladder';
import { type LadderBounds, missedBy } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';
import type { Plan } from '@/core/planning/search/plan';
import type { OfferSupply } from '@/service/job/options/view';
import type { StaffWords } from '@/words/staff-words';
import { capacityText, moneyText } from '../../words/amounts';
import { LANE_WORDS } from '../said/lane-words';
import { PlanMark } from './plan-mark';
import type { PriceScale } from './price-scale';
import { RungLine } from './rung-line';
import { seatMarks } from './seat-marks';

export const LABEL_WIDTH = 96;
/** Between the middles of two marks that touch, px: what a finger can hit apart (WCAG 2.2, 2.5.8). */
const MARK_APART = 26;
const SPAN_HEIGHT = 20;
/** Rows of marks before the rest is folded away. */
const ROWS = 2;

export interface RungRowProps {
  rung: Rung;
  planCase: PlanCase;
  supplies: Readonly<Record<string, OfferSupply>>;
  scale: PriceScale;
  steering: LadderBounds;
  todayMiB: number;
  /** keys of the plans that are looked at and that the tab key reaches; null: none of this rung */
  looked: string | null;
  reachable: string | null;
  /** places on the slip by plan */
  places: ReadonlyMap<string, number>;
  /** all of its plans are shown, however many */
  open: boolean;
  onLook: (key: string) => void;
  onOpen: (totalMiB: number) => void;
  /** only its place is drawn as yet */
  bare: boolean;
  /** what is drawn along its lower edge */
  line: ReactNode;
}

/** The span from the original's price to the best third-party one, with what it saves. */
function SavingSpan({ rung, scale, currency }: { rung: Rung; scale: PriceScale; currency: string }) {
  const t = useTranslations('options');
  if (rung.saving === null) return null;
  const { fromCents, toCents, cents, percent } = rung.saving;
  const [left, right] = [scale.at(toCents), scale.at(fromCents)];
  const text = t('rung.saves', { cents: moneyText(cents, currency), percent });
  // Where the span is too short for its words they stand beside it.
  const half = (text.length * 6.4) / 2 + 5;
  const isInside = right - left > 2 * half + 6;
  const middle = (left + right) / 2;
  const across = isInside ? `H${middle - half}M${middle + half} 12H${right}` : `H${right}`;
  const at = isInside ? middle : right + 6;
  return (
    <g className="text-good">
      <path
        d={`M${left} ${SPAN_HEIGHT}V12${across}V${SPAN_HEIGHT}`}
        fill="none"
        stroke="currentColor"
        strokeWidth="1.6"
      />
      <text
        x={at}
        y="15.5"
        textAnchor={isInside ? 'middle' : 'start'}
        className="fill-good text-[13px] font-semibold rung-words"
      >
        {text}
      </text>
    </g>
  );
}

/** What a plan is, for those who do not see its mark. */
function markWords(
  t: StaffWords<'options'>,
  tTrade: StaffWords<'trade'>,
  tPlans: StaffWords<'plans'>,
  plan: Plan,
  currency: string,
  place: number | null,
): string {
  return [
    t('forPrice', { totalMiB: capacityText(plan.totalMiB), priceCents: moneyText(plan.priceCents, currency) }),
    tTrade(LANE_WORDS[plan.lane]),
    tTrade(`cautions.${plan.care}`),
    runText(tPlans, plan),
    freeText(tPlans, plan),
    place === null ? '' : t('rung.inDraft', { place }),
  ]
    .filter((part) => part !== '')
    .join(', ');
}

/** The plans that matter most first: what is chosen or looked at, the best, the cheapest of each lane, then by price. */
function byWeight({ rung, looked, places }: Pick<RungRowProps, 'rung' | 'looked' | 'places'>): Plan[] {
  const lanes = new Set<string>();
  const weight = new Map<Plan, number>();
  for (const plan of rung.plans) {
    const key = planKey(plan);
    const first = !lanes.has(plan.lane);
    lanes.add(plan.lane);
    weight.set(plan, key === looked || places.has(key) ? 0 : plan === rung.best ? 1 : first ? 2 : 3);
  }
  return [...rung.plans].sort((a, b) => (weight.get(a) ?? 3) - (weight.get(b) ?? 3));
}

interface MarksProps extends RungRowProps {
  /** where each plan's mark stands */
  seated: readonly { key: string; x: number; row: number }[];
  /** above the first row, px */
  top: number;
  rows: number;
}

/** All plans of a rung as marks at their prices. */
function Marks(props: MarksProps) {
  const t = useTranslations('options');
  const tTrade = useTranslations('trade');
  const tPlans = useTranslations('plans');
  const { rung, planCase, scale, steering, looked, reachable, places, onLook, seated, top, rows } = props;
  const { currency } = planCase;
  const plans = new Map(rung.plans.map((plan) => [planKey(plan), plan]));
  // In an empty machine nothing old can live on.
  const isFilled = planCase.installed.length > 0;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing whose parts are pressed; HTML has no element for it
    <svg
      role="group"
      aria-label={t('rung.plansWith', {
        plans: t('plans', { plans: rung.plans.length }),
        totalMiB: capacityText(rung.totalMiB),
      })}
      width={scale.at.range()[1] ?? 0}
      height={top + rows * MARK_APART}
      className="block overflow-visible"
    >
      <SavingSpan rung={rung} scale={scale} currency={currency} />
      {seated.map(({ key, x, row }) => {
        const plan = plans.get(key);
        if (plan === undefined) return null;
        const place = places.get(key) ?? null;
        return (
          <PlanMark
            key={key}
            id={key}
            words={markWords(t, tTrade, tPlans, plan, currency, place)}
            lane={plan.lane}
            care={plan.care}
            reuse={isFilled ? plan.reuse : 'replace'}
            x={x}
            y={top + row * MARK_APART + MARK_APART / 2}
            looked={looked === key}
            place={place}
            faded={missedBy(steering, plan) !== null}
            reachable={reachable === key}
            onLook={onLook}
          />
        );
      })}
    </svg>
  );
}

function RungRowDrawn(props: RungRowProps) {
  const t = useTranslations('options');
  const { rung, planCase, supplies, scale, steering, todayMiB, open, onLook, onOpen, bare, line } = props;
  const { seated, folded } = seatMarks(
    (bare ? [] : byWeight(props)).map((plan) => ({ key: planKey(plan), x: scale.at(plan.priceCents) })),
    MARK_APART,
    open ? undefined : ROWS,
  );
  const top = rung.saving === null ? 5 : SPAN_HEIGHT + 3;
  const rows = Math.max(1, ...seated.map(({ row }) => row + 1));
  const added = rung.totalMiB - todayMiB;
  const below = steering.needMiB !== null && rung.totalMiB < steering.needMiB;
  return (
    <li data-rung={rung.totalMiB} className="rung border-b border-line">
      <div className="rung-body pb-1.5">
        <div className="flex">
          <div className="shrink-0 pt-1.5" style={{ width: LABEL_WIDTH }}>
            <span className={`block text-lg wide leading-6 ${rung.isWanted ? 'font-bold' : 'font-medium text-ink-2'}`}>
              {capacityText(rung.totalMiB)}
            </span>
            <span className="block text-xs text-ink-2 narrow leading-4">
              {below ? t('rung.belowNeed') : added === 0 ? t('rung.asToday') : `+${capacityText(added)}`}
            </span>
          </div>
          <Marks {...props} seated={seated} top={top} rows={rows} />
        </div>
        <div className="relative flex gap-3 items-baseline justify-between" style={{ paddingLeft: LABEL_WIDTH }}>
          {!bare && (
            <RungLine rung={rung} planCase={planCase} supplies={supplies} steering={steering} onLook={onLook} />
          )}
          {(folded.length > 0 || (open && rows > ROWS)) && (
            <button
              type="button"
              onClick={() => onOpen(rung.totalMiB)}
              aria-expanded={open}
              className="shrink-0 text-xs min-h-6 min-w-6 underline underline-offset-2 decoration-edge cursor-pointer hover:decoration-ink"
            >
              {open ? t('rung.fewer') : t('rung.more', { folded: folded.length })}
            </button>
          )}
        </div>
      </div>
      {line}
    </li>
  );
}

/** True where a rung is drawn as it was, though it may have been gathered again. */
function isSameRow(a: RungRowProps, b: RungRowProps): boolean {
  const { rung: one, ...rest } = a;
  const { rung: other, ...then } = b;
  const keys = Object.keys(rest) as (keyof typeof rest)[];
  if (keys.some((key) => key !== 'steering' && rest[key] !== then[key])) return false;
  const isBelow = (row: RungRowProps) => row.rung.totalMiB < (row.steering.needMiB ?? 0);
  if (isBelow(a) !== isBelow(b)) return false;
  if (one.best !== other.best || one.isWanted !== other.isWanted || one.plans.length !== other.plans.length)
    return false;
  if (!one.isWanted && rest.steering !== then.steering) return false;
  return one.plans.every(
    (plan, nr) =>
      plan === other.plans[nr] && (missedBy(rest.steering, plan) === null) === (missedBy(then.steering, plan) === null),
  );
}

/** One rung: its total, all plans that end there on the shared price axis, and the best of them in words. */
export const RungRow = memo(RungRowDrawn, isSameRow);
