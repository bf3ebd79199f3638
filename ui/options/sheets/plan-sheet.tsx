'use client';
import { useEffect, useState } from 'react';
import { capacityText } from '@/core/memory/capacity';
import { alternativesTo } from '@/core/planning/explain/alternatives';
import { explainPlan } from '@/core/planning/explain/explain-plan';
import { planSentences } from '@/core/planning/explain/explain-words';
import { type Move, movesOf } from '@/core/planning/explain/moves';
import { boughtText, fateText } from '@/core/planning/explain/plan-words';
import { savingText } from '@/core/planning/explain/saving-words';
import { coverNotice } from '@/core/planning/filters/cover';
import type { PlanCase } from '@/core/planning/model/case';
import { offerOf } from '@/core/planning/model/offer-of';
import type { Plan } from '@/core/planning/search/plan';
import { moneyText } from '@/core/pricing/money-text';
import { boardPictures } from '@/core/quoting/paper/board-pictures';
import { callOnce } from '../../client/session-guard';
import { BoardStrip } from '../../customer/board-strip';
import { useJob } from '../../job/job-context';
import { Sheet } from '../../kit/sheet';
import type { NotedPrice } from '../../offers/listed-offer';
import { PriceHistory } from '../../offers/price-history';
import { LANE_WORDS } from '../lane-words';
import { Reasons } from './reasons';
import { sentenceOf } from './sentence-of';

interface PlanSheetProps {
  plan: Plan;
  planCase: PlanCase;
  /** all plans of the ladder */
  plans: readonly Plan[];
  onClose: () => void;
}

const MOVE_WORDS: { [What in Move['what']]: (move: Extract<Move, { what: What }>, planCase: PlanCase) => string } = {
  out: ({ slot, mib }) => `Take the ${capacityText(mib)} out of ${slot}.`,
  'set-aside': ({ slot, mib }) => `Lay the ${capacityText(mib)} of ${slot} aside for a moment.`,
  move: ({ from, to, mib }) => `Put the ${capacityText(mib)} of ${from} into ${to}.`,
  in: ({ slot, offer, mib }, { offers }) => {
    const maker = offerOf(offers, offer)?.module.maker;
    return `Put a new ${capacityText(mib)}${maker == null ? '' : ` of ${maker}`} into ${slot}.`;
  },
};

function moveText(move: Move, planCase: PlanCase): string {
  const words = MOVE_WORDS[move.what] as (one: Move, of: PlanCase) => string;
  return words(move, planCase);
}

/** `two days sooner`, `3 days later`, `as soon`. */
function soonerText(days: number): string {
  if (days === 0) return 'as soon';
  const many = Math.abs(days) === 1 ? 'a day' : `${Math.abs(days)} days`;
  return days < 0 ? `${many} sooner` : `${many} later`;
}

