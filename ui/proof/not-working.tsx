'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { dayText, moneyText } from '../words/amounts';

const OUTCOMES = ['fails-to-start', 'starts-with-faults'] as const;

/** An option agreed on condition that does not work: how it is settled, and how that is taken back. */
export function NotWorking() {
  const t = useTranslations('proof');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [outcome, setOutcome] = useState<string>(OUTCOMES[0]);
  const [note, setNote] = useState<string | null>(null);
  const { accepted, notWorking, proofs } = job.work;
  const ifNot = accepted?.option.ifNot;
  if (ifNot === undefined) return null;
  const amount = moneyText(ifNot.totalCents, job.currency);
  const path = `/api/jobs/${job.id}/not-working`;
  if (notWorking !== null) {
    return (
      <Notice tone="mind">
        <p>
          <strong>{t('condition.settled', { on: dayText(notWorking.on), by: notWorking.by ?? '' })}</strong>{' '}
          {notWorking.note}
        </p>
        <p>{t('condition.pays', { amount })}</p>
        {job.may.signProofs && (
          <Button weight="quiet" disabled={busy} onClick={() => void save('DELETE', path)}>
            {t('condition.back')}
          </Button>
        )}
        <Fault sentence={sentence} />
      </Notice>
    );
  }
  if (!job.may.signProofs || proofs.some(({ signedOn, verdict }) => signedOn !== null && verdict !== 'broken'))
    return null;
  if (note === null) {
    return (
      <p className="flex flex-wrap gap-x-3 gap-y-1 items-center">
        {t('condition.is', { amount })}
        <Button weight="quiet" onClick={() => setNote('')}>
          {t('condition.begin')}
        </Button>
      </p>
    );
  }
  return (
    <form
      aria-label={t('condition.begin')}
      className="bg-sheet border-2 border-mind rounded-notch px-4 py-3 grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save('POST', path, { outcome, note });
      }}
    >
      <p>{t('condition.what', { amount })}</p>
      <div className="flex flex-wrap gap-3 items-end">
        <Choice
          label={t('condition.how')}
          className="w-56"
          value={outcome}
          onChange={(event) => setOutcome(event.target.value)}
          options={OUTCOMES.map((value) => ({ value, text: t(`condition.outcomes.${value}`) }))}
        />
        <Field
          label={t('condition.note')}
          className="flex-1 min-w-64"
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </div>
      <div className="flex flex-wrap gap-3">
        <Button type="submit" disabled={busy || note.trim() === ''}>
          {t('condition.settle')}
        </Button>
        <Button weight="quiet" onClick={() => setNote(null)}>
          {t('condition.cancel')}
        </Button>
      </div>
      <Fault sentence={sentence} />
    </form>
  );
}
