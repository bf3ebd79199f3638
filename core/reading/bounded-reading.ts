import { MOST_MACHINE_MIB, MOST_MODULE_MIB, MOST_MV, MOST_RATE_MTS, MOST_SMALL } from '../bounds';
import { MOST_CENTS } from '../pricing/bounds';
import type { ClaimedLimit, ReadClaim, Reading, ReadMachine, ReadModule } from './reading';

/** More slots than any board has, more modules than any pack. */
const MOST_SLOTS = 4_096;
const MOST_MODULES = 64;

/** The largest that each figure of a module can be, and what it is called. */
const MODULE_FIGURES = {
  capacityMiB: [MOST_MODULE_MIB, 'capacity'],
  rateMTs: [MOST_RATE_MTS, 'rate'],
  configuredRateMTs: [MOST_RATE_MTS, 'configured rate'],
  ranks: [MOST_SMALL, 'rank count'],
  deviceWidth: [MOST_SMALL, 'device width'],
  casLatency: [MOST_SMALL, 'CL'],
  heightMm: [MOST_SMALL, 'height'],
} as const satisfies Partial<Record<keyof ReadModule, readonly [number, string]>>;
type Figure = keyof typeof MODULE_FIGURES;
const FIGURES = Object.keys(MODULE_FIGURES) as Figure[];

type Warn = (what: string, value: number) => void;

/** A figure that can be, or null; what cannot be is warned of. */
function bounded(value: number | null, most: number, what: string, warn: Warn): number | null {
  if (value === null || (value > 0 && value <= most)) return value;
  warn(what, value);
  return null;
}

function boundedModule(module: ReadModule, warn: Warn): ReadModule {
  const figures = FIGURES.map((name) => {
    const [most, what] = MODULE_FIGURES[name];
    return [name, bounded(module[name], most, what, warn)] as const;
  });
  const voltages = module.voltagesMv?.filter((value) => bounded(value, MOST_MV, 'voltage', warn) !== null) ?? null;
  return {
    ...module,
    ...Object.fromEntries(figures),
    voltagesMv: voltages === null || voltages.length === 0 ? null : voltages,
    profiles: module.profiles.filter(({ rateMTs }) => bounded(rateMTs, MOST_RATE_MTS, 'profile rate', warn) !== null),
  };
}

/** Totals that a system tells, without those that no machine has. */
function boundedTotals(
  memory: ReadMachine['memory'],
  warn: Warn,
): Pick<ReadMachine['memory'], 'visibleMiB' | 'installedMiB'> {
  const of = (value: number | undefined, what: string): number | undefined =>
    value === undefined ? undefined : (bounded(value, MOST_MACHINE_MIB, what, warn) ?? undefined);
  const [visibleMiB, installedMiB] = [of(memory.visibleMiB, 'total'), of(memory.installedMiB, 'total')];
  return {
    ...(visibleMiB === undefined ? {} : { visibleMiB }),
    ...(installedMiB === undefined ? {} : { installedMiB }),
  };
}

/** Largest figure of each limit that a specification claims as one number, and what it is called. */
const CLAIM_FIGURES: Partial<Record<ClaimedLimit, readonly [number, string]>> = {
  totalMiB: [MOST_MACHINE_MIB, 'total'],
  cpuMaxMiB: [MOST_MACHINE_MIB, 'total'],
  osVisibleMiB: [MOST_MACHINE_MIB, 'total'],
  moduleMiB: [MOST_MODULE_MIB, 'capacity'],
  cpuMaxRateMTs: [MOST_RATE_MTS, 'rate'],
  maxRanksPerChannel: [MOST_SMALL, 'rank count'],
  maxDeviceGbit: [MOST_SMALL, 'density'],
  clearanceMm: [MOST_SMALL, 'height'],
};

function isBelievable({ limit, value }: ReadClaim, warn: Warn): boolean {
  const figure = CLAIM_FIGURES[limit];
  return figure === undefined || typeof value !== 'number' || bounded(value, figure[0], figure[1], warn) !== null;
}

/**
 * A reading without figures that no memory, machine or price has: such a value becomes null, as if the input did not say it,
 * and a warning names it. Sums of what is left are safe.
 */
export function boundedReading(reading: Reading): Reading {
  const warnings = new Set(reading.warnings);
  const warn: Warn = (what, value) => warnings.add(`a ${what} of ${value} cannot be right, and was left out`);
  const next: Reading = { ...reading };
  if (reading.module !== undefined) next.module = boundedModule(reading.module, warn);
  if (reading.offer !== undefined) {
    const { priceCents, modules } = reading.offer;
    next.offer = {
      ...reading.offer,
      priceCents: priceCents === 0 ? 0 : bounded(priceCents, MOST_CENTS, 'price', warn),
      modules: bounded(modules, MOST_MODULES, 'number of modules', warn),
    };
  }
  if (reading.machine !== undefined) {
    const { memory } = reading.machine;
    const slotCount = memory.slotCount === 0 ? 0 : bounded(memory.slotCount, MOST_SLOTS, 'number of slots', warn);
    const maxCapacityMiB = bounded(memory.maxCapacityMiB, MOST_MACHINE_MIB, 'maximum capacity', warn);
    const slots = memory.slots.map((slot) =>
      slot.installed === null ? slot : { ...slot, installed: boundedModule(slot.installed, warn) },
    );
    next.machine = {
      ...reading.machine,
      memory: { ...memory, ...boundedTotals(memory, warn), slotCount, maxCapacityMiB, slots },
    };
  }
  if (reading.claims !== undefined) next.claims = reading.claims.filter((claim) => isBelievable(claim, warn));
  next.warnings = [...warnings];
  return next;
}
