'use client';
import { useTranslations } from '#translations';
import type { QuoteLine } from '@/core/quoting/snapshot';

/** What a line of a quote is about. */
export function LineText({ line: { quantity, text, about, origin } }: { line: QuoteLine }) {
  const t = useTranslations('quote');
  return (
    <>
      {quantity > 1 && `${quantity} × `}
      {text}
      {origin === 'original' && <span className="text-ink-2">{t('line.original')}</span>}
      {origin === 'used' && <span className="text-ink-2">{t('line.used')}</span>}
      {about !== undefined && <span className="block text-xs text-ink-2">{about}</span>}
    </>
  );
}
