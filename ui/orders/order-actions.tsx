'use client';
import { useRouter } from 'next/navigation';
import { useTranslations } from '#translations';
import type { OrderView } from '@/service/orders/view';
import { useSave } from '../client/use-save';
import { Button, buttonLook } from '../kit/button';
import { Fault } from '../kit/fault';

interface OrderActionsProps {
  order: OrderView;
  /** where it is mailed to; empty: the seller takes none by mail */
  orderMail: string;
  mailed: string | null;
  mayOrder: boolean;
  /** files hold what things cost */
  seesCost: boolean;
}

/** How an order leaves the shop: mail, files, paper; and how it is taken back. */
export function OrderActions({ order, orderMail, mailed, mayOrder, seesCost }: OrderActionsProps) {
  const t = useTranslations('orders');
  const router = useRouter();
  const { busy, sentence, save } = useSave();
  const isUntouched = order.lines.every(({ news }) => news.length === 0);
  const cancel = async () => {
    const { ok } = await save('POST', `/api/orders/${order.id}`, { what: 'cancel' });
    if (ok) router.push('/orders');
  };
  return (
    <div className="no-print grid gap-1">
      <div className="flex flex-wrap gap-2 items-center">
        {mayOrder && !order.cancelled && (
          <Button
            weight={mailed === null && orderMail !== '' && isUntouched ? 'act' : 'plain'}
            disabled={busy || orderMail === ''}
            onClick={() => void save('POST', `/api/orders/${order.id}/mail`)}
          >
            {orderMail === '' ? t('mail') : t('mailTo', { orderMail })}
          </Button>
        )}
        {seesCost && (
          <>
            <a href={`/api/orders/${order.id}/csv`} className={buttonLook('plain')} download>
              CSV
            </a>
            <a href={`/api/orders/${order.id}/ubl`} className={buttonLook('plain')} download>
              UBL 2.3
            </a>
          </>
        )}
        <Button onClick={() => window.print()}>{t('print')}</Button>
        {mayOrder && !order.cancelled && isUntouched && (
          <Button weight="quiet" disabled={busy} onClick={() => void cancel()}>
            {t('cancel')}
          </Button>
        )}
      </div>
      {orderMail === '' && <p className="text-sm text-ink-2">{t('noAddress', { seller: order.seller })}</p>}
      {mailed !== null && <p className="text-sm">{mailed}</p>}
      <Fault sentence={sentence} />
    </div>
  );
}
