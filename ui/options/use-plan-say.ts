'use client';
import { useMemo } from 'react';
import { useTranslations } from '#translations';
import type { PlanSay } from '@/core/planning/explain/plan-say';
import { moneyText } from '../words/amounts';

/** How plans are told to the person at the screen. @param currency of the case */
export function usePlanSay(currency: string): PlanSay {
  const t = useTranslations('plans');
  const tTrade = useTranslations('trade');
  return useMemo(() => ({ t, tTrade, money: (cents: number) => moneyText(cents, currency) }), [t, tTrade, currency]);
}
