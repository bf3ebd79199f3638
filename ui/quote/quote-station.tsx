'use client';
import Link from 'next/link';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { SentVersion, SlipOption } from '@/service/job/quote/view';
import type { JobView } from '@/service/job/view';
import { useKeys } from '../client/use-keys';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { Check } from '../kit/check';
import { Fault } from '../kit/fault';
import { KeyHint } from '../kit/key-hint';
import { Notice } from '../kit/notice';
import { dayText } from '../words/amounts';
import { Drifts } from './drifts';
import { OnCondition } from './on-condition';
import { OptionColumn } from './option-column';
import { OtherLines } from './other-lines';
import { SentVersions } from './sent-versions';
import { ShopSide } from './shop-side';
import { TermsBar } from './terms-bar';

/** What the figures of a draft go by, as they will once it is sent. */
const quoteOfDraft = ({ language, pricing, currency, taxBp, customer, machine, suggested, perGb }: JobView) => ({
  fenbrik: 'quote/1' as const,
  number: '',
  sentOn: '',
  validUntil: '',
  language,
  currency,
  taxBp,
  taxWay: pricing.taxWay,
  ...(perGb && { perGb: true as const }),
  ...(pricing.exempt !== null && { exempt: pricing.exempt }),
  shop: { name: '', town: '', contact: '' },
  customer,
  machine: { name: machine.name, totalMiB: 0 },
  suggested,
});

/** An option below the shop's lowest margin: an owner may let it go as it is, everybody else is told so. */
function LowestMargin({
  entry,
  saving,
}: {
  entry: Extract<SlipOption, { ok: true }>;
  saving: ReturnType<typeof useSave>;
}) {
  const t = useTranslations('quote');
  const { job } = useJob();
  const { place, option, lowest } = entry;
  if (lowest === 'reached') return null;
  const release = () =>
    saving.save('POST', `/api/jobs/${job.id}/quote/release`, { place, totalCents: option.totalCents });
  return (
    <div className="border-l-4 border-mind bg-sunk px-2.5 py-1.5 text-sm">
      <p className="font-semibold">{t('margin.below')}</p>
      {lowest === 'released' ? (
        <p>{t('margin.released')}</p>
      ) : job.may.sellBelowLowest ? (
        <Button disabled={saving.busy} onClick={() => void release()}>
          {t('margin.release')}
        </Button>
      ) : (
        <p>{t('margin.needs')}</p>
      )}
    </div>
  );
}

function DraftColumn({ entry, onSave }: { entry: SlipOption; onSave: ReturnType<typeof useSave> }) {
  const t = useTranslations('quote');
  const { job } = useJob();
  const { busy, save } = onSave;
  const suggested = job.suggested === entry.place;
  const drop = async () => {
    for (const { jobId } of job.groups) await save('DELETE', `/api/jobs/${jobId}/options/${entry.place}`);
  };
  if (!entry.ok) {
    return (
      <article
        className="bg-sheet border-t-4 border-stop px-4 py-3 grid gap-2 content-start"
        aria-label={t('option.name', { place: entry.place })}
      >
        <p className="text-sm text-ink-2">{t('option.name', { place: entry.place })}</p>
        <p className="text-stop font-medium">{entry.sentence}</p>
        <Button disabled={busy} onClick={drop}>
          {t('remove')}
        </Button>
      </article>
    );
  }
  return (
    <OptionColumn option={entry.option} quote={quoteOfDraft(job)} suggested={suggested} saving={onSave}>
      <LowestMargin entry={entry} saving={onSave} />
      <OnCondition entry={entry} saving={onSave} />
      <ShopSide option={entry.option} supplies={job.slipSupplies} currency={job.currency} />
      <div className="flex gap-3 flex-wrap">
        <Button
          weight="quiet"
          disabled={busy}
          onClick={() => save('PUT', `/api/jobs/${job.id}/suggestion`, { place: suggested ? null : entry.place })}
        >
          {suggested ? t('suggestNone') : t('suggestThis')}
        </Button>
        <Button
          weight="quiet"
          disabled={busy}
          onClick={async () => {
            const body = { partsOnly: entry.option.partsOnly !== true };
            for (const { jobId } of job.groups)
              await save('PUT', `/api/jobs/${jobId}/options/${entry.place}/fitting`, body);
          }}
        >
          {entry.option.partsOnly ? t('fitThis') : t('partsOnlyThis')}
        </Button>
        <Button weight="quiet" disabled={busy} onClick={drop} aria-label={t('removeOption', { place: entry.place })}>
          {t('remove')}
        </Button>
      </div>
    </OptionColumn>
  );
}

