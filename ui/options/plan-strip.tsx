'use client';
import { capacityText } from '@/core/memory/capacity';
import { makeBoard } from '@/core/planning/board';
import type { PlanCase } from '@/core/planning/case';
import { inForce } from '@/core/planning/in-force';
import { planKey } from '@/core/planning/ladder';
import type { Plan } from '@/core/planning/plan';
import { boughtText, fateText, freeText, runText } from '@/core/planning/plan-words';
import { moneyText } from '@/core/pricing/money-text';
import { savingPercent } from '@/core/pricing/saving';
import { reasonFacts } from '@/core/quoting/option';
import { NOTE_WORDS, STAFF_REASONS } from '@/core/quoting/reason-words';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { LANE_WORDS } from './lane-words';

interface PlanStripProps {
  plan: Plan;
  planCase: PlanCase;
  places: ReadonlyMap<string, number>;
  busy: boolean;
  sentence: string | null;
  onPut: (place: number) => void;
}

function Sellers({ plan }: { plan: Plan }) {
  const { job } = useJob();
  return (
    <ul>
      {plan.bought.map(({ offer: id, count }) => {
        const offer = job.planCase?.offers.find((one) => one.id === id);
        const supply = job.supplies[id];
        if (offer === undefined || supply === undefined) return null;
        const days = supply.leadDays;
        return (
          <li key={id}>
            {count} × {offer.label}, {moneyText(offer.priceCents, job.currency)} each
            <span className="text-ink-2">
              {' '}
              · {supply.seller}, {days === null ? 'here now' : days === 1 ? '1 day' : `${days} days`}
              {offer.stock != null && `, ${offer.stock} left`}
              {supply.testedBy.length > 0 && ` · tested in this model: ${supply.testedBy.join(', ')}`}
            </span>
            {supply.aged !== null && <span className="text-mind"> △ {supply.aged}</span>}
          </li>
        );
      })}
    </ul>
  );
}

/** What the saving is measured against; where no original ends at this total, that is said. */
function savingText(plan: Plan, currency: string): string {
  if (plan.lane === 'original') return 'this is the original';
  if (plan.savingCents === null) return 'no original part reaches this total';
  const percent = savingPercent(plan.savingCents, plan.priceCents);
  if (percent === null) return `${moneyText(-plan.savingCents, currency)} more than the original`;
  return `saves ${moneyText(plan.savingCents, currency)} (${percent} %) against the original`;
}

/** The plan that is looked at: figures, sellers, reasons, and the way onto the slip. */
export function PlanStrip({ plan, planCase, places, busy, sentence, onPut }: PlanStripProps) {
  const facts = reasonFacts(planCase, plan, inForce(makeBoard(planCase)));
  const on = places.get(planKey(plan));
  const taken = [...places.values()];
  const firstFree = [1, 2, 3].find((place) => !taken.includes(place));
  return (
    <section
      aria-label="The plan you look at"
      className="bg-sheet border-2 border-act px-4 py-2.5 shrink-0 max-h-[36dvh] overflow-auto"
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
        <h2 className="text-base">
          {capacityText(plan.totalMiB)} for {moneyText(plan.priceCents, planCase.currency)}{' '}
          <span className="font-normal text-ink-2 text-sm">
            {LANE_WORDS[plan.lane]}, {plan.care}; {savingText(plan, planCase.currency)}
          </span>
        </h2>
        <div className="flex items-center gap-1.5">
          <span className="text-sm text-ink-2 mr-1">
            {on === undefined ? 'Put on the slip as' : `On the slip as ${on};`}
          </span>
          {[1, 2, 3].map((place) => (
            <Button
              key={place}
              weight={on === undefined && place === firstFree ? 'act' : 'plain'}
              disabled={busy || on === place}
              onClick={() => onPut(place)}
              aria-label={`Put on the slip as option ${place}`}
            >
              {place}
            </Button>
          ))}
        </div>
      </div>
      {sentence !== null && (
        <p role="alert" className="text-stop text-sm font-medium">
          {sentence}
        </p>
      )}
      <div className="grid md:grid-cols-2 gap-x-5 gap-y-1 text-sm mt-1">
        <div>
          <p className="font-medium">{boughtText(planCase, plan)}</p>
          <Sellers plan={plan} />
          <p className="text-ink-2">
            {moneyText(plan.perGiBCents, planCase.currency)} per GB
            {plan.perAddedGiBCents !== null && `, ${moneyText(plan.perAddedGiBCents, planCase.currency)} per added GB`}{' '}
            · {runText(plan)} · {freeText(plan)} · {fateText(planCase, plan)}
            {plan.latencyNs !== null && ` · first word after ${plan.latencyNs.toFixed(1)} ns`}
          </p>
        </div>
        <ul className="grid gap-0.5 content-start">
          {plan.reasons.map((reason) => (
            <li key={reason} className="flex gap-2">
              <span aria-hidden="true" className="text-mind font-bold">
                △
              </span>
              {STAFF_REASONS[reason](facts)}
            </li>
          ))}
          {plan.notes.map((note) => (
            <li key={note} className="text-ink-2 flex gap-2">
              <span aria-hidden="true">·</span>
              {NOTE_WORDS[note](facts)}
            </li>
          ))}
          {plan.reasons.length + plan.notes.length === 0 && (
            <li className="text-good">✓ Nothing to mind: within the papers, matched and even.</li>
          )}
        </ul>
      </div>
    </section>
  );
}
