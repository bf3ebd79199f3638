'use client';
import { type ClipboardEvent, type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { SlotChange } from '@/core/quoting/slot-changes';
import { type Arrow, type BoardChannel, neighbour } from './channel-groups';
import type { BoardEdit } from './use-board-edit';

/** A press that moves less than this is a press, px. */
const DRAG_FROM = 6;

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

/** What hands do to a board: modules are dragged, or taken up and put down by keys; a label is pasted into a slot. */
export interface BoardHands {
  /** the slot whose module is dragged, and how far, px; null: none is */
  dragged: { slot: string; dx: number; dy: number } | null;
  /** the slot whose module was taken up by a key; null: none was */
  carried: string | null;
  /** what a slot's button hears */
  of: (change: SlotChange) => {
    onClick: () => void;
    onKeyDown: (event: KeyboardEvent) => void;
    onPaste: (event: ClipboardEvent) => void;
    onPointerDown: (event: PointerEvent<HTMLElement>) => void;
    onPointerMove: (event: PointerEvent<HTMLElement>) => void;
    onPointerUp: (event: PointerEvent<HTMLElement>) => void;
    onPointerCancel: () => void;
  };
}

/** Can what is in a slot be taken by hand? */
export const isHeld = ({ now, soldered }: SlotChange): boolean => now !== null && !soldered;

/** Modules moved by dragging. @returns what is dragged, and what a slot's button hears of it */
function useDrag(edit: BoardEdit | undefined) {
  const [drag, setDrag] = useState<Drag | null>(null);
  // The press that ends a drag is none.
  const hasDragged = useRef(false);
  const down = (event: PointerEvent<HTMLElement>, change: SlotChange) => {
    hasDragged.current = false;
    if (edit === undefined || !isHeld(change) || event.button !== 0) return;
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
      hasDragged.current = true;
      const target = slotAt(event.clientX, event.clientY, drag.slot);
      if (target !== null) edit?.move(drag.slot, target);
    }
    setDrag(null);
  };
  return { dragged: drag?.moving === true ? drag : null, hasDragged, down, move, up, leave: () => setDrag(null) };
}

/**
 * @param rows the channels as they stand: the arrows go from slot to slot
 * @param onPick hears a press on a slot that is none of these
 * @param onFocus puts the focus on a slot
 */
export function useBoardHands(
  rows: readonly BoardChannel[][],
  edit: BoardEdit | undefined,
  onPick: ((slot: string) => void) | undefined,
  onFocus: (slot: string | null) => void,
): BoardHands {
  const [carried, setCarried] = useState<string | null>(null);
  const { dragged, hasDragged, down, move, up, leave } = useDrag(edit);
  const press = (slot: string) => {
    if (hasDragged.current) hasDragged.current = false;
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
      onFocus(neighbour(rows, slot, event.key));
      return;
    }
    if (edit === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    const held = isHeld(change);
    if (event.key === 'Escape' && carried !== null) setCarried(null);
    else if (event.key === 'm' && carried !== null) press(slot);
    else if (event.key === 'm' && held) setCarried(slot);
    else if (event.key === 'k' && held) edit.cycle(slot);
    else if ((event.key === 'Delete' || event.key === 'Backspace') && held) edit.empty(slot);
    else return;
    event.preventDefault();
  };
  const paste = (event: ClipboardEvent, { slot, soldered, blocked }: SlotChange) => {
    const text = event.clipboardData.getData('text/plain');
    if (edit === undefined || soldered || blocked || text === '') return;
    event.preventDefault();
    void edit.paste(slot, text);
  };
  return {
    dragged,
    carried,
    of: (change) => ({
      onClick: () => press(change.slot),
      onKeyDown: (event) => key(event, change),
      onPaste: (event) => paste(event, change),
      onPointerDown: (event) => down(event, change),
      onPointerMove: move,
      onPointerUp: up,
      onPointerCancel: leave,
    }),
  };
}
