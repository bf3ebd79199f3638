'use client';
import { useTranslations } from '#translations';
import { buttonLook } from '@/ui/kit/button';

/** A page that broke: what to do, and no internals. */
export default function Broken({ reset }: { reset: () => void }) {
  const t = useTranslations('frame');
  return (
    <main className="max-w-xl mx-auto px-5 py-20">
      <h1 className="text-2xl">{t('pageFailed')}</h1>
      <p className="mt-2 mb-4">{t('pageFailedWhy')}</p>
      <button type="button" onClick={reset} className={buttonLook('act')}>
        {t('tryAgain')}
      </button>
    </main>
  );
}
