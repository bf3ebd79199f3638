import { meant } from './placeholder';
import type { ReadSlot } from './reading';

/** A serial as it is written; strings of nothing but filling say none. Numbered ones are weighed by {@link withSerials}. */
export function serialText(text: string | null | undefined): string | null {
  const clean = (text ?? '').trim();
  return NUMBERED_SERIAL.test(clean) ? clean : meant(text);
}

/** Firmware numbers serials like this where it has none; some makers do so themselves. */
const NUMBERED_SERIAL = /^(?:sernum|serial ?num(?:ber)?)\d+$/i;

/** Slots whose numbered serials stay only where every filled slot has one of its own: else they stand for a missing one. */
export function withSerials(slots: readonly ReadSlot[]): ReadSlot[] {
  const serials = slots.flatMap(({ installed }) => (installed === null ? [] : [installed.serial]));
  const apart = serials.length > 1 && new Set(serials).size === serials.length && !serials.includes(null);
  if (apart) return [...slots];
  return slots.map((slot) =>
    slot.installed !== null && NUMBERED_SERIAL.test(slot.installed.serial ?? '')
      ? { ...slot, installed: { ...slot.installed, serial: null } }
      : slot,
  );
}
