'use client';
import Link from 'next/link';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { StaffWords } from '@/words/staff-words';
import { useFresh } from '../client/use-fresh';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { MachinePicker } from '../job/machine-picker';
import { Button, buttonLook } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { DepositNote } from '../money/deposit-note';
import { capacityText, dayText } from '../words/amounts';
import { AcceptForm } from './accept-form';
import { BenchTest } from './bench-test';
import { Checklist } from './checklist';
import { GuidedSearch } from './guided-search';
import { Parts } from './parts';

/** The job comes to nothing: what was set aside for it is free again. */
function FallsThrough() {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [why, setWhy] = useState<string | null>(null);
  if (why === null) {
    return (
      <Button weight="quiet" className="w-fit" onClick={() => setWhy('')}>
        {t('end.action')}
      </Button>
    );
  }
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save('PUT', `/api/jobs/${job.id}/fell-through`, { why });
      }}
    >
      <Field
        label={t('end.why')}
        className="flex-1 min-w-64"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
      />
      <Button type="submit" disabled={busy || why.trim() === ''}>
        {t('end.confirm')}
      </Button>
      <Button weight="quiet" onClick={() => setWhy(null)}>
        {t('cancel')}
      </Button>
      <Fault sentence={sentence} />
    </form>
  );
}

/** What it usually takes in this model. */
function usualText(t: StaffWords<'fitting'>, minutes: readonly number[]): string {
  if (minutes.length === 0) return '';
  const sorted = [...minutes].sort((a, b) => a - b);
  const middle = sorted[Math.floor(sorted.length / 2)] ?? 0;
  return t('took', {
    middle,
    minutes: minutes.length === 1 ? t('oneMachine') : t('machines', { minutes: minutes.length }),
  });
}

function Bench() {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const { accepted, fitting, fittingIsOver, noLongerFits, usual, parts, searches } = job.work;
  const isHandOver = accepted?.option.partsOnly === true;
  const missing = parts.filter(({ state }) => state !== 'arrived' && state !== 'aside').length;
  // A search that is open is what hands are at.
  const isSearching = searches[0] !== undefined && searches[0].ended === null;
  const begin = () => save('POST', `/api/jobs/${job.id}/fitting`, { machine: job.work.machine });
  return (
    <>
      {noLongerFits !== null && (
        <Notice tone="stop">
          {t.rich('noFit', {
            noLongerFits,
            e0: () => (
              <Link href={`/jobs/${job.id}/quote`} className="underline underline-offset-2">
                {t('toQuote')}
              </Link>
            ),
          })}
        </Notice>
      )}
      {(fitting === null || fittingIsOver) && (
        <div className="flex flex-wrap gap-3 items-center">
          <Button weight="act" className="text-lg! min-h-14 px-6" disabled={busy} onClick={() => void begin()}>
            {isHandOver ? t('beginHandOver') : fitting === null ? t('begin') : t('beginAgain')}
          </Button>
          <span className="text-ink-2">
            {missing > 0 && <span className="text-mind">{t('notAllHere')}</span>}
            {!isHandOver && usualText(t, usual)}
          </span>
        </div>
      )}
      <Fault sentence={sentence} />
      {isHandOver && <Notice tone="mind">{t('partsOnly')}</Notice>}
      {isSearching && <GuidedSearch />}
      {fitting !== null && <Checklist key={fitting.id} fitting={fitting} />}
      {fitting !== null && !isSearching && !isHandOver && <GuidedSearch />}
    </>
  );
}

/** Fitting: the parts, and the work on the bench, in large type for anyone who stands at the machine. */
export function FittingStation() {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const { save } = useSave();
  const { accepted, fellThrough, notWorking, stamp } = job.work;
  useFresh(job.id, stamp);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-lg">{t('title')}</h1>
        {accepted !== null && (
          <p>
            {t.rich('accepted', {
              place: accepted.option.place,
              number: accepted.number,
              e0: () => <strong>{capacityText(accepted.option.totalMiB)}</strong>,
              signed: accepted.signed,
              on: dayText(accepted.on),
            })}
          </p>
        )}
      </div>
      {fellThrough !== null && (
        <Notice tone="mind">
          {t.rich('noSale', {
            fellThrough,
            e0: () => (
              <Button
                weight="quiet"
                onClick={() => void save('PUT', `/api/jobs/${job.id}/fell-through`, { why: null })}
              >
                {t('reopen')}
              </Button>
            ),
          })}
        </Notice>
      )}
      {accepted === null ? (
        <>
          <AcceptForm />
          <BenchTest />
        </>
      ) : (
        fellThrough === null && (
          <>
            <DepositNote />
            <Parts />
            <MachinePicker />
            {notWorking === null ? (
              <Bench key={job.work.machine} />
            ) : (
              <Notice tone="mind">{t('notWorking', { on: dayText(notWorking.on) })}</Notice>
            )}
            <div className="flex flex-wrap gap-4 items-center">
              <Link href={`/jobs/${job.id}/proof`} className={buttonLook('plain')}>
                {t('toProof')}
              </Link>
              <FallsThrough />
            </div>
          </>
        )
      )}
    </div>
  );
}