interface ChangeOrderProps {
  accepted: SentVersion;
  agreed: boolean;
  onAgree: (agreed: boolean) => void;
}

/** Says what sending does to what the customer accepted, before it can be done. */
function ChangeOrder({ accepted: { number, answer }, agreed, onAgree }: ChangeOrderProps) {
  const t = useTranslations('quote');
  if (answer?.kind !== 'accepted') return null;
  return (
    <Notice tone="mind">
      <p>{t('change.what', { signed: answer.signed, place: answer.place, number, on: dayText(answer.on) })}</p>
      <Check checked={agreed} onChange={onAgree} className="mt-1 font-semibold">
        {t('change.action')}
      </Check>
    </Notice>
  );
}

function SendBar({ onSave }: { onSave: ReturnType<typeof useSave> }) {
  const t = useTranslations('quote');
  const { job } = useJob();
  const { busy, sentence, save } = onSave;
  const [sent, setSent] = useState<string | null>(null);
  const [agreed, setAgreed] = useState(false);
  const accepted = job.sent.find(({ state, answer }) => state === 'sent' && answer?.kind === 'accepted');
  const changeOrder = accepted !== undefined;
  const ready = job.slip.flatMap((entry) => (entry.ok ? [entry.option] : []));
  const nameless = job.customer.name === '';
  const send = async () => {
    const seen = ready.map(({ place, totalCents }) => ({ place, totalCents }));
    const result = await save<{ number: string }>('POST', `/api/jobs/${job.id}/quote`, { seen, changeOrder });
    if (!result.ok) return;
    setSent(result.value.number);
    setAgreed(false);
  };
  const isBelow = !job.may.sellBelowLowest && job.slip.some((entry) => entry.ok && entry.lowest === 'below');
  const maySend =
    !busy && !isBelow && !nameless && ready.length > 0 && ready.length === job.slip.length && (!changeOrder || agreed);
  useKeys({ s: () => maySend && void send() });
  return (
    <div className="grid gap-2">
      <Fault sentence={sentence} />
      {sent !== null && job.slip.length === 0 && (
        <Notice tone="good" live>
          {t('sent.kept', { sent })}
        </Notice>
      )}
      {job.slip.length > 0 && accepted !== undefined && (
        <ChangeOrder accepted={accepted} agreed={agreed} onAgree={setAgreed} />
      )}
      {job.slip.length > 0 && (
        <div className="flex flex-wrap items-center gap-3">
          <Button weight="act" disabled={!maySend} onClick={send} aria-keyshortcuts="s">
            {busy
              ? t('send.sending')
              : t('send.action', {
                  value: changeOrder ? t('send.change') : '',
                  ready: t('send.options', { ready: ready.length }),
                  value2: nameless ? '' : t('send.to', { name: job.customer.name }),
                })}{' '}
            <KeyHint of="S" />
          </Button>
          <span className="text-sm text-ink-2">
            {nameless
              ? t.rich('send.needsName', {
                  e0: () => (
                    <Link href={`/jobs/${job.id}/intake`} className="underline">
                      {t('send.toIntake')}
                    </Link>
                  ),
                })
              : t('send.what')}
          </span>
        </div>
      )}
    </div>
  );
}

/** Quote: the options side by side as they will read, what they leave the shop, and the way out of the door. */
export function QuoteStation() {
  const t = useTranslations('quote');
  const { job } = useJob();
  const onSave = useSave();
  return (
    <div className="grid gap-3">
      <h1 className="text-lg">{job.slip.length === 0 ? t('title') : t('toCustomer')}</h1>
      {job.slip.length === 0 && (
        <p>
          {job.sent.length === 0 ? t('nothing') : t('newVersion')}{' '}
          <Link href={`/jobs/${job.id}/options`} className={buttonLook('link')}>
            {t('toLadder')}
          </Link>
        </p>
      )}
      <div
        className={`grid gap-3 items-stretch ${job.slip.length > 1 ? 'md:grid-cols-2' : ''} ${job.slip.length > 2 ? 'xl:grid-cols-3' : ''}`}
      >
        {job.slip.map((entry) => (
          <DraftColumn key={entry.place} entry={entry} onSave={onSave} />
        ))}
      </div>
      {job.slip.length > 0 && <OtherLines />}
      {job.slip.length > 0 && <TermsBar />}
      <Drifts saving={onSave} />
      <SendBar onSave={onSave} />
      <SentVersions />
    </div>
  );
}
