import { lettersAndDigits } from '../../letters-and-digits';
import type { ReadMachine, ReadModule, ReadSlot } from '../../reading/reading';
import { inferPlaces, type PlaceSureness } from './infer-place';
import type { JobSlot, KnownModule } from './job-slot';

/** A slot as the model library describes it. */
export interface ModelSlot {
  name: string;
  channel: string;
  bank: number;
  maxMiB: number | null;
  soldered: KnownModule | null;
  /** what the label in the lid calls it, where that is another name */
  lidName?: string | null;
}

/** A slot of a job with the slot of the reading that it came from, and how sure its place is. */
export interface PlacedSlot {
  slot: JobSlot;
  /** index among the reading's slots; null: the reading does not name it */
  read: number | null;
  sure: PlaceSureness | null;
}

/** What is known of a module by what an input told; what a chip holds is told by SPDs alone. */
export function knownOf(module: ReadModule, deviceGbit: number | null = null): KnownModule {
  const { capacityMiB, generation, form, buffering, ecc, rateMTs, casLatency, ranks, voltagesMv, maker, part } = module;
  const { deviceWidth, heightMm, serial } = module;
  return {
    capacityMiB,
    generation,
    form,
    buffering,
    ecc,
    rateMTs,
    casLatency,
    ranks,
    voltagesMv,
    maker,
    part,
    deviceWidth,
    deviceGbit,
    heightMm,
    // Most inputs tell none.
    ...(serial === null ? {} : { serial }),
  };
}

const UNTOUCHED = { keep: 'may', creditCents: 0 } as const;

/** Slots of a model, with its soldered memory and everything else empty. */
export function slotsOfModel(slots: readonly ModelSlot[]): JobSlot[] {
  return slots.map(({ name, channel, bank, maxMiB, soldered, lidName }) => ({
    ...UNTOUCHED,
    ...(lidName == null ? {} : { lidName }),
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

/** Sockets that a reading counts but does not name stand in the channels that have fewest, behind the named ones. */
function unnamedPlaces(named: readonly { channel: string; bank: number }[], count: number) {
  const all = [...named];
  const channels = [...new Set(named.map(({ channel }) => channel))];
  for (let made = 0; made < count; made++) {
    const sizes = channels.map((channel) => all.filter((one) => one.channel === channel).length);
    const channel = channels[sizes.indexOf(Math.min(...sizes))] ?? 'A';
    const banks = all.filter((one) => one.channel === channel).map(({ bank }) => bank);
    all.push({ channel, bank: Math.max(-1, ...banks) + 1 });
  }
  return all.slice(named.length);
}

function slotsByReading(slots: readonly ReadSlot[]): PlacedSlot[] {
  const names = distinctNames(slots);
  // A reading that knows filled sockets only is completed with empty ones without a name, which say nothing of places.
  const nameless = (slot: ReadSlot): boolean => slot.locator === null && slot.bank === null && slot.installed === null;
  const told = slots.some((slot) => !nameless(slot)) ? slots.filter((slot) => !nameless(slot)) : slots;
  const places = inferPlaces(told);
  const others = unnamedPlaces(places, slots.length - told.length);
  let [next, other] = [0, 0];
  return slots.map((slot, index) => {
    const own = told.includes(slot);
    const place = own ? places[next++] : others[other++];
    return {
      read: index,
      sure: own ? (places[next - 1]?.sure ?? 'guess') : 'guess',
      slot: {
        ...UNTOUCHED,
        name: names[index] ?? `Slot ${index + 1}`,
        channel: place?.channel ?? 'A',
        bank: place?.bank ?? index,
        maxMiB: null,
        soldered: slot.installed?.soldered === true,
        module: slot.installed === null ? null : knownOf(slot.installed),
        placeSource: 'inferred',
        moduleSource: 'reading',
      },
    };
  });
}

/** Which slot of the reading stands at each slot of the model; null where the reading's modules have no place in it. */
interface Seating {
  reads: (number | null)[];
  sure: PlaceSureness | null;
}

/** By name; in order where no name agrees and the counts do; else modules in order into what fits them. */
function seatInModel(read: readonly ReadSlot[], model: readonly ModelSlot[]): Seating | null {
  const named = model.map(({ name }) => {
    const at = read.findIndex(
      ({ locator }) => locator !== null && lettersAndDigits(locator) === lettersAndDigits(name),
    );
    return at < 0 ? null : at;
  });
  const taken = new Set(named);
  const left = read.flatMap(({ installed }, at) => (installed === null || taken.has(at) ? [] : [{ at, installed }]));
  if (left.length === 0 && named.some((at) => at !== null)) return { reads: named, sure: null };
  if (
    named.every((at) => at === null) &&
    read.length === model.length &&
    read.some(({ locator }) => locator !== null)
  ) {
    return { reads: read.map((_, at) => at), sure: null };
  }
  const reads = [...named];
  for (const { at, installed } of left) {
    const soldered = installed.soldered === true;
    const fits = model.flatMap((slot, index) => ((slot.soldered !== null) === soldered ? [index] : []));
    const unnamed = fits.find((index) => reads[index] === null);
    // Only where no other is left, one that the reading names and says is empty.
    const free = unnamed ?? fits.find((index) => read[reads[index] ?? -1]?.installed === null);
    if (free === undefined) return null;
    reads[free] = at;
  }
  return { reads, sure: 'guess' };
}

/**
 * A job's slots from a reading. Where the model is known, its slots with their channels hold, and the reading's
 * modules go into them by name, or in order where no name agrees. Only where it has no room for them, and where no
 * model is known, the reading's own slots stand, their channels and positions inferred from their names.
 */
export function placeSlots(machine: ReadMachine, model: readonly ModelSlot[] | null): PlacedSlot[] {
  const read = machine.memory.slots;
  const seating = model === null || model.length === 0 ? null : seatInModel(read, model);
  if (model === null || seating === null) return slotsByReading(read);
  return slotsOfModel(model).map((slot, index) => {
    const at = seating.reads[index] ?? null;
    const seen = at === null ? undefined : read[at];
    if (seen === undefined) return { slot, read: null, sure: null };
    const module = seen.installed === null ? (slot.soldered ? slot.module : null) : knownOf(seen.installed);
    return { slot: { ...slot, module, moduleSource: 'reading' }, read: at, sure: seating.sure };
  });
}

export function slotsOfReading(machine: ReadMachine, model: readonly ModelSlot[] | null): JobSlot[] {
  return placeSlots(machine, model).map(({ slot }) => slot);
}
