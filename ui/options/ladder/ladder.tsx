'use client';
import {
  memo,
  type ReactNode,
  type RefObject,
  useCallback,
  useDeferredValue,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { useTranslations } from '#translations';
import { planKey, type Rung } from '@/core/planning/filters/ladder';
import type { LadderBounds, Steering } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';
import type { Answer } from '@/core/planning/search/plan';
import type { OfferSupply } from '@/service/job/options/view';
import { useWidth } from '../../client/use-width';
import { Gliding, GlidingContext } from './glide';
import { NeedGrip } from './need-grip';
import { PriceAxis } from './price-axis';
import { type PriceScale, priceScale, steadied } from './price-scale';
import { LABEL_WIDTH, RungRow } from './rung-row';
import { TodayGround } from './today-ground';
import { useLadderKeys } from './use-ladder-keys';
import { useLowStart } from './use-low-start';
import { useNeedDrag } from './use-need-drag';

interface LadderProps {
  /** the lowest total first */
  rungs: readonly Rung[];
  answer: Answer;
  planCase: PlanCase;
  supplies: Readonly<Record<string, OfferSupply>>;
  steering: LadderBounds;
  onSteer: (patch: Partial<Steering>, live?: boolean) => void;
  /** key of the plan that is looked at */
  looked: string | null;
  places: ReadonlyMap<string, number>;
  onLook: (key: string) => void;
  /** puts the plan that is looked at on the slip */
  onPut: (place: number) => void;
}

const RIGHT_ROOM = 28;
/** So many rungs above and below the one to stand on are drawn with the ladder itself; those further away follow at once. */
const NEAR = 4;
/** As wide as the place for the work, which is there before the ladder is. */
const widthOfWork = (): number => document.getElementById('work')?.clientWidth ?? 860;

/** The rung to stand on first: the lowest that has plans that are wanted, else the lowest. */
function startOf(rungs: readonly Rung[]): Rung | undefined {
  return rungs.find((one) => one.isWanted) ?? rungs[0];
}

/** The scale of prices, which stays as it is for as long as it serves. */
function useScale(answer: Answer, width: number): PriceScale {
  const before = useRef<PriceScale | null>(null);
  const scale = useMemo(() => {
    const prices = answer.plans.map((plan) => plan.priceCents);
    return steadied(before.current, priceScale(prices, width - LABEL_WIDTH - RIGHT_ROOM));
  }, [answer, width]);
  useEffect(() => {
    before.current = scale;
  }, [scale]);
  return scale;
}

/** What is beyond the budget, shaded. */
function BeyondBudget({ scale, budgetCents }: { scale: PriceScale; budgetCents: number | null }) {
  const end = scale.at.range()[1] ?? 0;
  const x = budgetCents === null ? null : scale.at(budgetCents);
  if (x === null || x > end) return null;
  return (
    <div
      aria-hidden="true"
      className="absolute inset-y-0 right-0 border-l-2 border-act bg-sunk/60 pointer-events-none"
      style={{ left: LABEL_WIDTH + x }}
    />
  );
}

/** Rungs of resulting capacity over today's machine, all plans at their price on one axis, with the lines that steer. */
export const Ladder = memo(function Ladder(props: LadderProps) {
  const t = useTranslations('options');
  const { rungs, answer, planCase, steering, onSteer } = props;
  const [box, width] = useWidth<HTMLDivElement>(widthOfWork);
  const scale = useScale(answer, width);
  useLowStart(box, startOf(rungs)?.totalMiB);
  const { needMiB, budgetCents } = steering;
  const needLine = (
    <NeedGrip
      needMiB={needMiB}
      totals={rungs.map((rung) => rung.totalMiB)}
      todayMiB={answer.baseline.totalMiB}
      onNeed={(mib) => onSteer({ needMiB: mib })}
    />
  );
  const boundary = needMiB === null ? rungs[0] : rungs.find((rung) => rung.totalMiB >= needMiB);
  const isWhole = useDeferredValue(true, false);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: the marks within take the keys; this only lets the box be scrolled
    <section ref={box} aria-label={t('ladder')} aria-busy={!isWhole} tabIndex={0} className="ladder-box">
      <PriceAxis
        scale={scale}
        currency={planCase.currency}
        budgetCents={budgetCents}
        box={box}
        onBudget={(cents, live) => onSteer({ budgetCents: cents }, live)}
      />
      <div className="relative">
        <BeyondBudget scale={scale} budgetCents={budgetCents} />
        {boundary === undefined && needLine}
        <Rungs {...props} box={box} scale={scale} isWhole={isWhole} boundary={boundary} needLine={needLine} />
      </div>
      <TodayGround planCase={planCase} answer={answer} />
    </section>
  );
});

interface RungsProps extends LadderProps {
  box: RefObject<HTMLElement | null>;
  scale: PriceScale;
  /** false: only what is near is drawn, the rest follows */
  isWhole: boolean;
  /** the lowest rung that reaches the need, with its line below */
  boundary: Rung | undefined;
  needLine: ReactNode;
}

/** The rungs, the highest total first. */
function Rungs(props: RungsProps) {
  const t = useTranslations('options');
  const { rungs, answer, planCase, supplies, steering, onSteer, looked, places, onLook, onPut } = props;
  const { box, scale, isWhole, boundary, needLine } = props;
  const [opened, setOpened] = useState<ReadonlySet<number>>(new Set());
  const [gliding] = useState(() => new Gliding());
  // After each drawing: its marks have said by then where they stand.
  useLayoutEffect(() => gliding.start(() => window.matchMedia('(prefers-reduced-motion: reduce)').matches));
  const downwards = useMemo(() => [...rungs].reverse(), [rungs]);
  const start = startOf(rungs);
  const startAt = start === undefined ? 0 : downwards.indexOf(start);
  const reachable = looked ?? (start === undefined ? null : planKey(start.best));
  const lookedMiB = rungs.find(({ plans }) => plans.some((plan) => planKey(plan) === looked))?.totalMiB ?? null;
  const reachableMiB = looked === null ? (start?.totalMiB ?? null) : lookedMiB;
  const look = useCallback((key: string) => onLook(key), [onLook]);
  const open = useCallback((total: number) => {
    setOpened((before) => {
      const next = new Set(before);
      if (!next.delete(total)) next.add(total);
      return next;
    });
  }, []);
  const onKeyDown = useLadderKeys({ box, rungs: downwards, looked, reachable, onLook, onPut });
  const needDrag = useNeedDrag(onSteer);
  return (
    <ol onKeyDown={onKeyDown} aria-label={t('ladderLabel')} className="relative pb-3" {...needDrag}>
      <GlidingContext.Provider value={gliding}>
        {downwards.map((rung, nr) => (
          <RungRow
            key={rung.totalMiB}
            rung={rung}
            planCase={planCase}
            supplies={supplies}
            scale={scale}
            steering={steering}
            todayMiB={answer.baseline.totalMiB}
            looked={rung.totalMiB === lookedMiB ? looked : null}
            reachable={rung.totalMiB === reachableMiB ? reachable : null}
            places={places}
            open={opened.has(rung.totalMiB)}
            onLook={look}
            onOpen={open}
            bare={!isWhole && rung.totalMiB !== lookedMiB && Math.abs(nr - startAt) > NEAR}
            line={rung === boundary ? needLine : null}
          />
        ))}
      </GlidingContext.Provider>
    </ol>
  );
}
