'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { ListedSeller } from '@/service/market/view';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { Choice } from '../../kit/choice';

interface SellerEndsProps {
  seller: ListedSeller;
  /** whom it may be merged with */
  others: readonly ListedSeller[];
  onDone: (sentence: string) => void;
}

/** How a seller ends: retired with its offers, or merged with another that it is the double of. */
export function SellerEnds({ seller, others, onDone }: SellerEndsProps) {
  const t = useTranslations('offers');
  const { busy, sentence, save } = useSave();
  const [merging, setMerging] = useState(false);
  const [into, setInto] = useState('');
  const target = others.find(({ id }) => String(id) === into);
  const retire = async () => {
    const result = await save('PUT', `/api/sellers/${seller.id}/retired`, { retired: true });
    if (result.ok) onDone(t('end.retired', { name: seller.name }));
  };
  const merge = async () => {
    if (target === undefined) return;
    const result = await save<{ offers: number; doubles: number }>('POST', `/api/sellers/${seller.id}/merge`, {
      into: target.id,
    });
    if (!result.ok) return;
    const { offers, doubles } = result.value;
    const twice = doubles === 0 ? '' : t('end.doubles', { doubles });
    onDone(t('end.merged', { name: seller.name, name2: target.name, offers, twice }));
  };
  return (
    <div className="mr-auto flex flex-wrap items-end gap-2">
      {merging ? (
        <>
          <Choice
            label={t('end.mergeInto', { name: seller.name })}
            className="w-52"
            value={into}
            onChange={(event) => setInto(event.target.value)}
            options={[
              { value: '', text: t('form.chooseSeller') },
              ...others.map(({ id, name }) => ({ value: String(id), text: name })),
            ]}
          />
          <Button disabled={busy || target === undefined} onClick={() => void merge()}>
            {t('end.merge')}
          </Button>
          <Button weight="quiet" onClick={() => setMerging(false)}>
            {t('end.cancelMerge')}
          </Button>
        </>
      ) : (
        <>
          <Button weight="quiet" disabled={busy} onClick={() => void retire()}>
            {t('end.retire')}
          </Button>
          {others.length > 0 && (
            <Button weight="quiet" onClick={() => setMerging(true)}>
              {t('end.mergeAction')}
            </Button>
          )}
        </>
      )}
      {sentence !== null && (
        <span role="alert" className="text-stop text-sm">
          {sentence}
        </span>
      )}
    </div>
  );
}

/** Brings a retired seller back, with the offers that left with it. */
export function UseAgain({ seller, onSaid }: { seller: ListedSeller; onSaid: (sentence: string) => void }) {
  const t = useTranslations('offers');
  const { busy, save } = useSave();
  const back = async () => {
    const result = await save('PUT', `/api/sellers/${seller.id}/retired`, { retired: false });
    onSaid(result.ok ? t('end.again', { name: seller.name }) : result.sentence);
  };
  return (
    <Button
      weight="quiet"
      disabled={busy}
      aria-label={t('end.useAgainOne', { name: seller.name })}
      onClick={() => void back()}
    >
      {t('end.useAgain')}
    </Button>
  );
}
