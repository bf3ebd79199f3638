import type { Metadata } from 'next';
import Link from 'next/link';
import { counterJobs } from '@/service/job/counter';
import { showFirstHour } from '@/service/shop/first-hour';
import { CounterBoard } from '@/ui/counter/counter-board';
import { FirstSteps } from '@/ui/counter/first-hour';
import { NewJob } from '@/ui/counter/new-job';
import { waitingText } from '@/ui/counter/waiting-text';
import { standingsWord } from '@/ui/frame/standing-sign';
import { Notice } from '@/ui/kit/notice';
import { agoText, dayText } from '@/ui/words/amounts';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('jobs');
  return { title: t('title') };
}

type Search = Promise<{ 'may-not'?: string; page?: string; by?: string }>;

/** Pages are looked at one by one: nobody leafs further. */
const MOST_PAGE = 10_000;

/** Today's jobs by what they wait for, the last touched or the soonest needed first. */
export default async function CounterPage({ searchParams }: { searchParams: Search }) {
  const t = await getTranslations('jobs');
  const caller = await enterPage('jobs.read');
  const { page: asked, by: asBy, 'may-not': mayNot } = await searchParams;
  const by = asBy === 'needed' ? 'needed' : 'touched';
  const page = /^[1-9]\d{0,4}$/.test(asked ?? '') ? Math.min(Number(asked), MOST_PAGE) : 1;
  const firstHour = await showFirstHour(caller);
  const { jobs: entries, hasMore } = await counterJobs(caller, page, by);
  const now = new Date();
  const jobs = entries.map(({ touchedAt, standings, waitsFor, neededBy, ...entry }) => ({
    ...entry,
    customer: waitsFor.on === 'unreadable' ? t('unreadable') : entry.customer,
    waitsFor: waitingText(t, waitsFor),
    standings: standingsWord(standings),
    touched: agoText(touchedAt, now),
    needed: neededBy === null ? null : t('neededBy', { day: dayText(neededBy) }),
  }));
  return (
    <Desk caller={caller} here="/counter" words={['jobs']}>
      <main id="work" className="max-w-6xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-2">
          <h1 className="text-xl">{t('title')}</h1>
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <Link
              href={by === 'needed' ? '/counter' : '/counter?by=needed'}
              className="text-sm underline underline-offset-4"
            >
              {by === 'needed' ? t('byTouched') : t('byNeeded')}
            </Link>
            <Link href="/counter/invoices" className="text-sm underline underline-offset-4">
              {t('invoices')}
            </Link>
            <Link href="/counter/closed" className="text-sm underline underline-offset-4">
              {t('closedJobs')}
            </Link>
            <NewJob />
          </div>
        </div>
        {mayNot !== undefined && <Notice tone="mind">{t('notAllowed')}</Notice>}
        {firstHour !== null && <FirstSteps steps={firstHour} />}
        <CounterBoard jobs={jobs} page={page} by={by} hasMore={hasMore} />
      </main>
    </Desk>
  );
}
