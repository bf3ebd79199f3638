'use client';
import { useEffect, useState } from 'react';
import { useTranslations } from '#translations';
import { alternativesTo } from '@/core/planning/explain/alternatives';
import { explainPlan } from '@/core/planning/explain/explain-plan';
import { planSentences } from '@/core/planning/explain/explain-words';
import { type Move, movesOf } from '@/core/planning/explain/moves';
import { boughtText, fateText } from '@/core/planning/explain/plan-words';
import { coverNotice } from '@/core/planning/filters/cover';
import type { PlanCase } from '@/core/planning/model/case';
import { offerOf } from '@/core/planning/model/offer-of';
import type { Plan } from '@/core/planning/search/plan';
import { boardPictures } from '@/core/quoting/paper/board-pictures';
import type { StaffWords } from '@/words/staff-words';
import { callOnce } from '../../client/session-guard';
import { BoardStrip } from '../../customer/board-strip';
import { useJob } from '../../job/job-context';
import { Sheet } from '../../kit/sheet';
import type { ShownPrice } from '../../offers/listed-offer';
import { PriceHistory } from '../../offers/price-history';
import { capacityText, moneyText } from '../../words/amounts';
import { agedText, sellerText } from '../../words/market-words';
import { LaterNote } from '../notes/later-note';
import { LANE_WORDS } from '../said/lane-words';
import { guaranteeText, madeText, testedText } from '../said/made';
import { savingSaid } from '../said/saving-said';
import { usePlanSay } from '../use-plan-say';
import { Reasons } from './reasons';
import { sentenceOf } from './sentence-of';

interface PlanSheetProps {
  plan: Plan;
  planCase: PlanCase;
  /** all plans of the ladder */
  plans: readonly Plan[];
  onClose: () => void;
}

function moveText(t: StaffWords<'options'>, move: Move, { offers }: PlanCase): string {
  const mib = capacityText(move.mib);
  switch (move.what) {
    case 'out':
      return t('do.takeOut', { mib, slot: move.slot });
    case 'set-aside':
      return t('do.aside', { mib, slot: move.slot });
    case 'move':
      return t('do.move', { mib, from: move.from, to: move.to });
    case 'in': {
      const maker = offerOf(offers, move.offer)?.module.maker;
      return t('do.put', { mib, value: maker == null ? '' : t('do.of', { maker }), slot: move.slot });
    }
  }
}

/** `two days sooner`, `3 days later`, `as soon`. */
function soonerText(t: StaffWords<'options'>, days: number): string {
  if (days === 0) return t('sooner.same');
  const many = Math.abs(days) === 1 ? t('sooner.day') : t('sooner.days', { value: Math.abs(days) });
  return days < 0 ? t('sooner.sooner', { many }) : t('sooner.later', { many });
}

