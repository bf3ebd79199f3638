import type { ReadMachine, ReadSlot } from '../reading';
import { withSerials } from '../slot-serials';
import { sumKnown } from '../sum-known';

/** A memory array as either form of the tables tells it (DSP0134 7.17). */
export interface MemoryArray {
  handle: string | null;
  /** used as system memory; true as well where the use is not told */
  system: boolean;
  slotCount: number | null;
  maxCapacityMiB: number | null;
  errorCorrection: string | null;
}

/** A memory device with the array it belongs to (DSP0134 7.18). */
export interface MemoryDevice {
  array: string | null;
  slot: ReadSlot;
}

export interface SmbiosFacts extends Omit<ReadMachine, 'memory' | 'os'> {
  arrays: readonly MemoryArray[];
  devices: readonly MemoryDevice[];
}

/** The machine that the tables describe: of several arrays, and their devices, only those of the system memory count. */
export function machineOfFacts({ arrays, devices, ...rest }: SmbiosFacts): ReadMachine {
  const system = arrays.filter((array) => array.system);
  const others = new Set(arrays.filter((array) => !array.system).map((array) => array.handle));
  return {
    ...rest,
    os: null,
    memory: {
      slotCount: sumKnown(system.map((array) => array.slotCount)),
      maxCapacityMiB: sumKnown(system.map((array) => array.maxCapacityMiB)),
      errorCorrection: system.find((array) => array.errorCorrection !== null)?.errorCorrection ?? null,
      slots: withSerials(devices.filter(({ array }) => array === null || !others.has(array)).map(({ slot }) => slot)),
    },
  };
}

/** A warning where a machine has more sockets than were described; null where all were. */
export function missingSlots({ memory }: ReadMachine, what: string): string | null {
  const { slotCount, slots } = memory;
  if (slotCount === null || slotCount <= slots.length) return null;
  return `truncated: the board names ${slotCount} slots, the ${what} describes ${slots.length}`;
}
