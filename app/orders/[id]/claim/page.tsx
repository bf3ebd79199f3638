import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { idOf } from '@/app/handle';
import { claimOf } from '@/service/orders/orders';
import { outcomeText, testText } from '@/ui/fitting/guide-text';
import { PrintButton } from '@/ui/orders/print-button';
import { dayText } from '@/ui/words/amounts';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../../../desk';
import { enterPage } from '../../../enter';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('orders');
  return { title: t('claim.title') };
}

type Search = Promise<{ line?: string }>;

/** A claim to a seller for a module that goes back: a page to be printed and laid to the parcel. */
export default async function ClaimPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Search;
}) {
  const t = await getTranslations('orders');
  const tFitting = await getTranslations('fitting');
  const caller = await enterPage('jobs.read');
  const claim = await claimOf(caller, idOf(await params), idOf({ id: (await searchParams).line ?? '' }));
  if (claim === null) notFound();
  const { shop, order, line, faults, tests } = claim;
  return (
    <Desk caller={caller} here="/orders" words={['fitting', 'orders']}>
      <main id="work" className="max-w-3xl mx-auto px-4 py-6 grid gap-4">
        <div className="flex justify-between gap-4">
          <div>
            <p className="font-bold">{shop.name}</p>
            <p className="text-ink-2">
              {shop.town} · {shop.contact}
            </p>
          </div>
          <PrintButton />
        </div>
        <h1 className="text-xl">
          {t('claim.head', { seller: order.seller, number: order.number, orderedOn: dayText(order.orderedOn) })}
        </h1>
        <p className="text-lg">
          {line.sellerPart !== null && <strong>{line.sellerPart}, </strong>}
          {line.title}
        </p>
        <ul className="list-disc pl-5">
          {faults.map(({ id, quantity, kind, note, on }) => (
            <li key={id}>
              {t('claim.what', {
                quantity,
                quantity2: line.quantity,
                value: kind === 'dead' ? t('claim.dead') : t('claim.wrong'),
                value2: note !== '' ? `, ${note}` : '',
                on: dayText(on),
              })}
            </li>
          ))}
        </ul>
        {tests.length > 0 && (
          <section aria-label={t('claim.how')}>
            <h2 className="text-base">{t('claim.how')}</h2>
            <ol className="list-decimal pl-5">
              {tests.map(({ test, outcome }) => (
                <li key={test}>
                  {testText(tFitting, test)}: {outcomeText(tFitting, test, outcome)}
                </li>
              ))}
            </ol>
          </section>
        )}
        <p>{t('claim.ask', { jobId: line.jobId })}</p>
      </main>
    </Desk>
  );
}
