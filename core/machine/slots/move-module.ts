import type { JobSlot } from './job-slot';

/** Why a module cannot be moved, and the slot that it is about. */
export interface NotMoved {
  why: 'empty' | 'soldered-in' | 'target-soldered' | 'target-blocked' | 'too-large';
  slot: string;
}

export type Moved = { ok: true; slots: JobSlot[] } | ({ ok: false } & NotMoved);

const movable = ({ soldered, blocked }: JobSlot): boolean => !soldered && blocked !== true;

/** A slot with what another one holds, and with what may become of that. */
const withContent = (slot: JobSlot, from: JobSlot): JobSlot => ({
  ...slot,
  module: from.module,
  keep: from.keep,
  creditCents: from.creditCents,
  moduleSource: 'typed',
});

/** Puts the module of one socket into another; what is in that one comes back, so that no socket ever holds two. */
export function moveModule(slots: readonly JobSlot[], from: string, to: string): Moved {
  const source = slots.find(({ name }) => name === from);
  const target = slots.find(({ name }) => name === to);
  if (source === undefined || target === undefined || source === target) return { ok: true, slots: [...slots] };
  if (source.module === null) return { ok: false, why: 'empty', slot: from };
  if (source.soldered) return { ok: false, why: 'soldered-in', slot: from };
  if (!movable(target)) return { ok: false, why: target.soldered ? 'target-soldered' : 'target-blocked', slot: to };
  const { maxMiB } = target;
  const { capacityMiB } = source.module;
  if (maxMiB !== null && capacityMiB !== null && capacityMiB > maxMiB) {
    return { ok: false, why: 'too-large', slot: to };
  }
  return {
    ok: true,
    slots: slots.map((slot) =>
      slot === source ? withContent(slot, target) : slot === target ? withContent(slot, source) : slot,
    ),
  };
}

const NEXT_KEEP: Record<JobSlot['keep'], JobSlot['keep']> = { may: 'must', must: 'never', never: 'may' };

/** The next of: may stay or go, must stay, must go. */
export function cycleKeep(slots: readonly JobSlot[], name: string): JobSlot[] {
  return slots.map((slot) =>
    slot.name === name && slot.module !== null && !slot.soldered ? { ...slot, keep: NEXT_KEEP[slot.keep] } : slot,
  );
}

/** The socket without its module. */
export function emptySocket(slots: readonly JobSlot[], name: string): JobSlot[] {
  return slots.map((slot) =>
    slot.name === name && !slot.soldered
      ? { ...slot, module: null, keep: 'may', creditCents: 0, moduleSource: 'typed' }
      : slot,
  );
}
