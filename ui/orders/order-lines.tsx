'use client';
import Link from 'next/link';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { type LineEvent, mostNews } from '@/core/ordering/part-state';
import type { OrderLineView, OrderView } from '@/service/orders/view';
import { useSave } from '../client/use-save';
import { countsText, PART_SIGNS } from '../fitting/part-words';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { moneyText } from '../words/amounts';

const NEWS_WORDS = {
  arrived: 'arrived',
  wrong: 'news.wrong',
  dead: 'news.dead',
  never: 'news.never',
} as const satisfies Record<LineEvent, string>;

/** That something cannot be had any more takes it off the market: not everybody may say so. */
const NEWS_BY_ROLE = { orders: ['wrong', 'dead', 'never'], notes: ['wrong', 'dead'] } as const satisfies Record<
  string,
  readonly LineEvent[]
>;

interface OrderLinesProps {
  order: OrderView;
  currency: string;
  mayOrder: boolean;
}

function Line({ line, order, currency, mayOrder }: OrderLinesProps & { line: OrderLineView }) {
  const t = useTranslations('orders');
  const tFitting = useTranslations('fitting');
  const { busy, sentence, save } = useSave();
  const [amiss, setAmiss] = useState(false);
  const { sign, word, look } = PART_SIGNS[line.state];
  const send = (body: object) => save('POST', `/api/orders/${order.id}`, { line: line.id, ...body });
  const tell = async (what: LineEvent, quantity: number, note = '') => {
    const { ok } = await send({ what, quantity, note });
    if (ok) setAmiss(false);
  };
  const { waiting } = line.counts;
  return (
    <li className="py-2.5 grid gap-1.5">
      <div className="flex flex-wrap gap-x-4 gap-y-1 items-baseline">
        <span className={`w-32 shrink-0 font-semibold ${look}`}>
          <span aria-hidden="true">{sign}</span> {tFitting(word)}
        </span>
        <span className="flex-1 min-w-64">
          <strong>{line.quantity} × </strong>
          {line.title}
          <span className="block text-sm text-ink-2">
            {line.sellerPart !== null && `${line.sellerPart} · `}
            <Link href={`/jobs/${line.jobId}/fitting`} className="underline underline-offset-2">
              {t('job', { jobId: line.jobId })}
            </Link>
            , {line.customer}
            {countsText(tFitting, line.counts) !== '' && ` · ${countsText(tFitting, line.counts)}`}
          </span>
        </span>
        {line.eachCents !== null && <span>{moneyText(line.quantity * line.eachCents, currency)}</span>}
        {!order.cancelled && (
          <span className="flex flex-wrap gap-2 no-print">
            {waiting > 0 && (
              <Button disabled={busy} onClick={() => void tell('arrived', waiting)}>
                {waiting === 1 ? t('arrived') : t('allArrived', { waiting })}
              </Button>
            )}
            {waiting > 1 && (
              <Button disabled={busy} onClick={() => void tell('arrived', 1)}>
                {t('oneArrived')}
              </Button>
            )}
            <Button disabled={busy} aria-expanded={amiss} onClick={() => setAmiss(!amiss)}>
              {t('problem')}
            </Button>
            {line.news.length > 0 && (
              <Button weight="quiet" disabled={busy} onClick={() => void send({ what: 'take-back' })}>
                {t('undo')}
              </Button>
            )}
          </span>
        )}
      </div>
      {line.news
        .filter(({ kind }) => kind !== 'arrived')
        .map((news) => (
          <News key={news.id} news={news} line={line} orderId={order.id} />
        ))}
      {amiss && <Amiss line={line} mayOrder={mayOrder} busy={busy} onTell={(what, note) => void tell(what, 1, note)} />}
      <Fault sentence={sentence} />
    </li>
  );
}

/** An order's lines, each with what became of it. */
export function OrderLines(props: OrderLinesProps) {
  return (
    <ul className="divide-y divide-line">
      {props.order.lines.map((line) => (
        <Line key={line.id} line={line} {...props} />
      ))}
    </ul>
  );
}

interface NewsProps {
  news: OrderLineView['news'][number];
  line: OrderLineView;
  orderId: number;
}

/** What became of a part that is not simply here, with what is done about it. */
function News({ news, line, orderId }: NewsProps) {
  const t = useTranslations('orders');
  return (
    <p className="text-mind pl-36">
      △ {news.quantity} {t(NEWS_WORDS[news.kind])}
      {news.note !== '' && `: ${news.note}`} <span className="text-sm text-ink-2">{news.by}</span>{' '}
      {(news.kind === 'wrong' || news.kind === 'dead') && (
        <Link href={`/orders/${orderId}/claim?line=${line.id}`} className="underline underline-offset-2">
          {t('claimFor')}
        </Link>
      )}
      {news.kind === 'never' && (
        <Link href={`/jobs/${line.jobId}/quote`} className="underline underline-offset-2">
          {t('chooseAgainAction')}
        </Link>
      )}
    </p>
  );
}

interface AmissProps {
  line: OrderLineView;
  mayOrder: boolean;
  busy: boolean;
  onTell: (what: LineEvent, note: string) => void;
}

/** What is wrong with a part that came, or did not. */
function Amiss({ line, mayOrder, busy, onTell }: AmissProps) {
  const t = useTranslations('orders');
  const [note, setNote] = useState('');
  return (
    <div className="flex flex-wrap gap-2 items-end pl-36">
      <Field
        label={t('problemLabel')}
        className="w-72"
        value={note}
        onChange={(event) => setNote(event.target.value)}
      />
      {NEWS_BY_ROLE[mayOrder ? 'orders' : 'notes'].map((kind) => (
        <Button key={kind} disabled={busy || mostNews(line.counts, kind) < 1} onClick={() => onTell(kind, note)}>
          {t('oneIs', { value: t(NEWS_WORDS[kind]) })}
        </Button>
      ))}
    </div>
  );
}
