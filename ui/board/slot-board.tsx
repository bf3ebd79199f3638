'use client';
import { type ClipboardEvent, type KeyboardEvent, type PointerEvent, useId, useRef, useState } from 'react';
import type { SlotFacts } from '@/core/machine/slots/slot-facts';
import type { Generation } from '@/core/memory/generation';
import { keysOf } from '@/core/memory/outline';
import type { SlotChange } from '@/core/quoting/slot-changes';
import { useWidth } from '../client/use-width';
import { Tip } from '../kit/tip';
import { type Arrow, type BoardChannel, channelRows, neighbour } from './channel-groups';
import { FactsList } from './facts-list';
import { Socket, type SocketLook } from './socket';
import { socketWords, unchanged } from './socket-words';
import type { BoardEdit } from './use-board-edit';

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
}

const GAP = 6;
/** More sockets than this are drawn low, so that a server's board fits beside the work. */
const DENSE_FROM = 9;
/** A press that moves less than this is a press, px. */
const DRAG_FROM = 6;

const disputed = (facts: SlotFacts | undefined): boolean =>
  facts?.values.some(({ against }) => against.length > 0) ?? false;

/** The slot under a point, but for the one that is dragged. */
function slotAt(x: number, y: number, dragged: string): string | null {
  for (const element of document.elementsFromPoint(x, y)) {
    const slot = element.closest<HTMLElement>('[data-slot]')?.dataset.slot;
    if (slot !== undefined && slot !== dragged) return slot;
  }
  return null;
}

interface Drag {
  slot: string;
  x: number;
  y: number;
  dx: number;
  dy: number;
  moving: boolean;
}

const isArrow = (key: string): key is Arrow => ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'].includes(key);

/**
 * The machine's slots: channels side by side, banks in order, each socket in its form with the keys of its generation;
 * today and, where a plan is looked at, after it. Modules are moved by dragging or by keyboard.
 */
