import type { ReadMachine, ReadModule, ReadSlot } from '../reading/reading';
import { inferPlace } from './infer-place';
import type { JobSlot, KnownModule } from './job-slot';

/** A slot as the model library describes it. */
export interface ModelSlot {
  name: string;
  channel: string;
  bank: number;
  maxMiB: number | null;
  soldered: KnownModule | null;
}

function knownOf(module: ReadModule): KnownModule {
  const { capacityMiB, generation, form, buffering, ecc, rateMTs, casLatency, ranks, voltagesMv, maker, part } = module;
  return { capacityMiB, generation, form, buffering, ecc, rateMTs, casLatency, ranks, voltagesMv, maker, part };
}

const UNTOUCHED = { keep: 'may', creditCents: 0 } as const;

/** Slots of a model, with its soldered memory and everything else empty. */
export function slotsOfModel(slots: readonly ModelSlot[]): JobSlot[] {
  return slots.map(({ name, channel, bank, maxMiB, soldered }) => ({
    ...UNTOUCHED,
    name,
    channel,
    bank,
    maxMiB,
    soldered: soldered !== null,
    module: soldered,
    placeSource: 'model',
    moduleSource: 'model',
  }));
}

/** Names that are told apart: a locator that stands twice gets its bank or a number. */
function distinctNames(slots: readonly ReadSlot[]): string[] {
  const plain = slots.map(({ locator }, index) => locator ?? `Slot ${index + 1}`);
  return plain.map((name, index) => {
    if (plain.indexOf(name) === plain.lastIndexOf(name)) return name.slice(0, 60);
    return `${name} ${slots[index]?.bank ?? ''}`
      .trim()
      .slice(0, 50)
      .concat(` #${index + 1}`);
  });
}

function slotsByReading(slots: readonly ReadSlot[]): JobSlot[] {
  const names = distinctNames(slots);
  const places = slots.map(({ locator, bank }) => inferPlace(locator, bank));
  const told = places.every((place) => place !== null);
  return slots.map((slot, index) => ({
    ...UNTOUCHED,
    name: names[index] ?? `Slot ${index + 1}`,
    channel: (told ? places[index]?.channel : undefined) ?? 'A',
    bank: (told ? places[index]?.bank : undefined) ?? index,
    maxMiB: null,
    soldered: slot.installed?.soldered === true,
    module: slot.installed === null ? null : knownOf(slot.installed),
    placeSource: 'inferred',
    moduleSource: 'reading',
  }));
}

const plainName = (name: string | null): string => (name ?? '').toLowerCase().replace(/[^a-z0-9]/g, '');

/**
 * A job's slots from a reading. Where the model is known, its slots with their channels hold, and the reading's
 * modules go into them by name, or in order where no name agrees and the counts do. Otherwise channels and
 * positions are inferred from the names; where those do not tell, all slots count as one channel.
 */
export function slotsOfReading(machine: ReadMachine, model: readonly ModelSlot[] | null): JobSlot[] {
  const read = machine.memory.slots;
  if (model === null || model.length === 0) return slotsByReading(read);
  const named = model.map((slot) => read.find(({ locator }) => plainName(locator) === plainName(slot.name)));
  const byName = read.length > 0 && named.filter((one) => one !== undefined).length === read.length;
  if (!byName && read.length !== model.length) return slotsByReading(read);
  return slotsOfModel(model).map((slot, index) => {
    const seen = byName ? named[index] : read[index];
    if (seen === undefined) return slot;
    if (seen.installed === null)
      return { ...slot, module: slot.soldered ? slot.module : null, moduleSource: 'reading' };
    return { ...slot, module: knownOf(seen.installed), moduleSource: 'reading' };
  });
}
