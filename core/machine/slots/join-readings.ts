import { lettersAndDigits } from '../../letters-and-digits';
import {
  NOTHING_TOLD,
  type Reading,
  type ReadMachine,
  type ReadModule,
  type ReadSlot,
  UNTOLD_MACHINE,
} from '../../reading/reading';
import { addObservation, type ObservationSource, type Observations, trustOf } from '../observations';
import type { ModuleField } from './job-slot';
import { matchModules } from './match-modules';
import { knownOf } from './slots-of-reading';

/** A reading of a job with the name it came under; a higher id came later. */
export interface JobReading {
  id: number;
  name: string;
  reading: Reading;
}

export type MachineField = 'maker' | 'model' | 'serial' | 'boardMaker' | 'boardModel' | 'firmware' | 'cpu' | 'os';

/** What all of a job's readings come to. Nothing that any of them said is dropped. */
export interface Joined {
  /** the machine with what holds of every slot; null where no reading tells of a machine or a module in it */
  machine: ReadMachine | null;
  /** what is said of every slot's module, in the order of the machine's slots */
  modules: Observations<ModuleField>[];
  machineObservations: Observations<MachineField>;
  /** readings that were not joined, and why */
  apart: { id: number; why: 'another-machine' | 'older' | 'no-slot' | 'offer' }[];
  warnings: string[];
}

type WithMachine = JobReading & { reading: Reading & { machine: ReadMachine } };

const hasMachine = (one: JobReading): one is WithMachine => one.reading.machine !== undefined;

/** A title with a price, or a seller's page, is something to buy, not something in the machine. */
export function isOffer({ format, offer }: Reading): boolean {
  return format === 'product-page' || (offer?.priceCents ?? null) !== null;
}

const differ = (a: string | null, b: string | null): boolean =>
  a !== null && b !== null && lettersAndDigits(a) !== lettersAndDigits(b);

/** Serials tell machines apart; where one is missing, the models' names do. */
export function isOther(a: ReadMachine, b: ReadMachine): boolean {
  if (a.serial !== null && b.serial !== null) return differ(a.serial, b.serial);
  return differ(a.model, b.model);
}

interface Chosen {
  used: WithMachine[];
  apart: Joined['apart'];
}

/** A text of a system may list slots or only sum them up: the one says nothing new of what the other says. */
const sortOf = ({ reading }: WithMachine): string =>
  reading.format === 'machine-text' && reading.machine.memory.slots.length === 0 ? 'summary' : reading.format;

/** Readings that list slots before those that do not, the weightiest first. */
const byWeight = (a: WithMachine, b: WithMachine): number =>
  Number(a.reading.machine.memory.slots.length === 0) - Number(b.reading.machine.memory.slots.length === 0) ||
  trustOf(a.reading.format) - trustOf(b.reading.format);

/** The readings of the machine that was read last: the last of each format, the weightiest first. */
function machineReadings(readings: readonly JobReading[]): Chosen {
  const [newest, ...older] = readings.filter(hasMachine).sort((a, b) => b.id - a.id);
  if (newest === undefined) return { used: [], apart: [] };
  const used = [newest];
  const apart: Joined['apart'] = [];
  for (const one of older) {
    if (isOther(newest.reading.machine, one.reading.machine)) apart.push({ id: one.id, why: 'another-machine' });
    else if (used.some((other) => sortOf(other) === sortOf(one))) apart.push({ id: one.id, why: 'older' });
    else used.push(one);
  }
  return { used: used.sort(byWeight), apart };
}

const sayerOf = ({ name, reading }: JobReading): ObservationSource => ({ kind: reading.format, name });

/** A slot while readings are joined: what the weightiest said of it, and all that is said of its module. */
interface Seat {
  slot: ReadSlot;
  observations: Observations<ModuleField>;
}

function sayAll(
  observations: Observations<ModuleField>,
  module: ReadModule,
  gbit: number | null,
  by: ObservationSource,
): Observations<ModuleField> {
  const known = knownOf(module, gbit);
  let all = observations;
  for (const field of Object.keys(known) as ModuleField[]) all = addObservation(all, field, known[field], by);
  return all;
}

/** Index of another reading's slot among the seats: by name, else by bank, else in order where the counts agree. */
function seatOf(seats: readonly Seat[], slots: readonly ReadSlot[], index: number): number {
  const slot = slots[index];
  const byName = seats.findIndex(
    ({ slot: { locator } }) => locator !== null && lettersAndDigits(locator) === lettersAndDigits(slot?.locator ?? ''),
  );
  if (byName >= 0) return byName;
  const byBank = seats.filter(
    ({ slot: { bank } }) => bank !== null && lettersAndDigits(bank) === lettersAndDigits(slot?.bank ?? ''),
  );
  const [only] = byBank;
  if (byBank.length === 1 && only !== undefined) return seats.indexOf(only);
  return slots.length === seats.length ? index : -1;
}

