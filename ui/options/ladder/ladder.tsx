'use client';
import {
  type KeyboardEvent,
  memo,
  type PointerEvent,
  useCallback,
  useDeferredValue,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { planKey, type Rung } from '@/core/planning/filters/ladder';
import type { Steering } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';
import type { Answer } from '@/core/planning/search/plan';
import type { OfferSupply } from '@/service/job/options/view';
import { useWidth } from '../../client/use-width';
import { Gliding, GlidingContext } from './glide';
import { nextPlanKey } from './ladder-keys';
import { NeedGrip } from './need-grip';
import { PriceAxis } from './price-axis';
import { type PriceScale, priceScale, steadied } from './price-scale';
import { LABEL_WIDTH, RungRow } from './rung-row';
import { TodayGround } from './today-ground';

interface LadderProps {
  /** the lowest total first */
  rungs: readonly Rung[];
  answer: Answer;
  planCase: PlanCase;
  supplies: Readonly<Record<string, OfferSupply>>;
  steering: Steering;
  onSteer: (patch: Partial<Steering>, live?: boolean) => void;
  /** key of the plan that is looked at */
  looked: string | null;
  places: ReadonlyMap<string, number>;
  onLook: (key: string) => void;
  /** puts the plan that is looked at on the slip */
  onPut: (place: number) => void;
}

/** From these on the ladder stands where its reader has it. */
const TOUCHES = ['pointerdown', 'wheel', 'keydown'] as const;
const RIGHT_ROOM = 28;
/** So many rungs above and below the one to stand on are drawn with the ladder itself; those further away follow at once. */
const NEAR = 4;
/** Room for the ground and the rungs below the wanted one, px. */
const GROUND_HEIGHT = 150;

/** As wide as the place for the work, which is there before the ladder is. */
const widthOfWork = (): number => document.getElementById('work')?.clientWidth ?? 860;

/** The rung to stand on first: the lowest that has plans that are wanted, else the lowest. */
function startOf(rungs: readonly Rung[]): Rung | undefined {
  return rungs.find((one) => one.isWanted) ?? rungs[0];
}

/** Rungs of resulting capacity over today's machine, all plans at their price on one axis, with the lines that steer. */
export const Ladder = memo(function Ladder(props: LadderProps) {
  const { rungs, answer, planCase, supplies, steering, onSteer, looked, places, onLook, onPut } = props;
  const [box, width] = useWidth<HTMLDivElement>(widthOfWork);
  const [opened, setOpened] = useState<ReadonlySet<number>>(new Set());
  const axis = useRef<PriceScale | null>(null);
  const scale = useMemo(() => {
    const prices = answer.plans.map((plan) => plan.priceCents);
    return steadied(axis.current, priceScale(prices, width - LABEL_WIDTH - RIGHT_ROOM));
  }, [answer, width]);
  useEffect(() => {
    axis.current = scale;
  }, [scale]);
  const downwards = useMemo(() => [...rungs].reverse(), [rungs]);
  const isWhole = useDeferredValue(true, false);
  const start = startOf(rungs);
  const startAt = start === undefined ? 0 : downwards.indexOf(start);
  const reachable = looked ?? (start === undefined ? null : planKey(start.best));
  const totalOf = (key: string | null) =>
    rungs.find(({ plans }) => plans.some((plan) => planKey(plan) === key))?.totalMiB ?? null;
  const lookedMiB = looked === null ? null : totalOf(looked);
  const reachableMiB = looked === null ? (start?.totalMiB ?? null) : lookedMiB;
  const { needMiB, budgetCents } = steering;
  const { totalMiB: todayMiB } = answer.baseline;
  const { currency } = planCase;

  const [gliding] = useState(() => new Gliding());
  // After each drawing: its marks have said by then where they stand.
  useLayoutEffect(() => gliding.start(() => window.matchMedia('(prefers-reduced-motion: reduce)').matches));

  const mark = useCallback(
    (key: string) => box.current?.querySelector<SVGGElement>(`[data-plan="${CSS.escape(key)}"]`) ?? null,
    [box],
  );
  const byKey = useRef(false);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (/^[123]$/.test(event.key) && looked !== null) {
      onPut(Number(event.key));
      return;
    }
    const next = reachable === null ? null : nextPlanKey(downwards, reachable, event.key);
    if (next === null) return;
    event.preventDefault();
    byKey.current = true;
    onLook(next);
  };
  useEffect(() => {
    if (looked === null) return;
    const drawn = mark(looked);
    if (byKey.current) drawn?.focus();
    byKey.current = false;
    drawn?.closest('li')?.scrollIntoView({ block: 'nearest' });
  }, [looked, mark]);
  const first = useRef(start?.totalMiB);
  useEffect(() => {
    const ladder = box.current;
    if (ladder === null) return;
    // The rung that is wanted stands low in the box, with what is more above it.
    const place = () => {
      const row = ladder.querySelector<HTMLElement>(`[data-rung="${first.current}"]`);
      if (row !== null) ladder.scrollTop = row.offsetTop + row.offsetHeight - ladder.clientHeight + GROUND_HEIGHT;
    };
    // Rows get their height when the width of the page and its letters are known: until somebody does something, the rung is
    // put in its place again, so that its line is never behind the ground.
    const grown = new ResizeObserver(place);
    for (const part of [ladder, ...ladder.querySelectorAll('ol')]) grown.observe(part);
    const stop = () => {
      grown.disconnect();
      for (const what of TOUCHES) window.removeEventListener(what, stop);
    };
    for (const what of TOUCHES) window.addEventListener(what, stop, { passive: true });
    return stop;
  }, [box]);

  const dragging = useRef(false);
  const needAt = (event: PointerEvent<HTMLElement>): number | null => {
    const rows = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-rung]')];
    const bottoms = rows.map((row) => ({ total: Number(row.dataset.rung), y: row.getBoundingClientRect().bottom }));
    const last = bottoms.at(-1);
    if (last === undefined || event.clientY > last.y + 14) return null;
    const nearest = bottoms.reduce((a, b) => (Math.abs(b.y - event.clientY) < Math.abs(a.y - event.clientY) ? b : a));
    return nearest.total;
  };
  const needLine = (
    <NeedGrip
      needMiB={needMiB}
      totals={rungs.map((rung) => rung.totalMiB)}
      todayMiB={todayMiB}
      onNeed={(mib) => onSteer({ needMiB: mib })}
    />
  );
  const boundary = needMiB === null ? rungs[0] : rungs.find((rung) => rung.totalMiB >= needMiB);
  const end = scale.at.range()[1] ?? 0;
  const budgetX = budgetCents === null ? null : scale.at(budgetCents);
  const look = useCallback((key: string) => onLook(key), [onLook]);
  const open = useCallback((total: number) => {
    setOpened((before) => {
      const next = new Set(before);
      if (!next.delete(total)) next.add(total);
      return next;
    });
  }, []);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: the marks within take the keys; this only lets the box be scrolled
    <section ref={box} aria-label="Ladder" aria-busy={!isWhole} tabIndex={0} className="ladder-box">
      <PriceAxis
        scale={scale}
        currency={currency}
        budgetCents={budgetCents}
        box={box}
        onBudget={(cents, live) => onSteer({ budgetCents: cents }, live)}
      />
      <div className="relative">
        {budgetX !== null && budgetX <= end && (
          <div
            aria-hidden="true"
            className="absolute inset-y-0 right-0 border-l-2 border-act bg-sunk/60 pointer-events-none"
            style={{ left: LABEL_WIDTH + budgetX }}
          />
        )}
        {boundary === undefined && needLine}
        <ol
          onKeyDown={onKeyDown}
          aria-label="Plans by total; arrow keys move, 1 2 3 put on the slip"
          className="relative pb-3"
          onPointerDown={(event) => {
            if ((event.target as Element).closest('[data-grip]') === null) return;
            dragging.current = true;
            event.currentTarget.setPointerCapture(event.pointerId);
          }}
          onPointerMove={(event) => {
            if (dragging.current) onSteer({ needMiB: needAt(event) }, true);
          }}
          onPointerUp={(event) => {
            if (dragging.current) onSteer({ needMiB: needAt(event) });
            dragging.current = false;
          }}
          onPointerCancel={() => {
            dragging.current = false;
          }}
        >
          <GlidingContext.Provider value={gliding}>
            {downwards.map((rung, nr) => (
              <RungRow
                key={rung.totalMiB}
                rung={rung}
                planCase={planCase}
                supplies={supplies}
                scale={scale}
                steering={steering}
                todayMiB={todayMiB}
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
      </div>
      <TodayGround planCase={planCase} answer={answer} />
    </section>
  );
});
