'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import type { PartView } from '@/service/job/bench/view';
import { useJob } from '../job/job-context';
import { buttonLook } from '../kit/button';
import { sellerText } from '../words/market-words';
import { countsText, PART_SIGNS } from './part-words';

function Part({ part }: { part: PartView }) {
  const t = useTranslations('fitting');
  const tTrade = useTranslations('trade');
  const { job } = useJob();
  const { sign, word, look } = PART_SIGNS[part.state];
  const isLost = (part.counts?.never ?? 0) > 0;
  return (
    <li className="flex flex-wrap gap-x-4 gap-y-1 items-baseline py-2">
      <span className={`w-44 shrink-0 font-semibold ${look}`}>
        <span aria-hidden="true">{sign}</span> {t(word)}
      </span>
      <span className="flex-1 min-w-56">
        {part.quantity > 1 && <strong>{part.quantity} × </strong>}
        {part.title}
        <span className="block text-sm text-ink-2">
          {sellerText(tTrade, part.seller)}
          {part.order !== null && (
            <>
              {' · '}
              <Link href={`/orders/${part.order.id}`} className="underline underline-offset-2">
                {part.order.number}
              </Link>
            </>
          )}
          {part.counts !== null && countsText(t, part.counts) !== '' && ` · ${countsText(t, part.counts)}`}
        </span>
      </span>
      {isLost && (
        <Link href={`/jobs/${job.id}/quote`} className={buttonLook('plain')}>
          {t('parts.chooseAgain')}
        </Link>
      )}
    </li>
  );
}

/** The parts of the accepted option, and how each stands. */
export function Parts() {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const { parts } = job.work;
  const open = parts.filter(({ state }) => state === 'to-order').length;
  const here = parts.filter(({ state }) => state === 'arrived' || state === 'aside').length;
  return (
    <section aria-label={t('parts.label')}>
      <div className="flex items-baseline gap-3 border-b-4 border-edge pb-1">
        <h2 className="text-base">{t('parts.label')}</h2>
        <span className="text-sm text-ink-2">
          {parts.length === 0 ? t('parts.nothing') : t('parts.count', { here, parts: parts.length })}
        </span>
        {open > 0 && (
          <Link href="/orders" className={buttonLook('plain', 'ml-auto')}>
            {t('parts.order')}
          </Link>
        )}
      </div>
      <ul className="divide-y divide-line">
        {parts.map((part, nr) => (
          <Part key={`${part.title} ${part.order?.line ?? nr}`} part={part} />
        ))}
      </ul>
    </section>
  );
}
