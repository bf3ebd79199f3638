import { lettersAndDigits } from '../../letters-and-digits';
import type { ReadMachine } from '../../reading/reading';
import { isOther, type JobReading } from '../slots/join-readings';

/** One physical machine, as its reports tell. */
export interface MachineRead {
  /** its reports, the first read first */
  readings: number[];
  /** null: none of them tells */
  serial: string | null;
  model: string | null;
  /** what is in its slots, as far as plans tell it apart */
  inside: string;
}

/** What is in a slot, in what plans tell apart: who made it, and its part's number, are none of it. */
export interface SlotInside {
  slot: string;
  capacityMiB: number | null;
  rateMTs: number | null;
  ranks: number | null;
}

/** Machines with the same text here are planned alike. */
export const insideOf = (slots: readonly SlotInside[]): string =>
  JSON.stringify(
    slots
      .map(({ slot, capacityMiB, rateMTs, ranks }) => [lettersAndDigits(slot), capacityMiB, rateMTs, ranks])
      .sort((a, b) => String(a[0]).localeCompare(String(b[0]), 'en')),
  );

/** What is in a machine by its own report. */
export const insideOfMachine = ({ memory }: ReadMachine): string =>
  insideOf(
    memory.slots.map(({ locator, bank, installed }, nr) => ({
      slot: locator ?? bank ?? `slot ${nr + 1}`,
      capacityMiB: installed?.capacityMiB ?? null,
      rateMTs: installed?.rateMTs ?? null,
      ranks: installed?.ranks ?? null,
    })),
  );

/** The machines that reports are of, in the order in which they were read; reports of parts alone are of none. */
export function machinesRead(readings: readonly JobReading[]): MachineRead[] {
  const found: { first: ReadMachine; read: MachineRead }[] = [];
  for (const { id, reading } of [...readings].sort((a, b) => a.id - b.id)) {
    const { machine } = reading;
    if (machine === undefined || machine.memory.slots.length === 0) continue;
    const known = found.find(({ first }) => !isOther(first, machine));
    if (known === undefined) {
      const { serial, model } = machine;
      found.push({ first: machine, read: { readings: [id], serial, model, inside: insideOfMachine(machine) } });
    } else known.read.readings.push(id);
  }
  return found.map(({ read }) => read);
}
