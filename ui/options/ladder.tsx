'use client';
import { max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { type KeyboardEvent, useEffect, useMemo, useRef } from 'react';
import { capacityText } from '@/core/memory/capacity';
import type { PlanCase } from '@/core/planning/case';
import { planKey, type Rung } from '@/core/planning/ladder';
import type { Answer, Plan } from '@/core/planning/plan';
import { useWidth } from '../client/use-width';
import { nextPlanKey } from './ladder-keys';
import { PriceAxis } from './price-axis';
import { LABEL_WIDTH, RungRow } from './rung-row';

interface LadderProps {
  rungs: readonly Rung[];
  answer: Answer;
  planCase: PlanCase;
  needMiB: number | null;
  budgetCents: number | null;
  looked: Plan | null;
  places: ReadonlyMap<string, number>;
  onLook: (plan: Plan) => void;
  /** puts the plan that is looked at on the slip */
  onPut: (place: number) => void;
}

const RIGHT_ROOM = 28;
/** Room for the ground and the rungs below the wanted one, px. */
const GROUND_HEIGHT = 150;

/** The rung to stand on first: the lowest that reaches the need, else the lowest. */
function startKey(rungs: readonly Rung[], needMiB: number | null): string | null {
  const rung = rungs.find((one) => one.totalMiB >= (needMiB ?? 0)) ?? rungs[0];
  return rung === undefined ? null : planKey(rung.best);
}

/** Rungs of resulting capacity over today's machine, all plans at their price on one axis. */
export function Ladder({ rungs, answer, planCase, needMiB, budgetCents, looked, places, onLook, onPut }: LadderProps) {
  const [ref, width] = useWidth<HTMLDivElement>(860);
  const marks = useRef(new Map<string, HTMLButtonElement>());
  const { currency } = planCase;
  const scale = useMemo(() => {
    const dearest = max(rungs.flatMap((rung) => rung.plans.map((plan) => plan.priceCents))) ?? 0;
    return scaleLinear()
      .domain([0, Math.max(dearest, 100)])
      .nice(6)
      .range([0, Math.max(width - LABEL_WIDTH - RIGHT_ROOM, 120)]);
  }, [rungs, width]);
  const downwards = useMemo(() => [...rungs].reverse(), [rungs]);
  const lookedKey = looked === null ? null : planKey(looked);
  const focusKey = lookedKey ?? startKey(rungs, needMiB);

  const onKeyDown = (event: KeyboardEvent) => {
    if (/^[123]$/.test(event.key) && looked !== null) {
      onPut(Number(event.key));
      return;
    }
    const next = focusKey === null ? null : nextPlanKey(downwards, focusKey, event.key);
    if (next === null) return;
    event.preventDefault();
    const plan = rungs.flatMap((rung) => rung.plans).find((one) => planKey(one) === next);
    if (plan !== undefined) onLook(plan);
    marks.current.get(next)?.focus();
  };
  const first = useRef(startKey(rungs, needMiB));
  useEffect(() => {
    const box = ref.current;
    const row = first.current === null ? null : marks.current.get(first.current)?.closest('li');
    if (box === null || row == null) return;
    // The rung that is wanted stands low in the box, with what is more above it.
    box.scrollTop = row.offsetTop + row.offsetHeight - box.clientHeight + GROUND_HEIGHT;
  }, [ref]);
  useEffect(() => {
    if (lookedKey !== null) marks.current.get(lookedKey)?.scrollIntoView({ block: 'nearest' });
  }, [lookedKey]);
  const markRef = (key: string) => (element: HTMLButtonElement | null) => {
    if (element === null) marks.current.delete(key);
    else marks.current.set(key, element);
  };
  const axisEnd = scale.range()[1] ?? 0;
  const budgetX = budgetCents === null || scale(budgetCents) > axisEnd ? null : scale(budgetCents);
  const { totalMiB, rateMTs } = answer.baseline;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: the marks within take the keys; this only lets the box be scrolled
    <section ref={ref} aria-label="Ladder" tabIndex={0} className="ladder-box">
      <PriceAxis scale={scale} currency={currency} budgetX={budgetX} />
      <ol onKeyDown={onKeyDown} aria-label="Plans by total; arrow keys move, 1 2 3 put on the slip">
        {downwards.map((rung) => (
          <RungRow
            key={rung.totalMiB}
            rung={rung}
            planCase={planCase}
            scale={scale}
            currency={currency}
            todayMiB={totalMiB}
            needMiB={needMiB}
            budgetX={budgetX}
            looked={lookedKey}
            focusKey={focusKey}
            places={places}
            onLook={onLook}
            markRef={markRef}
          />
        ))}
      </ol>
      <div className="flex items-center gap-3 pt-1.5 ground-hatch sticky bottom-0 z-20">
        <span className="text-lg font-bold wide shrink-0" style={{ width: LABEL_WIDTH - 12 }}>
          {totalMiB === 0 ? 'empty' : capacityText(totalMiB)}
        </span>
        <span className="text-sm text-ink-2 bg-ground px-2">
          today
          {rateMTs === null ? '' : `, at ${rateMTs} MT/s and ${answer.baseline.bandwidthMBs.toLocaleString('en')} MB/s`}
        </span>
      </div>
    </section>
  );
}
