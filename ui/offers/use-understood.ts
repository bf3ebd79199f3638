'use client';
import { useEffect, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { useTranslations } from '#translations';
import type { KnownModule } from '@/core/machine/slots/job-slot';
import type { UnderstoodOffer } from '@/service/market/view';
import { callOnce } from '../client/session-guard';
import { faultOfFiles, textFile } from '../intake/readings/reading-inputs';
import { type OfferTyped, understoodTyped } from './offer-typed';

/** Typing goes on: understood when it rests for so long, milliseconds. */
const REST_MS = 300;

/**
 * A title with its price, or a seller's saved page, understood as it comes: it fills the form, but for what somebody typed there.
 *
 * @param start what is known of the module before anything is understood
 */
export function useUnderstood(form: UseFormReturn<OfferTyped>, currency: string, start: KnownModule) {
  const t = useTranslations('offers');
  const tIntake = useTranslations('intake');
  const [line, setLine] = useState('');
  const [understood, setUnderstood] = useState<UnderstoodOffer | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const { dirtyFields } = form.formState;

  const take = (told: UnderstoodOffer) => {
    setUnderstood(told);
    for (const [key, value] of Object.entries(understoodTyped(told, currency)))
      if (dirtyFields[key as keyof OfferTyped] === undefined) form.setValue(key as keyof OfferTyped, value);
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: only what is typed into the line is understood again
  useEffect(() => {
    if (line.trim() === '') return;
    let stale = false;
    const timer = setTimeout(async () => {
      const result = await callOnce<UnderstoodOffer>('POST', '/api/offers/understand', textFile(t('typedLine'), line));
      if (stale) return;
      setFault(result.ok ? null : result.sentence);
      if (result.ok) take(result.value);
    }, REST_MS);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [line]);

  const takePage = async (files: readonly File[]) => {
    const [file] = files;
    if (file === undefined) return;
    const wrong = faultOfFiles(tIntake, files);
    const result = wrong === null ? await callOnce<UnderstoodOffer>('POST', '/api/offers/understand', file) : null;
    setFault(wrong ?? (result?.ok === false ? result.sentence : null));
    if (result?.ok) take(result.value);
  };

  return { line, setLine, takePage, understood, base: understood?.module ?? start, fault };
}