export function SlotBoard(props: SlotBoardProps) {
  const { changes, planned, generation, form, facts, details, fill, onPick, edit } = props;
  const [board, setBoard] = useState<HTMLElement | null>(null);
  const [box, width] = useWidth<HTMLDivElement>(308);
  const [drag, setDrag] = useState<Drag | null>(null);
  const [carried, setCarried] = useState<string | null>(null);
  const dragged = useRef(false);
  const hint = useId();
  const rows = channelRows(changes);
  const columns = Math.max(1, ...rows.map((row) => row.length));
  const look: Omit<SocketLook, 'planned'> = {
    form: form === 'SO-DIMM' ? 'SO-DIMM' : 'DIMM',
    keys: keysOf(generation, form),
    width: Math.floor((width - GAP * (columns - 1)) / columns),
    dense: changes.length >= DENSE_FROM,
  };
  // Only rows of banks in which a plan changes anything need room for both.
  const changed = (row: readonly BoardChannel[], bank: number): boolean =>
    planned && row.some(({ slots }) => slots[bank] !== undefined && !unchanged(slots[bank]));

  const focusSlot = (slot: string | null) => {
    if (slot !== null) board?.querySelector<HTMLElement>(`[data-slot="${CSS.escape(slot)}"] button`)?.focus();
  };
  const press = (slot: string) => {
    if (dragged.current) dragged.current = false;
    else if (carried === null) onPick?.(slot);
    else {
      edit?.move(carried, slot);
      setCarried(null);
    }
  };
  const key = (event: KeyboardEvent, change: SlotChange) => {
    const { slot } = change;
    if (isArrow(event.key)) {
      event.preventDefault();
      focusSlot(neighbour(rows, slot, event.key));
      return;
    }
    if (edit === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    const held = change.now !== null && !change.soldered;
    if (event.key === 'Escape' && carried !== null) setCarried(null);
    else if (event.key === 'm' && carried !== null) press(slot);
    else if (event.key === 'm' && held) setCarried(slot);
    else if (event.key === 'k' && held) edit.cycle(slot);
    else if ((event.key === 'Delete' || event.key === 'Backspace') && held) edit.empty(slot);
    else return;
    event.preventDefault();
  };
  const down = (event: PointerEvent<HTMLElement>, change: SlotChange) => {
    dragged.current = false;
    if (edit === undefined || change.now === null || change.soldered || event.button !== 0) return;
    setDrag({ slot: change.slot, x: event.clientX, y: event.clientY, dx: 0, dy: 0, moving: false });
  };
  const move = (event: PointerEvent<HTMLElement>) => {
    if (drag === null) return;
    const [dx, dy] = [event.clientX - drag.x, event.clientY - drag.y];
    const moving = drag.moving || Math.hypot(dx, dy) >= DRAG_FROM;
    if (moving && !drag.moving) event.currentTarget.setPointerCapture(event.pointerId);
    setDrag({ ...drag, dx, dy, moving });
  };
  const up = (event: PointerEvent<HTMLElement>) => {
    if (drag?.moving === true) {
      // The press that ends a drag is none.
      dragged.current = true;
      const target = slotAt(event.clientX, event.clientY, drag.slot);
      if (target !== null) edit?.move(drag.slot, target);
    }
    setDrag(null);
  };
  const paste = (event: ClipboardEvent, { slot, soldered, blocked }: SlotChange) => {
    const text = event.clipboardData.getData('text/plain');
    if (edit === undefined || soldered || blocked || text === '') return;
    event.preventDefault();
    void edit.paste(slot, text);
  };

  const socket = (change: SlotChange, both: boolean) => {
    const { slot } = change;
    const detail = details?.[slot] ?? '';
    const own = facts?.[slot];
    const words = socketWords(change, planned, { facts: own, fill: fill?.[slot], detail });
    const drawing = (
      <Socket
        change={change}
        look={{ ...look, planned: both }}
        detail={detail}
        disputed={disputed(own)}
        fill={fill?.[slot]}
      />
    );
    const dragging = drag?.slot === slot && drag.moving;
    const button = (
      <button
        type="button"
        aria-label={`${words}. ${carried === null ? 'Change this slot' : `Put the module of ${carried} here`}`}
        aria-describedby={edit === undefined ? undefined : hint}
        onClick={() => press(slot)}
        onKeyDown={(event) => key(event, change)}
        onPaste={(event) => paste(event, change)}
        onPointerDown={(event) => down(event, change)}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={() => setDrag(null)}
        style={{ touchAction: edit !== undefined && change.now !== null && !change.soldered ? 'none' : undefined }}
        className={`absolute inset-0 cursor-pointer rounded-notch hover:outline-2 hover:outline-edge ${carried === slot ? 'outline-2 outline-dashed outline-act' : ''}`}
      />
    );
    // The drawing stands beside the button, not in it: the button's name says more than what is drawn.
    return (
      <li
        key={slot}
        data-slot={slot}
        style={{ transform: dragging ? `translate(${drag.dx}px, ${drag.dy}px)` : undefined }}
        className={`relative ${dragging ? 'z-20 opacity-85' : ''}`}
      >
        {drawing}
        {onPick === undefined ? (
          <span className="sr-only">{words}</span>
        ) : own === undefined ? (
          button
        ) : (
          <Tip about={button} side="left" within={board}>
            <FactsList facts={own} />
          </Tip>
        )}
      </li>
    );
  };

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
                  {columns > 3 ? name : `channel ${name}`}
                </p>
                <ul aria-label={`Channel ${name}`}>
                  {slots.map((change, bank) => socket(change, changed(row, bank)))}
                </ul>
              </div>
            ))}
          </div>
        ))}
      </div>
      {edit !== undefined && (
        <p id={hint} className="sr-only">
          M takes the module up and puts it down in another slot, K says whether it must stay or go, Delete takes it
          out, a pasted label fills the slot, the arrows go from slot to slot.
        </p>
      )}
      <p role="status" className={carried === null ? 'sr-only' : 'text-sm text-act font-semibold mt-1'}>
        {carried === null ? '' : `Press the slot that the module of ${carried} goes to; Escape leaves it.`}
      </p>
    </div>
  );
}
