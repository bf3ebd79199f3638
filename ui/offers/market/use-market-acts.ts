'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { EditedOffer } from '@/service/market/view';
import { useCall } from '../../client/session-guard';
import type { OpenSheet } from './open-sheet';

/** What can be taken back of what was done last. */
type Undo = { kind: 'origin'; event: number } | { kind: 'withdrawn'; offer: number };

export interface MarketActs {
  /** what came of what was done last */
  said: string | null;
  tell: (sentence: string, undo?: Undo) => void;
  /** null: nothing can be taken back */
  undo: (() => Promise<void>) | null;
  edit: (offer: number) => Promise<void>;
}

/** What is done to offers, what came of it, and how the last of it is taken back. */
export function useMarketActs(again: () => void, open: (sheet: OpenSheet) => void): MarketActs {
  const t = useTranslations('offers');
  const call = useCall();
  const [said, setSaid] = useState<string | null>(null);
  const [last, setLast] = useState<Undo | null>(null);
  const tell = (sentence: string, undo: Undo | null = null) => {
    setSaid(sentence);
    setLast(undo);
    again();
  };
  const undoOrigin = async (event: number) => {
    const result = await call<{ changed: number }>('POST', '/api/offers/origin/undo', { event });
    tell(result.ok ? t('origins.undone', { changed: result.value.changed }) : result.sentence);
  };
  const undoWithdrawn = async (offer: number) => {
    const result = await call('PUT', `/api/offers/${offer}/withdrawn`, { withdrawn: false });
    tell(result.ok ? t('restored') : result.sentence);
  };
  const edit = async (offer: number) => {
    const result = await call<EditedOffer>('GET', `/api/offers/${offer}`);
    if (result.ok) open({ kind: 'write', from: { offer: result.value, copy: false } });
    else setSaid(result.sentence);
  };
  const undo =
    last === null ? null : () => (last.kind === 'origin' ? undoOrigin(last.event) : undoWithdrawn(last.offer));
  return { said, tell, undo, edit };
}
