'use client';
import { useTranslations } from '#translations';
import { Button } from '../kit/button';

/** Puts the page on paper as it is. */
export function PrintButton() {
  const t = useTranslations('orders');
  return (
    <Button weight="act" className="no-print" onClick={() => window.print()}>
      {t('print')}
    </Button>
  );
}
