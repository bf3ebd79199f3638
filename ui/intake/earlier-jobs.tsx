'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { capacityText, dayText } from '../words/amounts';
import { BY_WORDS } from './earlier-words';

interface Ends {
  partsUntil: string | null;
  workUntil: string | null;
}

/** Until when what was fitted then is under guarantee, or that it is over; empty: none was promised. */
function guaranteeText(t: StaffWords<'intake'>, { partsUntil, workUntil }: Ends, today: string): string {
  const ends = [
    ...(partsUntil === null ? [] : [{ until: partsUntil, what: t('earlier.parts') }]),
    ...(workUntil === null ? [] : [{ until: workUntil, what: t('earlier.work') }]),
  ];
  const texts = ends.map(({ until, what }) =>
    until >= today
      ? t('earlier.until', { what, day: dayText(until) })
      : t('earlier.over', { what, day: dayText(until) }),
  );
  return texts.length === 0 ? '' : t('earlier.guarantee', { ends: texts.join(', ') });
}

/** Is anything that was fitted then under guarantee today? */
const isCovered = ({ partsUntil, workUntil }: Ends, today: string): boolean =>
  [partsUntil, workUntil].some((until) => until !== null && until >= today);

/** This job replaces, free, what another fitted: where its parts are claimed, and how that is ended. */
function UnderGuarantee({ saving: { busy, save } }: { saving: ReturnType<typeof useSave> }) {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { guaranteeOf } = job;
  if (guaranteeOf === null) return null;
  const orders = job.earlier.find(({ id }) => id === guaranteeOf)?.orders ?? [];
  return (
    <div className="grid gap-1 justify-items-start">
      <p className="font-semibold">{t('guarantee.is', { id: guaranteeOf })}</p>
      {orders.map(({ id, number, seller }) => (
        <Link key={id} href={`/orders/${id}`} className="underline underline-offset-2 text-sm">
          {t('guarantee.claim', { seller, number })}
        </Link>
      ))}
      {job.work.accepted === null && (
        <Button
          weight="quiet"
          disabled={busy}
          onClick={() => void save('PUT', `/api/jobs/${job.id}/guarantee`, { of: null })}
        >
          {t('guarantee.end')}
        </Button>
      )}
    </div>
  );
}

/** Jobs of before of this customer or machine, each to look at, and to go on from while this one is still blank. */
export function EarlierJobs() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const saving = useSave();
  const { busy, sentence, save } = saving;
  if (job.earlier.length === 0) return null;
  const take = (from: number, what: 'customer' | 'machine') =>
    save('POST', `/api/jobs/${job.id}/earlier`, { from, what });
  return (
    <section aria-label={t('earlier.label')} className="border-l-4 border-good bg-sheet px-3 py-2">
      <UnderGuarantee saving={saving} />
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
                value5: guaranteeText(t, one, job.today),
                e1: () => <span className="text-ink-2">({t(BY_WORDS[one.by])})</span>,
              })}
            </span>
            {job.guaranteeOf === null && isCovered(one, job.today) && (
              <Button
                disabled={busy}
                onClick={() => void save('PUT', `/api/jobs/${job.id}/guarantee`, { of: one.id })}
                aria-label={t('earlier.replaceOf', { id: one.id })}
              >
                {t('earlier.replace')}
              </Button>
            )}
            {one.by !== 'customer' && one.by !== 'guarantee' && (
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
