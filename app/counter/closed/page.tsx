import type { Metadata } from 'next';
import Link from 'next/link';
import { Desk } from '@/app/desk';
import { enterPage } from '@/app/enter';
import { closedJobs } from '@/service/job/job-ends';
import { CLOSING_TEXTS } from '@/ui/job/closing-words';
import { buttonLook } from '@/ui/kit/button';
import { dayText } from '@/ui/words/amounts';
import { getTranslations } from '@/ui/words/on-the-server';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('jobs');
  return { title: t('closedJobs') };
}

const MOST_PAGE = 10_000;

/** Jobs that are over, the last closed first, each with how it ended. */
export default async function ClosedPage({ searchParams }: { searchParams: Promise<{ page?: string }> }) {
  const t = await getTranslations('jobs');
  const tJob = await getTranslations('job');
  const caller = await enterPage('jobs.read');
  const { page: asked } = await searchParams;
  const page = /^[1-9]\d{0,4}$/.test(asked ?? '') ? Math.min(Number(asked), MOST_PAGE) : 1;
  const { jobs, hasMore } = await closedJobs(caller, page);
  return (
    <Desk caller={caller} here="/counter" words={[]}>
      <main id="work" className="max-w-5xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <div className="flex items-baseline gap-5">
          <h1 className="text-xl">{t('closedJobs')}</h1>
          <Link href="/counter" className="text-sm underline underline-offset-4">
            {t('openJobs')}
          </Link>
        </div>
        {jobs.length === 0 ? (
          <p className="bg-sheet border border-line px-4 py-8 text-center">
            {t('noClosedJobs', { value: page > 1 ? t('onThisPage') : '' })}
          </p>
        ) : (
          <ul className="bg-sheet border border-line divide-y divide-line">
            {jobs.map(({ id, customer, machine, closedAs, closedWhy, closedAt }) => (
              <li key={id}>
                <a
                  href={`/jobs/${id}`}
                  className="grid grid-cols-[3rem_minmax(0,1fr)_minmax(0,1fr)_minmax(0,1.2fr)_7rem] gap-4 px-4 py-2 hover:bg-act-soft text-sm max-[860px]:grid-cols-[3rem_1fr]"
                >
                  <span className="font-semibold text-ink-2">{id}</span>
                  <span className="font-semibold truncate">{customer || t('noName')}</span>
                  <span className="truncate">{machine}</span>
                  <span className="truncate">
                    {closedAs !== null && tJob(CLOSING_TEXTS[closedAs])}
                    {closedWhy !== '' && <span className="text-ink-2"> · {closedWhy}</span>}
                  </span>
                  <span className="text-ink-2">{dayText(closedAt.toISOString().slice(0, 10))}</span>
                </a>
              </li>
            ))}
          </ul>
        )}
        <nav aria-label={t('pages')} className="flex gap-3">
          {page > 1 && (
            <Link href={`/counter/closed?page=${page - 1}`} className={buttonLook('plain')}>
              {t('later')}
            </Link>
          )}
          {hasMore && (
            <Link href={`/counter/closed?page=${page + 1}`} className={buttonLook('plain')}>
              {t('earlier')}
            </Link>
          )}
        </nav>
      </main>
    </Desk>
  );
}