/** Adds what a further reading of the machine says of the slots. */
function addReading(seats: Seat[], one: WithMachine, warnings: string[]): void {
  const { slots } = one.reading.machine.memory;
  slots.forEach((slot, index) => {
    const seat = seats[seatOf(seats, slots, index)];
    const name = slot.locator ?? slot.bank ?? `slot ${index + 1}`;
    if (seat === undefined) {
      warnings.push(`${one.name} names a slot ${name} that the other readings do not`);
    } else if ((slot.installed === null) !== (seat.slot.installed === null)) {
      warnings.push(
        `${one.name} says ${name} is ${slot.installed === null ? 'empty' : 'filled'}, the weightier reading does not`,
      );
    } else if (slot.installed !== null) {
      seat.observations = sayAll(seat.observations, slot.installed, null, sayerOf(one));
    }
  });
}

interface LooseModule {
  from: JobReading;
  module: ReadModule;
  gbit: number | null;
}

/** Modules told apart from a machine: SPDs, the same one once, and labels, as many as they count. */
function looseModules(readings: readonly JobReading[]): LooseModule[] {
  const seen = new Set<string>();
  const loose: LooseModule[] = [];
  for (const from of [...readings].sort((a, b) => b.id - a.id)) {
    const { module, spd, offer } = from.reading;
    if (module === undefined || isOffer(from.reading)) continue;
    const serial = module.serial === null ? null : `${module.makerId} ${module.part} ${module.serial}`;
    // The same module read twice is one module.
    if (serial !== null && seen.has(serial)) continue;
    if (serial !== null) seen.add(serial);
    const count = Math.min(offer?.modules ?? 1, MOST_LOOSE);
    for (let copy = 0; copy < count; copy++) loose.push({ from, module, gbit: spd?.deviceGbit ?? null });
  }
  return loose.sort((a, b) => trustOf(a.from.reading.format) - trustOf(b.from.reading.format) || a.from.id - b.from.id);
}

/** A label that counts more modules than this is a seller's lot. */
const MOST_LOOSE = 8;

/** Where nothing tells of slots, the modules that were read are what is in the machine. */
function machineOfModules(loose: readonly LooseModule[]): ReadMachine {
  const slots = loose.map(() => ({ locator: null, bank: null, installed: NOTHING_TOLD }));
  return { ...UNTOLD_MACHINE, memory: { ...UNTOLD_MACHINE.memory, slots } };
}

/** CIM, and texts of systems, may know filled sockets only: the empty ones that are counted stand without a name. */
function completed({ reading }: WithMachine): ReadSlot[] {
  const { slots, slotCount } = reading.machine.memory;
  const filledOnly = reading.format.startsWith('cim') || reading.format === 'machine-text';
  const missing = filledOnly && slots.length > 0 ? Math.max(0, Math.min(slotCount ?? 0, 64) - slots.length) : 0;
  return [...slots, ...Array.from({ length: missing }, () => ({ locator: null, bank: null, installed: null }))];
}

/** The module that holds: of each field the weightiest word; serial and running rate are the machine's own. */
function moduleThatHolds(base: ReadModule, observations: Observations<ModuleField>): ReadModule {
  const held = Object.entries(observations).map(([field, words]) => [field, words?.[0]?.value ?? null]);
  return { ...base, ...Object.fromEntries(held) };
}

/** Seats of modules for a kind of reading: labels go to modules without an SPD first, since they tell nothing new of others. */
function seatsFor(kind: 'spd' | 'listing', own: readonly LooseModule[], seats: readonly Seat[]): (number | null)[] {
  const modules = own.map(({ module }) => module);
  const held = seats.map(({ slot, observations }) =>
    slot.installed === null || slot.installed.soldered === true ? null : moduleThatHolds(slot.installed, observations),
  );
  if (kind === 'spd') return matchModules(modules, held);
  const told = seats.map(({ observations }) =>
    Object.values(observations).some((words) => words?.some(({ by }) => by.kind === 'spd')),
  );
  const first = matchModules(
    modules,
    held.map((module, index) => (told[index] ? null : module)),
  );
  const rest = matchModules(
    modules.filter((_, index) => first[index] === null),
    held.map((module, index) => (first.includes(index) ? null : module)),
  );
  return first.map((at) => at ?? rest.shift() ?? null);
}

