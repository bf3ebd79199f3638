import { addObservation, type Observations } from '../observations';
import type { JobSlot, KnownModule, ModuleField } from './job-slot';
import type { Joined } from './join-readings';
import { type ModelSlot, type PlacedSlot, placeSlots, slotsOfModel } from './slots-of-reading';

/** The slots that follow from a job's readings and model, before anybody typed anything. */
export function derivedSlots(joined: Joined, model: readonly ModelSlot[] | null): PlacedSlot[] {
  if (joined.machine !== null) return placeSlots(joined.machine, model);
  return slotsOfModel(model ?? []).map((slot) => ({ slot, read: null, sure: null }));
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a ?? null) === JSON.stringify(b ?? null);

/** Fields of a module that a person changed from what the readings said. */
function typedFields(now: KnownModule, derived: KnownModule): Partial<KnownModule> {
  const changed = (Object.keys(now) as ModuleField[]).filter((field) => !same(now[field], derived[field]));
  return Object.fromEntries(changed.map((field) => [field, now[field]]));
}

/** The new module with what was typed into the old one; a module that was typed whole, or away, stays so. */
function moduleWithTyped(
  next: JobSlot,
  before: JobSlot,
  derived: JobSlot | undefined,
): Pick<JobSlot, 'module' | 'moduleSource'> {
  const was = derived?.module ?? null;
  if (before.moduleSource !== 'typed') return next;
  if (before.module === null || was === null || next.module === null) {
    return same(before.module, was) ? next : { module: before.module, moduleSource: 'typed' };
  }
  const typed = typedFields(before.module, was);
  return Object.keys(typed).length === 0 ? next : { module: { ...next.module, ...typed }, moduleSource: 'typed' };
}

/**
 * New slots with what people typed into the slots of the same name before: what may become of a module, its place where
 * it was typed, and every field of a module that differs from what the readings had said. Slots added by hand stay.
 *
 * @param derivedBefore what the readings of before came to
 */
export function keepTyped(
  next: readonly JobSlot[],
  before: readonly JobSlot[],
  derivedBefore: readonly JobSlot[],
): JobSlot[] {
  const kept = next.map((slot) => {
    const old = before.find(({ name }) => name === slot.name);
    if (old === undefined) return slot;
    const { keep, creditCents, blocked } = old;
    const place = old.placeSource === 'typed' ? pickPlace(old) : pickPlace(slot);
    const derived = derivedBefore.find(({ name }) => name === slot.name);
    const next = { ...slot, ...place, keep, creditCents, ...pickModule(moduleWithTyped(slot, old, derived)) };
    return blocked === true && next.module === null ? { ...next, blocked } : next;
  });
  const added = before.filter(
    ({ name, placeSource }) =>
      placeSource === 'typed' &&
      !next.some((slot) => slot.name === name) &&
      !derivedBefore.some((slot) => slot.name === name),
  );
  return [...kept, ...added];
}

const pickPlace = ({ channel, bank, maxMiB, placeSource }: JobSlot) => ({ channel, bank, maxMiB, placeSource });
const pickModule = ({ module, moduleSource }: Pick<JobSlot, 'module' | 'moduleSource'>) => ({ module, moduleSource });

/** All that is said of what a slot holds; a value that no reading gave is the model's or was typed. */
export function observationsOfSlot(slot: JobSlot, observations: Observations<ModuleField>): Observations<ModuleField> {
  if (slot.module === null) return {};
  const kind = slot.moduleSource === 'model' ? 'model' : 'typed';
  let all: Observations<ModuleField> = {};
  for (const field of Object.keys(slot.module) as ModuleField[]) {
    const value = slot.module[field];
    const words = observations[field] ?? [];
    if (words.length > 0) all = { ...all, [field]: words };
    if (value == null || same(words[0]?.value, value)) continue;
    all = addObservation(all, field, value, { kind: kind, name: kind === 'model' ? 'model library' : 'typed here' });
  }
  return all;
}
