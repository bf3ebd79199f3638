'use client';
import Link from 'next/link';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { Fault } from '../../kit/fault';
import { Notice } from '../../kit/notice';
import { dayText, moneyText } from '../../words/amounts';
import { PieceSheet } from './piece-sheet';

/** A used module that lies on our shelf. */
export interface ShownPiece {
  id: number;
  title: string;
  serial: string | null;
  note: string;
  originJobId: number | null;
  promisedTo: number | null;
  heldUntil: string | null;
  /** what it is worth to the shop; null: the person who looks may not see it */
  costCents: number | null;
}

/** Our own shelf, piece by piece, with whom each is promised to. */
export function OwnShelf({
  pieces,
  currency,
  mayPrice,
}: {
  pieces: readonly ShownPiece[];
  currency: string;
  mayPrice: boolean;
}) {
  const t = useTranslations('offers');
  const { busy, sentence, save } = useSave();
  const [putting, setPutting] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  return (
    <section aria-label={t('pieces.title')}>
      <h2 className="text-base border-b-4 border-edge pb-1 flex items-baseline justify-between gap-3">
        <span>
          {t.rich('pieces.head', { e0: () => <span className="font-normal text-ink-2">{pieces.length}</span> })}
        </span>
        {mayPrice && (
          <Button weight="quiet" onClick={() => setPutting(true)}>
            {t('pieces.add')}
          </Button>
        )}
      </h2>
      {said !== null && (
        <Notice tone="good" live>
          {said}
        </Notice>
      )}
      <Fault sentence={sentence} />
      {pieces.length === 0 && <p className="bg-sheet px-4 py-4 text-sm">{t('pieces.empty')}</p>}
      <ul
        aria-label={t('pieces.list')}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
        tabIndex={0}
        className="bg-sheet max-h-80 overflow-y-auto"
      >
        {pieces.map((piece) => (
          <Piece
            key={piece.id}
            piece={piece}
            currency={currency}
            busy={busy}
            onTakeOff={
              mayPrice && piece.promisedTo === null ? () => void save('DELETE', `/api/shelf/${piece.id}`) : null
            }
          />
        ))}
      </ul>
      {putting && <PieceSheet currency={currency} onClose={() => setPutting(false)} onSaid={setSaid} />}
    </section>
  );
}

interface PieceProps {
  piece: ShownPiece;
  currency: string;
  busy: boolean;
  onTakeOff: (() => void) | null;
}

/** One piece, and whom it is promised to. */
function Piece({ piece, currency, busy, onTakeOff }: PieceProps) {
  const t = useTranslations('offers');
  const { id, title, serial, note, originJobId, promisedTo, heldUntil, costCents } = piece;
  return (
    <li className="flex items-baseline gap-3 px-4 py-1.5 border-b border-line text-sm">
      <span className="flex-1 min-w-0">
        <span className="font-medium">{title}</span>
        <span className="text-ink-2">
          {serial !== null && t('pieces.serialIs', { serial })}
          {originJobId !== null && (
            <>
              {t('pieces.from')}
              <Link href={`/jobs/${originJobId}`} className="underline underline-offset-2">
                {t('pieces.jobIs', { originJobId })}
              </Link>
            </>
          )}
          {note !== '' && ` · ${note}`}
        </span>
      </span>
      {promisedTo !== null && heldUntil !== null && (
        <span className="text-mind">
          {t.rich('pieces.promised', {
            e0: () => (
              <Link href={`/jobs/${promisedTo}`} className="underline underline-offset-2">
                {t('pieces.promisedJob', { promisedTo })}
              </Link>
            ),
            heldUntil: dayText(heldUntil),
          })}
        </span>
      )}
      {costCents !== null && (
        <span className="text-ink-2 whitespace-nowrap">
          {t('pieces.worthIs', { costCents: moneyText(costCents, currency) })}
        </span>
      )}
      {onTakeOff !== null && (
        <Button weight="quiet" disabled={busy} onClick={onTakeOff} aria-label={t('pieces.removeOne', { title, id })}>
          {t('pieces.remove')}
        </Button>
      )}
    </li>
  );
}
