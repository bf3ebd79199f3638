'use client';
import { type ReactNode, useMemo } from 'react';
import { useTranslations } from '#translations';
import { moduleText } from '@/core/memory/module-words';
import { againstLine, standingLines } from '@/core/planning/explain/hand-made-words';
import { fateText, freeText, runText } from '@/core/planning/explain/plan-words';
import { coverNotice } from '@/core/planning/filters/cover';
import type { PlanCase } from '@/core/planning/model/case';
import { offerOf } from '@/core/planning/model/offer-of';
import type { PlanChoice } from '@/core/planning/search/evaluate-choice';
import type { Answer } from '@/core/planning/search/plan';
import { takesOffer } from '../../board/dropped-offer';
import { useJob } from '../../job/job-context';
import { Button } from '../../kit/button';
import { capacityText, moneyText } from '../../words/amounts';
import { LateNote } from '../notes/late-note';
import { deliveryText } from '../said/delivery';
import { LANE_WORDS } from '../said/lane-words';
import { Reasons } from '../sheets/reasons';
import { usePlanSay } from '../use-plan-say';
import { OfferList } from './offer-list';
import { withPacks } from './set-packs';
import type { Made } from './use-hand-made';

interface ComposePanelProps {
  planCase: PlanCase;
  answer: Answer;
  set: PlanChoice;
  made: Made;
  /** what could not be saved, in a sentence */
  sentence: string | null;
  /** the buttons that add it to the quote */
  places: ReactNode;
  onChange: (set: PlanChoice) => void;
  onEnd: () => void;
}

type PartProps = Pick<ComposePanelProps, 'planCase' | 'set' | 'onChange'>;