/** One offer that is bought: from whom, what else would be the same, and what it cost before. */
function Bought({ id, count, planCase }: { id: string; count: number; planCase: PlanCase }) {
  const t = useTranslations('options');
  const tTrade = useTranslations('trade');
  const { job } = useJob();
  const [prices, setPrices] = useState<ShownPrice[] | null>(null);
  const offer = offerOf(planCase.offers, id);
  useEffect(() => {
    let here = true;
    void callOnce<ShownPrice[]>('POST', `/api/offers/${id.replace(/^offer-/, '')}/prices`, null).then((answer) => {
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
  const made = [madeText(offer.module), guaranteeText(t, supply), testedText(t, supply)].filter(Boolean).join(' · ');
  return (
    <li className="border-t border-line py-1.5">
      <p>
        {t.rich('sheet.buys', {
          e0: () => (
            <strong className="font-semibold">
              {count} × {offer.label}
            </strong>
          ),
          priceCents: money(offer.priceCents),
          e1: () => (
            <span className="text-ink-2">
              {' '}
              · {supply === undefined ? t('sheet.noSeller') : sellerText(tTrade, supply.seller)},{' '}
              {daysOf(id) === 0 ? t('delivery.now') : t('delivery.inDays', { id: daysOf(id) })}
              {offer.stock != null && t('sheet.left', { stock: offer.stock })}
            </span>
          ),
          value: () => supply?.aged != null && <span className="text-mind"> △ {agedText(tTrade, supply.aged)}</span>,
        })}
      </p>
      {made !== '' && <p className="text-ink-2">{made}</p>}
      {others.map(({ offer: other, cents }) => (
        <p key={other.id} className="text-ink-2">
          {t('sheet.sameFrom', {
            value: sellerText(tTrade, job.supplies[other.id]?.seller ?? t('sheet.another')),
            value2:
              other.module.maker != null && other.module.maker !== offer.module.maker ? ` (${other.module.maker})` : '',
            value3: cents === 0 ? t('sheet.samePrice') : `${cents > 0 ? '+' : '−'}${money(Math.abs(cents))}`,
            id: soonerText(t, daysOf(other.id) - daysOf(id)),
          })}
        </p>
      ))}
      {prices !== null && prices.length > 0 && (
        <details className="mt-0.5">
          <summary className="cursor-pointer text-ink-2 w-fit underline underline-offset-2 decoration-line">
            {t('sheet.prices', {
              prices: t('sheet.manyPrices', { prices: prices.length }),
            })}
          </summary>
          <PriceHistory prices={prices} currency={planCase.currency} />
        </details>
      )}
    </li>
  );
}

/** All there is to say of one plan: before and after, what to do, why it runs as it does, and what is bought from whom. */
export function PlanSheet({ plan, planCase, plans, onClose }: PlanSheetProps) {
  const t = useTranslations('options');
  const tTrade = useTranslations('trade');
  const { job } = useJob();
  const say = usePlanSay(planCase.currency);
  const { before, after } = boardPictures(planCase, plan);
  const moves = movesOf(planCase, plan);
  const money = (cents: number) => moneyText(cents, planCase.currency);
  const cover = coverNotice(plan.lane, job.cover);
  return (
    <Sheet
      open
      wide
      title={t('forPrice', { totalMiB: capacityText(plan.totalMiB), priceCents: money(plan.priceCents) })}
      description={`${tTrade(LANE_WORDS[plan.lane])}, ${tTrade(`cautions.${plan.care}`)}; ${savingSaid(t, say, plan, { plans, supplies: job.supplies })}`}
      onClose={onClose}
    >
      <div className="grid sm:grid-cols-[11rem_minmax(0,1fr)] gap-x-6 gap-y-3 text-sm">
        <div className="grid grid-cols-2 sm:grid-cols-1 gap-3 content-start">
          <BoardStrip title={t('sheet.today')} board={before} named />
          <BoardStrip title={t('sheet.after')} board={after} named />
        </div>
        <div className="grid gap-3 content-start min-w-0">
          <section aria-label={t('sheet.doLabel')}>
            <h3 className="text-base">{t('sheet.doLabel')}</h3>
            <ol className="list-decimal pl-5 marker:font-semibold">
              {moves.map((move) => (
                <li key={`${move.what} ${move.what === 'move' ? move.from : move.slot}`}>
                  {moveText(t, move, planCase)}
                </li>
              ))}
            </ol>
            <p className="text-ink-2">{sentenceOf(fateText(say.t, planCase, plan))}</p>
          </section>
          <section aria-label={t('sheet.runLabel')}>
            <h3 className="text-base">{t('sheet.runLabel')}</h3>
            {planSentences(say.t, planCase, explainPlan(planCase, plan)).map((sentence) => (
              <p key={sentence}>{sentence}</p>
            ))}
            <Reasons plan={plan} planCase={planCase} cover={cover} />
          </section>
          <section aria-label={t('sheet.buyLabel')}>
            <h3 className="text-base">{t('sheet.buyLabel')}</h3>
            <p className="text-ink-2">{boughtText(say.t, planCase, plan)}</p>
            <ul>
              {plan.bought.map(({ offer, count }) => (
                <Bought key={offer} id={offer} count={count} planCase={planCase} />
              ))}
            </ul>
            <p className="border-t border-line pt-1">
              {t('sheet.perGb', {
                perGiBCents: money(plan.perGiBCents),
                value:
                  plan.perAddedGiBCents !== null
                    ? t('sheet.perAdded', { perAddedGiBCents: money(plan.perAddedGiBCents) })
                    : '',
                value2: money(planCase.labourCents ?? 0),
              })}
            </p>
            <LaterNote plan={plan} planCase={planCase} />
          </section>
        </div>
      </div>
    </Sheet>
  );
}
