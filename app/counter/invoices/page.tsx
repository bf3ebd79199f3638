import type { Metadata } from 'next';
import Link from 'next/link';
import { Desk } from '@/app/desk';
import { enterPage } from '@/app/enter';
import { listInvoicesOfAll } from '@/service/job/invoice/list';
import { buttonLook } from '@/ui/kit/button';
import { STATE_LOOKS } from '@/ui/money/state-looks';
import { dayText, moneyText } from '@/ui/words/amounts';
import { getTranslations } from '@/ui/words/on-the-server';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('money');
  return { title: t('list.title') };
}

const MOST_PAGE = 10_000;

/** All invoices, those that are not paid yet first to be looked at. */
export default async function InvoicesPage({
  searchParams,
}: {
  searchParams: Promise<{ page?: string; show?: string }>;
}) {
  const t = await getTranslations('money');
  const tJobs = await getTranslations('jobs');
  const caller = await enterPage('jobs.read');
  const { page: asked, show } = await searchParams;
  const page = /^[1-9]\d{0,4}$/.test(asked ?? '') ? Math.min(Number(asked), MOST_PAGE) : 1;
  const openOnly = show !== 'all';
  const { invoices, hasMore } = await listInvoicesOfAll(caller, { openOnly, page });
  const at = (to: number) => `/counter/invoices?page=${to}${openOnly ? '' : '&show=all'}`;
  return (
    <Desk caller={caller} here="/counter" words={[]}>
      <main id="work" className="max-w-5xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
          <h1 className="text-xl">{openOnly ? t('list.open') : t('list.title')}</h1>
          <Link
            href={openOnly ? '/counter/invoices?show=all' : '/counter/invoices'}
            className="text-sm underline underline-offset-4"
          >
            {openOnly ? t('list.all') : t('list.open')}
          </Link>
          <Link href="/counter" className="text-sm underline underline-offset-4">
            {tJobs('openJobs')}
          </Link>
        </div>
        {invoices.length === 0 ? (
          <p className="bg-sheet border border-line px-4 py-8 text-center">
            {openOnly ? t('list.noneOpen') : t('list.none')}
          </p>
        ) : (
          <ul className="bg-sheet border border-line divide-y divide-line">
            {invoices.map(({ jobId, number, customer, issuedOn, dueOn, totalCents, paidCents, currency, state }) => (
              <li key={number}>
                <a
                  href={`/jobs/${jobId}/proof`}
                  className="grid grid-cols-[9rem_minmax(0,1fr)_9rem_12.5rem_8rem_7rem] gap-4 px-4 py-2 hover:bg-act-soft text-sm max-[860px]:grid-cols-2 max-[860px]:gap-x-4 max-[860px]:gap-y-0"
                >
                  <span className={`font-semibold ${state === null ? 'line-through' : ''}`}>{number}</span>
                  <span className="font-semibold truncate">{customer}</span>
                  <span className="text-ink-2">{dayText(issuedOn)}</span>
                  <span className="text-ink-2">{t('list.due', { dueOn: dayText(dueOn) })}</span>
                  <span className="text-right max-[860px]:text-left">
                    {moneyText(totalCents, currency)}
                    {paidCents > 0 && paidCents < totalCents && (
                      <span className="block text-ink-2">{t('paid', { paid: moneyText(paidCents, currency) })}</span>
                    )}
                  </span>
                  <span className={`font-semibold ${state === null ? 'text-ink-2' : STATE_LOOKS[state]}`}>
                    {state === null ? t('list.cancelled') : t(`invoice.state.${state}`)}
                  </span>
                </a>
              </li>
            ))}
          </ul>
        )}
        <nav aria-label={tJobs('pages')} className="flex gap-3">
          {page > 1 && (
            <Link href={at(page - 1)} className={buttonLook('plain')}>
              {tJobs('later')}
            </Link>
          )}
          {hasMore && (
            <Link href={at(page + 1)} className={buttonLook('plain')}>
              {tJobs('earlier')}
            </Link>
          )}
        </nav>
      </main>
    </Desk>
  );
}
