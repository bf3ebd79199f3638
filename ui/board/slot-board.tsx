'use client';
import { useId, useState } from 'react';
import { useTranslations } from '#translations';
import type { SlotFacts } from '@/core/machine/slots/slot-facts';
import type { Generation } from '@/core/memory/generation';
import { keysOf } from '@/core/memory/outline';
import type { SlotChange } from '@/core/quoting/slot-changes';
import { useWidth } from '../client/use-width';
import { BoardSocket } from './board-socket';
import { type BoardChannel, channelRows } from './channel-groups';
import type { SocketLook } from './socket';
import { unchanged } from './socket-words';
import type { BoardEdit } from './use-board-edit';
import { useBoardHands } from './use-board-hands';

interface SlotBoardProps {
  changes: readonly SlotChange[];
  /** true where a plan is shown beside today */
  planned: boolean;
  generation: Generation | null;
  form: string | null;
  /** what is known of each slot and from whom, shown on hover and focus */
  facts?: Record<string, SlotFacts>;
  /** what a module is beside its size, in a few letters, by slot */
  details?: Record<string, string>;
  /** number of each socket in the fill order, where it is shown */
  fill?: Record<string, number>;
  onPick?: (slot: string) => void;
  edit?: BoardEdit;
  /** hears an offer that is dropped on a slot */
  onOffer?: (slot: string, offer: string) => void;
}

const GAP = 6;
/** More sockets than this are drawn low, so that a server's board fits beside the work. */
const DENSE_FROM = 9;

/**
 * The machine's slots: channels side by side, banks in order, each socket in its form with the keys of its generation;
 * today and, where a plan is looked at, after it. Modules are moved by dragging or by keyboard.
 */
export function SlotBoard(props: SlotBoardProps) {
  const t = useTranslations('board');
  const { changes, planned, generation, form, facts, details, fill, onPick, edit, onOffer } = props;
  const [board, setBoard] = useState<HTMLElement | null>(null);
  const [box, width] = useWidth<HTMLDivElement>(308);
  const hint = useId();
  const rows = channelRows(changes);
  const columns = Math.max(1, ...rows.map((row) => row.length));
  const look: Omit<SocketLook, 'planned'> = {
    form: form === 'SO-DIMM' ? 'SO-DIMM' : 'DIMM',
    keys: keysOf(generation, form),
    // Where the board is not shown it has no width at all.
    width: Math.max(0, Math.floor((width - GAP * (columns - 1)) / columns)),
    dense: changes.length >= DENSE_FROM,
  };
  const hands = useBoardHands(rows, edit, onPick, (slot) => {
    if (slot !== null) board?.querySelector<HTMLElement>(`[data-slot="${CSS.escape(slot)}"] button`)?.focus();
  });
  // Only rows of banks in which a plan changes anything need room for both.
  const changed = (row: readonly BoardChannel[], bank: number): boolean =>
    planned && row.some(({ slots }) => slots[bank] !== undefined && !unchanged(slots[bank]));
  return (
    <div ref={setBoard}>
      <div ref={box} className="grid grid-cols-[minmax(0,1fr)] gap-2">
        {rows.map((row) => (
          <div
            key={row.map(({ name }) => name).join(' ')}
            className="grid"
            style={{ gridTemplateColumns: `repeat(${columns}, ${look.width}px)`, columnGap: GAP }}
          >
            {row.map(({ name, slots }) => (
              <div key={name}>
                <p className="text-xs text-ink-2 border-b border-line mb-0.5 px-1" aria-hidden="true">
                  {columns > 3 ? name : t('channel', { name })}
                </p>
                <ul aria-label={t('Channel', { name })}>
                  {slots.map((change, bank) => (
                    <BoardSocket
                      key={change.slot}
                      change={change}
                      planned={planned}
                      look={{ ...look, planned: changed(row, bank) }}
                      facts={facts?.[change.slot]}
                      detail={details?.[change.slot] ?? ''}
                      fill={fill?.[change.slot]}
                      hands={hands}
                      isButton={onPick !== undefined}
                      hint={edit === undefined ? undefined : hint}
                      board={board}
                      onOffer={onOffer}
                    />
                  ))}
                </ul>
              </div>
            ))}
          </div>
        ))}
      </div>
      {edit !== undefined && (
        <p id={hint} className="sr-only">
          {t('keys')}
        </p>
      )}
      <Carried slot={hands.carried} />
    </div>
  );
}

/** Which slot's module is in hand. */
function Carried({ slot }: { slot: string | null }) {
  const t = useTranslations('board');
  return (
    <p role="status" className={slot === null ? 'sr-only' : 'text-sm text-act font-semibold mt-1'}>
      {slot === null ? '' : t('pressTarget', { slot })}
    </p>
  );
}
