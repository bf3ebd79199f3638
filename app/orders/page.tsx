import type { Metadata } from 'next';
import Link from 'next/link';
import { showOrders } from '@/service/orders/orders';
import { basketView, orderView } from '@/service/orders/view';
import { mayDo } from '@/service/staff/access';
import { PART_SIGNS } from '@/ui/fitting/part-words';
import { Baskets } from '@/ui/orders/baskets';
import { dayText } from '@/ui/words/amounts';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('orders');
  return { title: t('title') };
}

/** What has to be ordered, by seller over all jobs, and what is on its way. */
export default async function OrdersPage() {
  const t = await getTranslations('orders');
  const tFitting = await getTranslations('fitting');
  const caller = await enterPage('jobs.read');
  const seesCost = mayDo(caller, 'costs.read');
  const { baskets, orders, currency } = await showOrders(caller);
  return (
    <Desk caller={caller} here="/orders" words={['fitting', 'orders']}>
      <main id="work" className="max-w-6xl mx-auto px-4 py-4 grid gap-6">
        <h1 className="text-xl">{t('title')}</h1>
        <Baskets
          baskets={baskets.map((basket) => basketView(basket, seesCost))}
          currency={currency}
          mayOrder={mayDo(caller, 'orders.place')}
        />
        {orders.length > 0 && (
          <section aria-label={t('ordered')}>
            <h2 className="text-base border-b-4 border-edge pb-1">{t('ordered')}</h2>
            <ul className="divide-y divide-line">
              {orders
                .map((order) => orderView(order, seesCost))
                .map((order) => (
                  <li key={order.id} className="flex flex-wrap gap-x-4 items-baseline py-2">
                    <Link href={`/orders/${order.id}`} className="w-36 font-semibold underline underline-offset-2">
                      {order.number}
                    </Link>
                    <span className="w-56">{order.seller}</span>
                    <span className="text-ink-2 w-32">{dayText(order.orderedOn)}</span>
                    <span className="flex-1">
                      {order.cancelled
                        ? t('cancelledShort')
                        : order.lines.map((line) => (
                            <span key={line.id} className={`mr-3 ${PART_SIGNS[line.state].look}`}>
                              {t.rich('line', {
                                e0: () => <span aria-hidden="true">{PART_SIGNS[line.state].sign}</span>,
                                jobId: line.jobId,
                                word: tFitting(PART_SIGNS[line.state].word),
                              })}
                            </span>
                          ))}
                    </span>
                  </li>
                ))}
            </ul>
          </section>
        )}
      </main>
    </Desk>
  );
}
