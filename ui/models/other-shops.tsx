'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { OtherShop } from '@/service/library/view';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Fault } from '../kit/fault';

/** Shops that handed us what they know: what it is, whether it is believed, and the way to take all of it out. */
export function OtherShops({ shops, mayTrust }: { shops: readonly OtherShop[]; mayTrust: boolean }) {
  const t = useTranslations('models');
  const { busy, sentence, save } = useSave();
  const [said, setSaid] = useState<string | null>(null);
  if (shops.length === 0 && said === null) return null;
  const drop = async ({ id, name }: OtherShop) => {
    const result = await save<{ models: number; kept: number }>('DELETE', `/api/other-shops/${id}`);
    if (!result.ok) return;
    const { models, kept } = result.value;
    const stay = kept === 0 ? '' : t('shops.stay', { kept: t('file.models', { count: kept }), name });
    setSaid(t('shops.removed', { name, models: t('file.models', { count: models }), stay }));
  };
  return (
    <section aria-label={t('shops.title')}>
      <h2 className="text-base border-b-4 border-edge pb-1">{t('shops.title')}</h2>
      <ul className="bg-sheet">
        {shops.map((shop) => (
          <li
            key={shop.id}
            className="flex flex-wrap items-baseline gap-x-4 gap-y-1 px-4 py-2 border-b border-line text-sm"
          >
            <span className="font-semibold">{shop.name}</span>
            <span className="text-ink-2 flex-1">
              {t('shops.counts', { models: shop.models, claims: shop.claims, tests: shop.trials })}
              {!shop.trusted && t('shops.info')}
            </span>
            {mayTrust && (
              <>
                <Check
                  checked={shop.trusted}
                  onChange={(trusted) => void save('PUT', `/api/other-shops/${shop.id}`, { trusted })}
                >
                  {t('shops.trust', { name: shop.name })}
                </Check>
                <Button
                  weight="quiet"
                  disabled={busy}
                  onClick={() => void drop(shop)}
                  aria-label={t('shops.removeAllOf', { name: shop.name })}
                >
                  {t('shops.removeAll')}
                </Button>
              </>
            )}
          </li>
        ))}
      </ul>
      <Fault sentence={sentence} />
      <p role="status" className="text-sm mt-1">
        {said}
      </p>
    </section>
  );
}
