'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Notice } from '../kit/notice';

/** Asks the sellers' feeds for today's prices, and tells what each of them said. */
export function RefreshPrices() {
  const t = useTranslations('offers');
  const { busy, sentence, save } = useSave();
  const [said, setSaid] = useState<string[]>([]);
  const refresh = async () => {
    const result = await save<{ sentence: string }[]>('POST', '/api/offers/refresh');
    if (result.ok) setSaid(result.value.map((one) => one.sentence));
  };
  return (
    <div className="grid gap-2 justify-items-end">
      <Button onClick={refresh} disabled={busy}>
        {busy ? t('refresh.asking') : t('refresh.action')}
      </Button>
      <Fault sentence={sentence} />
      {said.length > 0 && (
        <Notice tone="good" live>
          {said.join(' ')}
        </Notice>
      )}
    </div>
  );
}
