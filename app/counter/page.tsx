import type { Metadata } from 'next';
import { counterJobs } from '@/service/counter';
import { CounterBoard } from '@/ui/counter/counter-board';
import { NewJob } from '@/ui/counter/new-job';
import { Notice } from '@/ui/kit/notice';
import { ageText } from '../age-text';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export const metadata: Metadata = { title: 'Counter' };

type Search = Promise<{ 'may-not'?: string }>;

/** Today's jobs by what they wait for. */
export default async function CounterPage({ searchParams }: { searchParams: Search }) {
  const caller = await enterPage('jobs.read');
  const entries = await counterJobs();
  const now = new Date();
  const jobs = entries.map(({ touchedAt, ...entry }) => ({ ...entry, touched: ageText(touchedAt, now) }));
  const mayNot = (await searchParams)['may-not'] !== undefined;
  return (
    <Desk caller={caller} here="/counter">
      <main id="work" className="max-w-6xl mx-auto px-4 py-4 grid gap-4">
        <div className="flex items-center justify-between gap-4">
          <h1 className="text-xl">Counter</h1>
          <NewJob />
        </div>
        {mayNot && <Notice tone="mind">Your role does not open that page.</Notice>}
        <CounterBoard jobs={jobs} />
      </main>
    </Desk>
  );
}
