'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { OfferSort } from '@/core/market/offer-sort';
import { callOnce } from '../../client/session-guard';
import type { MarketOffer, ShownFamily } from '../listed-offer';

/** What is looked for on the market. */
export interface MarketWish {
  text: string;
  jobId: number | null;
  familyId: number | null;
  sort: OfferSort;
}

export interface MarketWindow {
  shelves: ShownFamily[];
  familyId: number | null;
  rows: MarketOffer[];
}

/** Rows are asked for so many at a time. */
export const PAGE = 100;
/** Typing goes on: ask when it rests for so long, milliseconds. */
const REST_MS = 180;

interface Held {
  shelves: ShownFamily[];
  familyId: number | null;
  pages: ReadonlyMap<number, MarketOffer[]>;
}

const held = ({ shelves, familyId, rows }: MarketWindow): Held => ({ shelves, familyId, pages: new Map([[0, rows]]) });

/** Offers by a wish, a page at a time as they come into sight; what is no longer asked for is let go. */
export function useMarket(wish: MarketWish, start: MarketWindow) {
  const [shown, setShown] = useState<Held>(() => held(start));
  const [sentence, setSentence] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [version, setVersion] = useState(0);
  const { text, jobId, familyId, sort } = wish;
  const asked = useRef(new Set<number>());
  const turn = useRef(0);
  const first = useRef(true);

  // The page was drawn again: a price was noted, terms changed, a list was applied.
  const drawn = useRef(start);
  useEffect(() => {
    if (drawn.current === start) return;
    drawn.current = start;
    setVersion((before) => before + 1);
  }, [start]);

  useEffect(() => {
    if (first.current && version === 0) {
      first.current = false;
      return;
    }
    const own = ++turn.current;
    setBusy(true);
    const timer = setTimeout(async () => {
      const body = { text, jobId, familyId, sort, from: 0, count: PAGE };
      const answer = await callOnce<MarketWindow>('POST', '/api/offers/find', body);
      if (own !== turn.current) return;
      setBusy(false);
      asked.current = new Set([0]);
      setSentence(answer.ok ? null : answer.sentence);
      if (answer.ok) setShown(held(answer.value));
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [text, jobId, familyId, sort, version]);

  const see = useCallback(
    (page: number) => {
      if (page === 0 || asked.current.has(page)) return;
      asked.current.add(page);
      const own = turn.current;
      const body = { text, jobId, familyId: shown.familyId === 0 ? null : shown.familyId, sort, from: page * PAGE };
      void callOnce<MarketWindow>('POST', '/api/offers/find', { ...body, count: PAGE }).then((answer) => {
        if (own !== turn.current) return;
        if (!answer.ok) {
          asked.current.delete(page);
          setSentence(answer.sentence);
          return;
        }
        const { rows } = answer.value;
        setShown((before) => ({ ...before, pages: new Map([...before.pages, [page, rows]]) }));
      });
    },
    [text, jobId, sort, shown.familyId],
  );
  const again = useCallback(() => setVersion((before) => before + 1), []);
  return { ...shown, busy, sentence, see, again };
}
