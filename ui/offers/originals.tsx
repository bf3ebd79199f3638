'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { WaitingOriginal } from '@/service/market/view';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { ModelPicker } from './model-picker';

/** An original that is for no model yet. */
export interface ShownOriginal {
  id: number;
  title: string;
  maker: string;
  seller: string | null;
}

interface OriginalsProps {
  waiting: readonly WaitingOriginal[];
  loose: readonly ShownOriginal[];
}

function Waiting({ one }: { one: WaitingOriginal }) {
  const t = useTranslations('offers');
  const { busy, sentence, save } = useSave();
  const [choosing, setChoosing] = useState(false);
  const settle = (modelId: number | null) =>
    void save('POST', '/api/originals', { maker: one.maker, said: one.said, modelId });
  return (
    <li className="px-4 py-2 border-b border-line text-sm grid gap-1.5">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span className="font-semibold">
          {one.maker} {one.said}
        </span>
        <span className="text-ink-2 flex-1 min-w-0 truncate">
          {t('assign.line', {
            value: t('assign.offers', { offers: one.offers }),
            title: one.title,
            value2: one.seller !== null ? ` · ${one.seller}` : '',
          })}
        </span>
        <Button
          weight="quiet"
          onClick={() => setChoosing(!choosing)}
          aria-label={t('assign.chooseFor', { said: one.said })}
        >
          {t('assign.choose')}
        </Button>
        <Button
          weight="quiet"
          disabled={busy}
          onClick={() => settle(null)}
          aria-label={t('origin.ignoreOne', { said: one.said })}
        >
          {t('origin.ignore')}
        </Button>
      </div>
      {choosing && (
        <ModelPicker
          label={t('assign.is', { said: one.said })}
          models={[]}
          onChange={([model]) => model !== undefined && settle(model.id)}
        />
      )}
      <Fault sentence={sentence} />
    </li>
  );
}

/** Originals whose machines the library does not know, or that are for none: in no plan until they are settled. */
export function Originals({ waiting, loose }: OriginalsProps) {
  const t = useTranslations('offers');
  if (waiting.length + loose.length === 0) return null;
  return (
    <section id="originals" aria-label={t('assign.title')}>
      <h2 className="text-base border-b-4 border-edge pb-1">
        {t.rich('assign.head', {
          e0: () => <span className="text-sm font-normal text-ink-2">{t('assign.what')}</span>,
        })}
      </h2>
      <ul className="bg-sheet">
        {waiting.map((one) => (
          <Waiting key={`${one.maker} ${one.said}`} one={one} />
        ))}
        {loose.map(({ id, title, maker, seller }) => (
          <li key={id} className="px-4 py-2 border-b border-line text-sm">
            <span className="font-semibold">{title}</span>{' '}
            <span className="text-ink-2">
              {t('assign.noModel', {
                value: maker === '' ? t('assign.noMaker') : t('assign.of', { maker }),
                value2: seller !== null ? ` · ${seller}` : '',
              })}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