/** One offer that is bought: from whom, what else would be the same, and what it cost before. */
function Bought({ id, count, planCase }: { id: string; count: number; planCase: PlanCase }) {
  const { job } = useJob();
  const [prices, setPrices] = useState<NotedPrice[] | null>(null);
  const offer = offerOf(planCase.offers, id);
  useEffect(() => {
    let here = true;
    void callOnce<NotedPrice[]>('POST', `/api/offers/${id.replace(/^offer-/, '')}/prices`, null).then((answer) => {
      if (here && answer.ok) setPrices(answer.value);
    });
    return () => {
      here = false;
    };
  }, [id]);
  if (offer === undefined) return null;
  const supply = job.supplies[id];
  const daysOf = (one: string) => job.supplies[one]?.leadDays ?? 0;
  const others = alternativesTo(planCase, id, count).slice(0, 3);
  const money = (cents: number) => moneyText(cents, planCase.currency);
  return (
    <li className="border-t border-line py-1.5">
      <p>
        <strong className="font-semibold">
          {count} × {offer.label}
        </strong>
        , {money(offer.priceCents)} each
        <span className="text-ink-2">
          {' '}
          · {supply?.seller ?? 'nobody knows from whom'}, {daysOf(id) === 0 ? 'here now' : `in ${daysOf(id)} days`}
          {offer.stock != null && `, ${offer.stock} left`}
        </span>
        {supply?.aged != null && <span className="text-mind"> △ {supply.aged}</span>}
      </p>
      {others.map(({ offer: other, cents }) => (
        <p key={other.id} className="text-ink-2">
          The same from {job.supplies[other.id]?.seller ?? 'another'}
          {other.module.maker != null && other.module.maker !== offer.module.maker && ` (${other.module.maker})`}:{' '}
          {cents === 0 ? 'as dear' : `${cents > 0 ? '+' : '−'}${money(Math.abs(cents))}`},{' '}
          {soonerText(daysOf(other.id) - daysOf(id))}
        </p>
      ))}
      {prices !== null && prices.length > 0 && (
        <details className="mt-0.5">
          <summary className="cursor-pointer text-ink-2 w-fit underline underline-offset-2 decoration-line">
            {prices.length === 1 ? 'Its one price' : `Its ${prices.length} prices`} so far
          </summary>
          <PriceHistory prices={prices} currency={planCase.currency} />
        </details>
      )}
    </li>
  );
}

/** All there is to say of one plan: before and after, what to do, why it runs as it does, and what is bought from whom. */
export function PlanSheet({ plan, planCase, plans, onClose }: PlanSheetProps) {
  const { job } = useJob();
  const { before, after } = boardPictures(planCase, plan);
  const moves = movesOf(planCase, plan);
  const money = (cents: number) => moneyText(cents, planCase.currency);
  const cover = coverNotice(plan.lane, job.cover);
  return (
    <Sheet
      open
      wide
      title={`${capacityText(plan.totalMiB)} for ${money(plan.priceCents)}`}
      description={`${LANE_WORDS[plan.lane]}, ${plan.care}; ${savingText(plan, plans, planCase.currency)}`}
      onClose={onClose}
    >
      <div className="grid sm:grid-cols-[11rem_minmax(0,1fr)] gap-x-6 gap-y-3 text-sm">
        <div className="grid grid-cols-2 sm:grid-cols-1 gap-3 content-start">
          <BoardStrip title="Today" board={before} named />
          <BoardStrip title="After" board={after} named />
        </div>
        <div className="grid gap-3 content-start min-w-0">
          <section aria-label="What to do">
            <h3 className="text-base">What to do</h3>
            <ol className="list-decimal pl-5 marker:font-semibold">
              {moves.map((move) => (
                <li key={`${move.what} ${move.what === 'move' ? move.from : move.slot}`}>{moveText(move, planCase)}</li>
              ))}
            </ol>
            <p className="text-ink-2">{sentenceOf(fateText(planCase, plan))}</p>
          </section>
          <section aria-label="How it will run">
            <h3 className="text-base">How it will run</h3>
            {planSentences(planCase, explainPlan(planCase, plan)).map((sentence) => (
              <p key={sentence}>{sentence}</p>
            ))}
            <Reasons plan={plan} planCase={planCase} cover={cover} />
          </section>
          <section aria-label="What is bought">
            <h3 className="text-base">What is bought</h3>
            <p className="text-ink-2">{boughtText(planCase, plan)}</p>
            <ul>
              {plan.bought.map(({ offer, count }) => (
                <Bought key={offer} id={offer} count={count} planCase={planCase} />
              ))}
            </ul>
            <p className="border-t border-line pt-1">
              {money(plan.perGiBCents)} per GB
              {plan.perAddedGiBCents !== null && `, ${money(plan.perAddedGiBCents)} per added GB`}; with fitting{' '}
              {money(planCase.labourCents ?? 0)}
            </p>
          </section>
        </div>
      </div>
    </Sheet>
  );
}