/** What is in the machine: each module stays or comes out. */
function Inside({ planCase, set, onChange }: PartProps) {
  const t = useTranslations('options');
  const { installed, machine } = planCase;
  const soldered = machine.slots.flatMap(({ id, soldered: module }) => (module == null ? [] : [{ id, module }]));
  const turn = (slot: string) => {
    const kept = installed.flatMap((one) => ((one.slot === slot) !== set.kept.includes(one.slot) ? [one.slot] : []));
    onChange({ ...set, kept });
  };
  // An offer that is dropped on a module takes its place.
  const takePlace = (slot: string, offer: string) =>
    onChange(withPacks(planCase, { ...set, kept: set.kept.filter((one) => one !== slot) }, offer));
  return (
    <section>
      <h3 className="text-sm font-semibold">{t('compose.inside')}</h3>
      {installed.length + soldered.length === 0 && <p className="text-sm text-ink-2">{t('compose.nothingInside')}</p>}
      <ul className="text-sm">
        {installed.map(({ slot, module }) => {
          const stays = set.kept.includes(slot);
          return (
            <li
              key={slot}
              {...takesOffer((offer) => takePlace(slot, offer))}
              className="flex flex-wrap items-center justify-between gap-x-2 border-b border-line py-0.5"
            >
              <span className={stays ? '' : 'line-through text-ink-2'}>
                {slot}: {moduleText(module)}
              </span>
              <Button
                weight="quiet"
                aria-label={t(stays ? 'compose.takeOutLabel' : 'compose.keepLabel', {
                  module: moduleText(module),
                  slot,
                })}
                onClick={() => turn(slot)}
              >
                {stays ? t('compose.takeOut') : t('compose.keep')}
              </Button>
            </li>
          );
        })}
        {soldered.map(({ id, module }) => (
          <li key={id} className="border-b border-line py-0.5 text-ink-2">
            {id}: {moduleText(module)}, {t('compose.soldered')}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is bought: packs of each offer. */
function ToBuy({ planCase, set, onChange }: PartProps) {
  const t = useTranslations('options');
  return (
    <section className="mt-2">
      <h3 className="text-sm font-semibold">{t('compose.bought')}</h3>
      {set.bought.length === 0 && <p className="text-sm text-ink-2">{t('compose.nothingBought')}</p>}
      <ul className="text-sm">
        {set.bought.map(({ offer: id, count }) => {
          const offer = offerOf(planCase.offers, id);
          if (offer === undefined) return null;
          return (
            <li key={id} className="flex items-center gap-2 border-b border-line py-0.5">
              <span className="min-w-0 flex-1 break-words">{offer.label}</span>
              <span className="whitespace-nowrap">{moneyText(count * offer.priceCents, planCase.currency)}</span>
              <Button
                weight="quiet"
                aria-label={t('compose.fewer', { offer: offer.label })}
                onClick={() => onChange(withPacks(planCase, set, id, -1))}
              >
                −
              </Button>
              <span aria-hidden="true" className="min-w-6 text-center font-semibold">
                {count}
              </span>
              <Button
                weight="quiet"
                aria-label={t('compose.more', { offer: offer.label })}
                onClick={() => onChange(withPacks(planCase, set, id))}
              >
                +
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What the set gives, or why it cannot be. */
function Outcome({ planCase, made }: Pick<ComposePanelProps, 'planCase' | 'made'>) {
  const t = useTranslations('options');
  const { job } = useJob();
  const say = usePlanSay(planCase.currency);
  if (made === null) return <p className="text-ink-2 text-sm">{t('compose.weighing')}</p>;
  if (made === 'failed') return <p className="text-stop text-sm">{t('compose.failed')}</p>;
  if (!made.ok) {
    const isWrong = made.why !== 'today';
    return (
      <p className={`text-sm ${isWrong ? 'text-stop font-medium' : 'text-ink-2'}`}>
        {againstLine(say, planCase, made)}
      </p>
    );
  }
  const { plan, standing } = made;
  return (
    <div className="grid md:grid-cols-2 gap-x-5 gap-y-1 text-sm">
      <div>
        <p>
          {runText(say.t, plan)} · {freeText(say.t, plan)} · {fateText(say.t, planCase, plan)} ·{' '}
          {deliveryText(t, plan, job.supplies)}
        </p>
        <LateNote plan={plan} />
        {standingLines(say, planCase, standing).map((line) => (
          <p key={line} className={standing.is === 'shown' ? 'text-good' : 'text-ink-2'}>
            {line}
          </p>
        ))}
      </div>
      <Reasons plan={plan} planCase={planCase} cover={coverNotice(plan.lane, job.cover)} />
    </div>
  );
}

/** A plan put together by hand: what stays, what is bought, and what comes of it at once; the board shows where each module goes. */
export function ComposePanel(props: ComposePanelProps) {
  const { planCase, answer, set, made, sentence, places, onChange, onEnd } = props;
  const t = useTranslations('options');
  const tTrade = useTranslations('trade');
  const refused = useMemo(() => new Map(answer.refusedOffers.map(({ offer, codes }) => [offer, codes])), [answer]);
  const plan = made !== null && made !== 'failed' && made.ok ? made.plan : null;
  const part = { planCase, set, onChange };
  return (
    <section
      aria-label={t('compose.title')}
      {...takesOffer((offer) => onChange(withPacks(planCase, set, offer)))}
      className="bg-sheet border-2 border-act px-4 pt-2 pb-3 grid gap-2"
    >
      <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
        <h2 className="text-base">
          {plan === null
            ? t('compose.title')
            : t.rich('compose.head', {
                total: capacityText(plan.totalMiB),
                price: moneyText(plan.priceCents, planCase.currency),
                e0: () => (
                  <span className="font-normal text-ink-2 text-sm">
                    {tTrade(LANE_WORDS[plan.lane])}, {tTrade(`cautions.${plan.care}`)}
                  </span>
                ),
              })}
        </h2>
        {plan !== null && places}
        <Button weight="quiet" onClick={onEnd}>
          {t('compose.end')}
        </Button>
      </div>
      {sentence !== null && (
        <p role="alert" className="text-stop text-sm font-medium">
          {sentence}
        </p>
      )}
      <div aria-live="polite">
        <Outcome planCase={planCase} made={made} />
      </div>
      <div className="grid md:grid-cols-2 gap-x-5 gap-y-3">
        <div className="min-w-0">
          <Inside {...part} />
          <ToBuy {...part} />
        </div>
        <OfferList planCase={planCase} refused={refused} onAdd={({ id }) => onChange(withPacks(planCase, set, id))} />
      </div>
    </section>
  );
}
