'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { InvoiceView, MoneyView } from '@/service/job/invoice/view';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { dayText, moneyText } from '../words/amounts';
import { PaymentForm } from './payment-form';
import { STATE_LOOKS } from './state-looks';

/** What was paid, and how another payment is noted. */
function Payments({ money }: { money: MoneyView }) {
  const t = useTranslations('money');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [isNoting, setNoting] = useState(false);
  const text = (cents: number) => moneyText(cents, job.currency);
  return (
    <section aria-label={t('payments.label')} className="grid gap-1">
      <ul>
        {money.payments.map(({ id, cents, on, way, note, by }) => (
          <li key={id} className="flex flex-wrap items-baseline gap-x-3">
            <span>
              <strong>{t('payments.one', { cents: text(cents), on: dayText(on), way: t(`ways.${way}`) })}</strong>
              {note !== '' && `, ${note}`} <span className="text-sm text-ink-2">{by}</span>
            </span>
            <Button
              weight="quiet"
              disabled={busy}
              aria-label={t('payments.backOne', { cents: text(cents), on: dayText(on) })}
              onClick={() => void save('DELETE', `/api/jobs/${job.id}/payments`, { payment: id })}
            >
              {t('payments.back')}
            </Button>
          </li>
        ))}
      </ul>
      {isNoting ? (
        <PaymentForm dueCents={money.totalCents - money.paidCents} onDone={() => setNoting(false)} />
      ) : (
        <Button className="w-fit" onClick={() => setNoting(true)}>
          {t('payments.note')}
        </Button>
      )}
      <Fault sentence={sentence} />
    </section>
  );
}

/** An invoice: how it stands, its papers, and the way to cancel it. */
function InvoiceLine({ invoice }: { invoice: InvoiceView }) {
  const t = useTranslations('money');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [why, setWhy] = useState<string | null>(null);
  const { number, issuedOn, dueOn, totalCents, state, cancelled } = invoice;
  const path = `/api/jobs/${job.id}/invoice/${number}`;
  return (
    <li className="grid gap-2 py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <p className={cancelled === null ? '' : 'text-ink-2 line-through'}>
          {t.rich('invoice.line', {
            e0: () => <strong>{number}</strong>,
            issuedOn: dayText(issuedOn),
            total: moneyText(totalCents, job.currency),
            dueOn: dayText(dueOn),
          })}
        </p>
        {state !== null && <span className={`font-semibold ${STATE_LOOKS[state]}`}>{t(`invoice.state.${state}`)}</span>}
        {cancelled !== null && (
          <span className="text-sm text-ink-2">
            {t('invoice.cancelled', { on: dayText(cancelled.on), why: cancelled.why })} {cancelled.by}
          </span>
        )}
        <a href={`${path}/pdf`} className={buttonLook('plain')}>
          {t('invoice.pdf')}
        </a>
        {cancelled === null && (
          <a href={`${path}/ubl`} className={buttonLook('plain')}>
            {t('invoice.ubl')}
          </a>
        )}
        {cancelled === null && why === null && job.may.invoice && (
          <Button weight="quiet" onClick={() => setWhy('')}>
            {t('invoice.cancel')}
          </Button>
        )}
      </div>
      {why !== null && cancelled === null && (
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            void save('DELETE', `/api/jobs/${job.id}/invoice`, { why });
          }}
        >
          <Field
            label={t('invoice.why')}
            className="flex-1 min-w-64"
            value={why}
            maxLength={300}
            onChange={(event) => setWhy(event.target.value)}
          />
          <Button type="submit" disabled={busy || why.trim() === ''}>
            {t('invoice.confirm')}
          </Button>
          <Button weight="quiet" onClick={() => setWhy(null)}>
            {t('cancel')}
          </Button>
        </form>
      )}
      <Fault sentence={sentence} />
    </li>
  );
}

/** The way to the invoice, by the day of the supply. */
function MakeInvoice({ money }: { money: MoneyView }) {
  const t = useTranslations('money');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [suppliedOn, setSuppliedOn] = useState(money.suppliedOn);
  if (!money.isSupplied) return <p className="text-ink-2">{t('invoice.later')}</p>;
  if (!job.may.invoice) return <p className="text-ink-2">{t('invoice.none')}</p>;
  const { street, town } = job.customer;
  return (
    <div className="grid gap-1">
      <div className="flex flex-wrap items-end gap-3">
        <Field
          label={t('invoice.supplied')}
          type="date"
          className="w-44"
          max={job.today}
          value={suppliedOn}
          onChange={(event) => setSuppliedOn(event.target.value)}
        />
        <Button
          className="min-h-11"
          disabled={busy || suppliedOn === ''}
          onClick={() => void save('POST', `/api/jobs/${job.id}/invoice`, { suppliedOn })}
        >
          {t('invoice.make')}
        </Button>
      </div>
      {street === '' && town === '' && <p className="text-sm text-mind">{t('invoice.noAddress')}</p>}
      <Fault sentence={sentence} />
    </div>
  );
}

/** What the job comes to and what was paid of it, and its invoice. */
export function MoneySection() {
  const t = useTranslations('money');
  const { job } = useJob();
  const { money } = job.work;
  if (money === null) return null;
  const { totalCents, paidCents, invoices } = money;
  const text = (cents: number) => moneyText(cents, job.currency);
  const left = totalCents - paidCents;
  const standing = [
    t('total', { total: text(totalCents) }),
    ...(paidCents > 0 ? [t('paid', { paid: text(paidCents) })] : []),
    left > 0 ? t('left', { left: text(left) }) : left < 0 ? t('back', { back: text(-left) }) : t('allPaid'),
  ];
  return (
    <section aria-label={t('label')} className="grid gap-2">
      <div className="flex items-baseline gap-3 border-b-4 border-edge pb-1">
        <h2 className="text-base">{t('label')}</h2>
        <span className="text-sm text-ink-2">{standing.join(' · ')}</span>
      </div>
      <Payments money={money} />
      <ul className="divide-y divide-line">
        {invoices.map((invoice) => (
          <InvoiceLine key={invoice.number} invoice={invoice} />
        ))}
      </ul>
      {invoices.every(({ cancelled }) => cancelled !== null) && <MakeInvoice money={money} />}
    </section>
  );
}
