'use client';
import { useState } from 'react';
import { listed } from '@/core/planning/compare-plans';
import { moneyText } from '@/core/pricing/money-text';
import type { PartDrift } from '@/core/quoting/drift';
import { useKeys } from '../client/use-keys';
import type { Saving } from '../client/use-save';
import { useJob } from '../job/job-context';
import type { QuoteDrift } from '../job/job-view';
import { Button } from '../kit/button';
import { KeyHint } from '../kit/key-hint';
import { Notice } from '../kit/notice';

interface Renewed {
  same: number[];
  equal: number[];
  lost: number[];
}

const GONE = { 'sold-out': 'is sold out', withdrawn: 'is off the market' } as const;

/** What became of one part, in a clause. */
function partText({ count, wasCents, nowCents, what, seller }: PartDrift, title: string, currency: string): string {
  const part = `${count > 1 ? `${count} × ` : ''}${title}${seller === '' ? '' : ` from ${seller}`}`;
  if (what === 'sold-out' || what === 'withdrawn') return `${part} ${GONE[what]}`;
  const by = moneyText(Math.abs((nowCents ?? 0) - wasCents), currency);
  const cost = `${moneyText(wasCents, currency)} then, ${moneyText(nowCents ?? 0, currency)} now`;
  return `${part} costs us ${by} ${what === 'dearer' ? 'more' : 'less'} each (${cost})`;
}

function driftText({ place, parts, titles, leftCents, leavesCents }: QuoteDrift, currency: string): string {
  const moved = listed(parts.map((part) => partText(part, titles[part.offer] ?? 'a part', currency)));
  const left =
    leavesCents === null
      ? 'it cannot be bought as promised'
      : `it leaves ${moneyText(leavesCents, currency)} instead of ${moneyText(leftCents, currency)}`;
  return `Option ${place}: ${moved}; ${left}.`;
}

const named = (places: readonly number[]): string =>
  places.length === 1 ? `Option ${places[0]}` : `Options ${listed(places.map(String))}`;

function renewedText({ same, equal, lost }: Renewed): string {
  return [
    ...(same.length > 0 ? [`${named(same)}: the same at today’s prices.`] : []),
    ...(equal.length > 0 ? [`${named(equal)}: the next best equal plan.`] : []),
    ...(lost.length > 0 ? [`${named(lost)}: nothing equal is left; choose on the ladder.`] : []),
    'Look, then send it as a new version.',
  ].join(' ');
}

/** What moved behind the quote that is out, what that does to what is left, and the ways on: renew it, or let it hold. */
export function Drifts({ saving: { busy, save } }: { saving: Saving }) {
  const { job } = useJob();
  const [renewed, setRenewed] = useState<Renewed | null>(null);
  const mayRenew = job.drifts.length > 0 && job.slip.length === 0 && !busy;
  const renew = async () => {
    const result = await save<Renewed>('POST', `/api/jobs/${job.id}/quote/again`);
    if (result.ok) setRenewed(result.value);
  };
  useKeys({ r: () => mayRenew && void renew() });
  if (renewed !== null && job.slip.length > 0)
    return (
      <Notice tone="good" live>
        {renewedText(renewed)}
      </Notice>
    );
  if (job.drifts.length === 0) return null;
  const isAccepted = job.sent.find(({ state }) => state === 'sent')?.standing === 'accepted';
  return (
    <section aria-label="What moved since the quote went out">
      <Notice tone="mind">
        <p className="font-semibold">
          What {isAccepted ? 'the accepted quote' : 'the quote'} buys has moved. Its prices hold for the customer.
        </p>
        <ul>
          {job.drifts.map((drift) => (
            <li key={drift.place}>{driftText(drift, job.currency)}</li>
          ))}
        </ul>
        {job.slip.length === 0 && (
          <div className="flex flex-wrap items-center gap-3 mt-1.5">
            <Button disabled={!mayRenew} onClick={() => void renew()} aria-keyshortcuts="r">
              Renew it at today’s prices <KeyHint of="R" />
            </Button>
            <span className="text-sm text-ink-2">
              What cannot be had is replaced by the next best equal plan. Or let it hold: nothing has to be done.
            </span>
          </div>
        )}
      </Notice>
    </section>
  );
}
