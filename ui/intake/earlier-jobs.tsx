'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { capacityText } from '../words/amounts';
import { BY_WORDS } from './earlier-words';

/** Jobs of before of this customer or machine, each to look at, and to go on from while this one is still blank. */
export function EarlierJobs() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  if (job.earlier.length === 0) return null;
  const take = (from: number, what: 'customer' | 'machine') =>
    save('POST', `/api/jobs/${job.id}/earlier`, { from, what });
  return (
    <section aria-label={t('earlier.label')} className="border-l-4 border-good bg-sheet px-3 py-2">
      <ul className="grid gap-1">
        {job.earlier.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
            <span className="flex-1 min-w-64">
              {t.rich('earlier.line', {
                e0: () => (
                  <Link href={`/jobs/${one.id}`} className="font-semibold underline underline-offset-2">
                    {t('earlier.job', { id: one.id })}
                  </Link>
                ),
                on: one.on,
                value: one.customer || t('noName'),
                value2: one.machine !== '' ? `, ${one.machine}` : '',
                value3: one.totalMiB > 0 ? t('earlier.with', { totalMiB: capacityText(one.totalMiB) }) : '',
                value4: one.quoteNumber !== null ? t('earlier.quote', { quoteNumber: one.quoteNumber }) : '',
                e1: () => <span className="text-ink-2">({t(BY_WORDS[one.by])})</span>,
              })}
            </span>
            {one.by !== 'customer' && (
              <Button
                disabled={busy}
                onClick={() => take(one.id, 'customer')}
                aria-label={t('earlier.sameCustomerAs', { id: one.id })}
              >
                {t('earlier.sameCustomer')}
              </Button>
            )}
            {job.slots.length === 0 && one.machine !== '' && (
              <Button
                disabled={busy}
                onClick={() => take(one.id, 'machine')}
                aria-label={t('earlier.sameMachineAs', { id: one.id })}
              >
                {t('earlier.sameMachine')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Fault sentence={sentence} />
    </section>
  );
}
