'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { LANGUAGE_NAMES } from '@/core/language';
import { percentText } from '@/core/pricing/percent-text';
import type { JobView } from '@/service/job/view';
import type { StaffWords } from '@/words/staff-words';
import { useKeys } from '../client/use-keys';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { KeyHint } from '../kit/key-hint';
import { dayText, moneyText } from '../words/amounts';

// Fetched once it is opened: most quotes need none of it.
const TermsForm = dynamic(() => import('./terms-form').then((module) => module.TermsForm), { ssr: false });

/** What is agreed beside the lines, in a line. */
function agreedText(t: StaffWords<'quote'>, { terms, currency, validityDays, language, customer }: JobView): string {
  const { discount, deposit, validUntil, note } = terms;
  const either = (value: { kind: 'share'; bp: number } | { kind: 'amount'; cents: number }) =>
    value.kind === 'share' ? percentText(value.bp) : moneyText(value.cents, currency);
  return [
    ...(discount === null ? [] : [t('terms.discount', { discount: either(discount), reason: discount.reason })]),
    ...(deposit === null ? [] : [t('terms.deposit', { deposit: either(deposit) })]),
    validUntil === null ? t('terms.days', { validityDays }) : t('terms.until', { validUntil: dayText(validUntil) }),
    t('terms.language', { value: LANGUAGE_NAMES[language] }),
    ...(customer.taxExempt === null ? [] : [t('terms.noTax', { taxExempt: customer.taxExempt })]),
    ...(note === '' ? [] : [t('terms.note')]),
  ].join(' · ');
}

/** What holds for the whole quote beside its lines: told in a line, changed in place. */
export function TermsBar() {
  const t = useTranslations('quote');
  const { job } = useJob();
  const [isOpen, setIsOpen] = useState(false);
  useKeys({ a: () => setIsOpen(true) });
  if (isOpen) return <TermsForm onDone={() => setIsOpen(false)} />;
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-y border-line py-2">
      <p className="text-sm min-w-0 break-words">
        <span className="font-semibold">{t('terms.label')}</span> {agreedText(t, job)}
      </p>
      <Button weight="quiet" onClick={() => setIsOpen(true)} aria-keyshortcuts="a">
        {t.rich('terms.change', { e0: () => <KeyHint of="A" /> })}
      </Button>
    </div>
  );
}
