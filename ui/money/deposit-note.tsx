'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';
import { moneyText } from '../words/amounts';
import { PaymentForm } from './payment-form';

/** A deposit that was agreed and is not paid yet, before anybody orders or opens anything. */
export function DepositNote() {
  const t = useTranslations('money');
  const { job } = useJob();
  const [isNoting, setNoting] = useState(false);
  const { money } = job.work;
  if (money === null || money.paidCents >= money.depositCents) return null;
  const left = money.depositCents - money.paidCents;
  return (
    <Notice tone="mind">
      {t('deposit.due', { deposit: moneyText(money.depositCents, job.currency) })}{' '}
      {money.paidCents > 0 && t('deposit.paid', { paid: moneyText(money.paidCents, job.currency) })}{' '}
      {isNoting ? (
        <PaymentForm dueCents={left} onDone={() => setNoting(false)} />
      ) : (
        <Button onClick={() => setNoting(true)}>{t('deposit.note')}</Button>
      )}
    </Notice>
  );
}
