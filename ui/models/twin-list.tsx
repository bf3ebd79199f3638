'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import type { LikelyTwins } from '@/service/library/view';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';

/** Pairs of models that may be one, each to look at and to make one of. */
export function TwinList({ twins }: { twins: readonly LikelyTwins[] }) {
  const t = useTranslations('models');
  const { busy, sentence, save } = useSave();
  if (twins.length === 0) return null;
  const merge = (keep: number, drop: number) => save('POST', '/api/models/merge', { keep, drop });
  return (
    <section aria-label={t('twins.title')} className="border-l-4 border-mind bg-sheet px-3 py-2">
      <h2 className="text-base">{t('twins.title')}</h2>
      <ul className="grid gap-1 mt-1">
        {twins.map(({ a, b, nameA, nameB, yearA, yearB, shares }) => (
          <li key={`${a} ${b}`} className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
            <span className="flex-1 min-w-64">
              {t.rich('twins.line', {
                e0: () => (
                  <Link href={`/models/${a}`} className="underline underline-offset-2">
                    {nameA} ({yearA})
                  </Link>
                ),
                e1: () => (
                  <Link href={`/models/${b}`} className="underline underline-offset-2">
                    {nameB} ({yearB})
                  </Link>
                ),
                shares,
              })}
            </span>
            <Button disabled={busy} onClick={() => merge(a, b)}>
              {t('twins.one', { nameA, yearA })}
            </Button>
            <Button disabled={busy} onClick={() => merge(b, a)}>
              {t('twins.other', { nameB, yearB })}
            </Button>
          </li>
        ))}
      </ul>
      <Fault sentence={sentence} />
    </section>
  );
}