/** Puts modules that were read alone into the slots whose modules they most likely are. */
function seatModules(seats: Seat[], loose: readonly LooseModule[]): Joined['apart'] {
  const apart: Joined['apart'] = [];
  for (const kind of ['spd', 'listing'] as const) {
    const own = loose.filter(({ from }) => from.reading.format === kind);
    const found = seatsFor(kind, own, seats);
    own.forEach(({ from, module, gbit }, index) => {
      const seat = seats[found[index] ?? -1];
      if (seat !== undefined) seat.observations = sayAll(seat.observations, module, gbit, sayerOf(from));
      else if (!apart.some(({ id }) => id === from.id)) apart.push({ id: from.id, why: 'no-slot' });
    });
  }
  return apart;
}

function observationsOfMachine(used: readonly WithMachine[]): Observations<MachineField> {
  let all: Observations<MachineField> = {};
  for (const one of used) {
    const { maker, model, serial, board, firmware, cpus, os } = one.reading.machine;
    const said: Record<MachineField, string | null> = {
      maker,
      model,
      serial,
      boardMaker: board.maker,
      boardModel: board.model,
      firmware: firmware.version,
      cpu: cpus[0]?.name ?? null,
      os: os?.name ?? null,
    };
    for (const field of Object.keys(said) as MachineField[])
      all = addObservation(all, field, said[field], sayerOf(one));
  }
  return all;
}

type Memory = ReadMachine['memory'];

/** Totals of which the weightier reading says nothing are the other's. */
function totalsOf(merged: Memory, other: Memory): Pick<Memory, 'visibleMiB' | 'installedMiB'> {
  const [visibleMiB, installedMiB] = [merged.visibleMiB ?? other.visibleMiB, merged.installedMiB ?? other.installedMiB];
  return {
    ...(visibleMiB === undefined ? {} : { visibleMiB }),
    ...(installedMiB === undefined ? {} : { installedMiB }),
  };
}

/** The machine that holds: of each part the weightiest reading that tells it. */
function mergedMachine(used: readonly WithMachine[]): ReadMachine | null {
  const [base, ...others] = used.map(({ reading }) => reading.machine);
  if (base === undefined) return null;
  return others.reduce(
    (merged, other) => ({
      maker: merged.maker ?? other.maker,
      model: merged.model ?? other.model,
      serial: merged.serial ?? other.serial,
      board: { maker: merged.board.maker ?? other.board.maker, model: merged.board.model ?? other.board.model },
      firmware: {
        version: merged.firmware.version ?? other.firmware.version,
        date: merged.firmware.date ?? other.firmware.date,
      },
      cpus: merged.cpus.length > 0 ? merged.cpus : other.cpus,
      os: merged.os ?? other.os,
      memory: {
        ...merged.memory,
        ...totalsOf(merged.memory, other.memory),
        slotCount: merged.memory.slotCount ?? other.memory.slotCount,
        maxCapacityMiB: merged.memory.maxCapacityMiB ?? other.memory.maxCapacityMiB,
        errorCorrection: merged.memory.errorCorrection ?? other.memory.errorCorrection,
      },
    }),
    base,
  );
}

/**
 * Joins a job's readings: the weightiest reading of the machine says the slots, the others are laid beside it slot by
 * slot, SPDs and labels go to the slots whose modules they most likely are. Of every field the weightiest word holds;
 * all others are kept with who said them. Readings of another machine, older ones of the same format, modules that no
 * slot holds and offers stand apart, and are named.
 */
export function joinReadings(readings: readonly JobReading[]): Joined {
  const { used, apart } = machineReadings(readings);
  const loose = looseModules(readings);
  const offers = readings.filter(({ reading }) => isOffer(reading)).map(({ id }) => ({ id, why: 'offer' }) as const);
  const merged = mergedMachine(used) ?? (loose.length > 0 ? machineOfModules(loose) : null);
  if (merged === null)
    return { machine: null, modules: [], machineObservations: {}, apart: [...apart, ...offers], warnings: [] };
  const [base, ...others] = used;
  const warnings: string[] = [];
  const seats: Seat[] = (base === undefined ? merged.memory.slots : completed(base)).map((slot) => ({
    slot,
    observations: slot.installed === null || base === undefined ? {} : sayAll({}, slot.installed, null, sayerOf(base)),
  }));
  for (const other of others) addReading(seats, other, warnings);
  const left = seatModules(seats, loose);
  const slots = seats.map(({ slot, observations }) =>
    slot.installed === null ? slot : { ...slot, installed: moduleThatHolds(slot.installed, observations) },
  );
  return {
    machine: { ...merged, memory: { ...merged.memory, slots } },
    modules: seats.map(({ observations }) => observations),
    machineObservations: observationsOfMachine(used),
    apart: [...apart, ...left, ...offers],
    warnings,
  };
}
