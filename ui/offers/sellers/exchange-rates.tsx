'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { Field } from '../../kit/field';
import { dayText } from '../../words/amounts';
import type { PriceGround } from '../price-form';

/** Dated rates of the currencies that sellers print in. */
export function ExchangeRates({ ground, currencies }: { ground: PriceGround; currencies: readonly string[] }) {
  const t = useTranslations('offers');
  const { busy, sentence, save } = useSave();
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  if (currencies.length === 0) return null;
  const note = async (from: string) => {
    const micro = Math.round(Number(text.replace(',', '.')) * 1_000_000);
    if (!Number.isSafeInteger(micro) || micro <= 0) return setWrong(t('rates.fault'));
    setWrong(null);
    const result = await save('POST', '/api/rates', { from, micro, on: ground.day });
    if (result.ok) setText('');
  };
  return (
    <ul className="px-4 py-2 border-b border-line grid gap-1 text-sm">
      {currencies.map((currency) => {
        const [latest] = ground.rates.filter(({ from }) => from === currency);
        return (
          <li key={currency} className="flex flex-wrap items-end gap-3">
            <span className="flex-1 min-w-56 py-2">
              {latest === undefined ? (
                <span className="text-mind">{t('rates.none', { currency })}</span>
              ) : (
                <>
                  1 {currency} = {(latest.micro / 1_000_000).toString()} {ground.currency}
                  <span className="text-ink-2">{t('rates.since', { on: dayText(latest.on) })}</span>
                </>
              )}
            </span>
            <Field
              label={t('rates.label', { currency: ground.currency, currency2: currency })}
              inputMode="decimal"
              value={text}
              onChange={(event) => setText(event.target.value)}
              error={wrong ?? sentence}
            />
            <Button disabled={busy || text.trim() === ''} onClick={() => void note(currency)}>
              {t('rates.save')}
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
