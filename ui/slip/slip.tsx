'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import { useJob } from '../job/job-context';
import { LANE_WORDS } from '../options/said/lane-words';
import { capacityText, dayText, moneyText } from '../words/amounts';

/** The quote as it grows: chosen options, their totals and savings; always beside the work. */
export function Slip() {
  const t = useTranslations('job');
  const tTrade = useTranslations('trade');
  const { job } = useJob();
  const [last] = job.sent;
  const places = [1, 2, 3].map((place) => ({ place, entry: job.slip.find((one) => one.place === place) }));
  const empty = job.slip.length === 0;
  return (
    <section aria-label={t('slip.label')} className="bg-sheet border border-line border-b-0 px-3.5 pt-3 pb-4 slip-edge">
      <div className="flex items-baseline justify-between gap-2 mb-1.5">
        <h2 className="text-base">{t('slip.label')}</h2>
        <span className="text-sm text-ink-2 truncate">{job.customer.name || t('noName')}</span>
      </div>
      {last !== undefined && (
        <p className="text-sm mb-1.5">
          {t.rich('slip.sent', {
            e0: () => <span className="font-semibold">{last.number}</span>,
            validUntil: dayText(last.validUntil),
          })}
        </p>
      )}
      {empty ? (
        <p className="text-sm text-ink-2">
          {t('slip.empty', { value: last === undefined ? t('slip.nothing') : t('slip.noNew') })}
        </p>
      ) : (
        <ol className="divide-y divide-line">
          {places.map(({ place, entry }) => (
            <li key={place} className="flex gap-2.5 py-1.5 min-h-9 items-baseline">
              <span className="font-bold w-4">{place}</span>
              {entry === undefined && <span className="text-ink-2 text-sm">{t('slip.free')}</span>}
              {entry?.ok === false && <span className="text-stop text-sm">{entry.sentence}</span>}
              {entry?.ok === true && (
                <>
                  <span className="flex-1 min-w-0 text-sm">
                    <span className="font-semibold">{capacityText(entry.option.totalMiB)}</span>{' '}
                    {tTrade(LANE_WORDS[entry.option.lane])}
                    {job.suggested === place && <span className="text-act font-semibold">{t('slip.suggested')}</span>}
                    {entry.option.savingCents !== null && (
                      <span className="block text-ink-2">
                        {t('slip.saves', { savingCents: moneyText(entry.option.savingCents, job.currency) })}
                      </span>
                    )}
                  </span>
                  <span className="font-semibold">{moneyText(entry.option.totalCents, job.currency)}</span>
                </>
              )}
            </li>
          ))}
        </ol>
      )}
      {!empty && (
        <Link
          href={`/jobs/${job.id}/quote`}
          className="inline-block mt-1.5 text-sm underline underline-offset-4 decoration-edge hover:decoration-ink"
        >
          {t('slip.toQuote')}
        </Link>
      )}
    </section>
  );
}
