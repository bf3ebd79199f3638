import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { idOf } from '@/app/handle';
import { orderMailWords } from '@/service/mail/mail';
import { showOrder } from '@/service/orders/orders';
import { orderView } from '@/service/orders/view';
import { mayDo } from '@/service/staff/access';
import { Notice } from '@/ui/kit/notice';
import { OrderActions } from '@/ui/orders/order-actions';
import { OrderLines } from '@/ui/orders/order-lines';
import { dayText, moneyText } from '@/ui/words/amounts';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../../desk';
import { enterPage } from '../../enter';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('orders');
  return { title: t('order') };
}

/** One order: what is on it, what became of it, and how it leaves the shop. */
export default async function OrderPage({ params }: { params: Promise<{ id: string }> }) {
  const t = await getTranslations('orders');
  const caller = await enterPage('jobs.read');
  const id = idOf(await params);
  const found = await showOrder(caller, id);
  if (found === null) notFound();
  const { seller, currency } = found;
  const seesCost = mayDo(caller, 'costs.read');
  const mayOrder = mayDo(caller, 'orders.place');
  const order = orderView(found.order, seesCost);
  const mailed = await orderMailWords(caller, id);
  const total = order.lines.reduce((sum, { quantity, eachCents }) => sum + quantity * (eachCents ?? 0), 0);
  return (
    <Desk caller={caller} here="/orders" words={['fitting', 'orders']}>
      <main id="work" className="max-w-6xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h1 className="text-xl">{order.number}</h1>
          <span>
            {order.seller}, {dayText(order.orderedOn)}
            {order.orderedBy !== null && t('by', { orderedBy: order.orderedBy })}
          </span>
          <Link href="/orders" className="no-print text-sm underline underline-offset-4 ml-auto">
            {t('all')}
          </Link>
        </div>
        {order.cancelled && <Notice tone="mind">{t('cancelled')}</Notice>}
        {order.note !== '' && <p className="bg-sheet border-l-4 border-edge px-3 py-2">{order.note}</p>}
        {seller.orderContact !== '' && <p className="text-sm text-ink-2">{seller.orderContact}</p>}
        <OrderLines order={order} currency={currency} mayOrder={mayOrder} />
        {seesCost && (
          <p className="text-right text-lg font-semibold border-t-2 border-edge pt-1">
            {moneyText(total, currency)} <span className="text-sm font-normal text-ink-2">{t('noShipping')}</span>
          </p>
        )}
        <OrderActions
          order={order}
          orderMail={seller.orderMail}
          mailed={mailed}
          mayOrder={mayOrder}
          seesCost={seesCost}
        />
      </main>
    </Desk>
  );
}
