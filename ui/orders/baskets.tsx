'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { orderHints } from '@/core/ordering/order-hints';
import type { Basket, BasketPart } from '@/service/orders/view';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { dayText, moneyText } from '../words/amounts';
import { hintText } from './hint-text';

/** What a pack costs today; where it has no price any more, what the quote counted on; null: it may not be seen. */
const eachOf = ({ eachCents, quotedCents }: BasketPart): number | null => eachCents ?? quotedCents;

const keyOf = ({ jobId, offerId }: BasketPart): string => `${jobId} ${offerId}`;

/** A price that moved since the quote was sent. */
function Moved({ part, currency }: { part: BasketPart; currency: string }) {
  const t = useTranslations('orders');
  const { eachCents, quotedCents } = part;
  if (!part.onSale) {
    return (
      <span className="text-stop">
        {t.rich('basket.gone', {
          e0: () => (
            <Link href={`/jobs/${part.jobId}/quote`} className="underline">
              {t('chooseAgain')}
            </Link>
          ),
        })}
      </span>
    );
  }
  if (part.stock !== null && part.stock < part.quantity)
    return <span className="text-stop">{t('basket.left', { stock: part.stock })}</span>;
  if (eachCents === null || quotedCents === null || eachCents === quotedCents) return null;
  const by = moneyText(Math.abs(eachCents - quotedCents), currency);
  return eachCents > quotedCents ? (
    <span className="text-mind">{t('basket.dearer', { by })}</span>
  ) : (
    <span className="text-good">{t('basket.cheaper', { by })}</span>
  );
}

function PartPrice({ part, currency }: { part: BasketPart; currency: string }) {
  const each = eachOf(part);
  return each === null ? null : <span className="w-24 text-right">{moneyText(part.quantity * each, currency)}</span>;
}

interface BasketCardProps {
  basket: Basket;
  currency: string;
  isFirst: boolean;
  mayOrder: boolean;
}

function BasketCard({ basket, currency, isFirst, mayOrder }: BasketCardProps) {
  const t = useTranslations('orders');
  const router = useRouter();
  const { busy, sentence, save } = useSave();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [note, setNote] = useState('');
  const going = basket.parts.filter((part) => !left.has(keyOf(part)));
  const lines = going.flatMap((part) => {
    const eachCents = eachOf(part);
    return eachCents === null ? [] : [{ ...part, eachCents }];
  });
  const total = lines.reduce((sum, { quantity, eachCents }) => sum + quantity * eachCents, 0);
  // What is ticked decides whether a threshold is reached.
  const hints = orderHints(lines, basket, currency);
  const flip = (key: string) =>
    setLeft((before) => {
      const next = new Set(before);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  const order = async () => {
    const parts = going.map(({ jobId, offerId, quantity }) => ({ job: jobId, offer: offerId, quantity }));
    const placed = await save<{ id: number }>('POST', '/api/orders', { seller: basket.sellerId, parts, note });
    if (placed.ok) router.push(`/orders/${placed.value.id}`);
  };
  return (
    <section aria-label={basket.seller} className="border-t-4 border-edge pt-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-base">{basket.seller}</h2>
        <span className="text-sm text-ink-2">
          {basket.leadDays === 1 ? t('basket.oneDay') : t('basket.days', { leadDays: basket.leadDays })}
        </span>
        {lines.length > 0 && <span className="ml-auto text-lg font-semibold">{moneyText(total, currency)}</span>}
      </div>
      <div role="status">
        {lines.length > 0 &&
          hints.map((hint) => (
            <p key={hint.what} className={hint.missingCents === 0 ? 'text-good' : 'text-mind'}>
              {hint.missingCents === 0 ? '✓' : '△'} {hintText(t, hint)}
            </p>
          ))}
      </div>
      <ul className="divide-y divide-line">
        {basket.parts.map((part) => (
          <PartLine
            key={keyOf(part)}
            part={part}
            currency={currency}
            isLeft={left.has(keyOf(part))}
            onFlip={() => flip(keyOf(part))}
          />
        ))}
      </ul>
      {mayOrder ? (
        <div className="flex flex-wrap gap-3 items-end pt-1">
          <Field
            label={t('basket.note')}
            className="w-96 max-w-full"
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          <Button weight={isFirst ? 'act' : 'plain'} disabled={busy || going.length === 0} onClick={() => void order()}>
            {t('basket.order', {
              going: going.length === 1 ? t('basket.this') : t('basket.these', { going: going.length }),
            })}
          </Button>
        </div>
      ) : (
        <p className="text-sm text-ink-2 pt-1">{t('basket.who')}</p>
      )}
      <Fault sentence={sentence} />
    </section>
  );
}

interface BasketsProps {
  baskets: readonly Basket[];
  currency: string;
  mayOrder: boolean;
}

/** What accepted jobs need, by seller. */
export function Baskets({ baskets, currency, mayOrder }: BasketsProps) {
  const t = useTranslations('orders');
  if (baskets.length === 0) {
    return <p className="bg-sheet border border-line px-4 py-6">{t('basket.nothing')}</p>;
  }
  return (
    <div className="grid gap-5">
      {baskets.map((basket, nr) => (
        <BasketCard key={basket.sellerId} basket={basket} currency={currency} isFirst={nr === 0} mayOrder={mayOrder} />
      ))}
    </div>
  );
}

interface PartLineProps {
  part: BasketPart;
  currency: string;
  isLeft: boolean;
  onFlip: () => void;
}

/** A part that can go along with the order, or wait. */
function PartLine({ part, currency, isLeft, onFlip }: PartLineProps) {
  const t = useTranslations('orders');
  return (
    <li className={`flex flex-wrap gap-x-4 items-baseline py-2 ${isLeft ? 'opacity-60' : ''}`}>
      <label className="flex-1 min-w-72 flex gap-3 items-baseline cursor-pointer">
        <input type="checkbox" className="size-4 accent-act" checked={!isLeft} onChange={onFlip} />
        <span>
          {part.quantity > 1 && <strong>{part.quantity} × </strong>}
          {part.title}
          <span className="block text-sm text-ink-2">
            {t('basket.for', {
              value: part.sellerPart !== null ? `${part.sellerPart} · ` : '',
              customer: part.customer,
              quoteNumber: part.quoteNumber,
            })}
          </span>
          {part.onCondition && <span className="block text-sm text-mind">△ {t('basket.onCondition')}</span>}
          {part.lateDays > 0 && part.neededBy !== null && (
            <span className="block text-sm text-mind">
              △ {t('basket.late', { days: part.lateDays, day: dayText(part.neededBy) })}
            </span>
          )}
        </span>
      </label>
      <Link href={`/jobs/${part.jobId}/fitting`} className="text-sm underline underline-offset-2">
        {t('job', { jobId: part.jobId })}
      </Link>
      <span className="text-sm">
        <Moved part={part} currency={currency} />
      </span>
      <PartPrice part={part} currency={currency} />
    </li>
  );
}
