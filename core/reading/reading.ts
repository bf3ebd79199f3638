import type { Generation } from '../memory/generation';
import type { Buffering, Kind } from '../memory/module';

/** Formats a reading can come from. */
export const READING_FORMATS = [
  'smbios',
  'smbios-text',
  'hardware-tree',
  'cim-json',
  'cim-csv',
  'spd',
  'listing',
  'product-page',
  'machine-text',
  'specification',
] as const;
export type ReadingFormat = (typeof READING_FORMATS)[number];

/** An overclock profile an input tells of: rate MT/s, CL in clock cycles, voltage mV. */
export interface ReadProfile {
  rateMTs: number;
  casLatency: number | null;
  voltageMv: number | null;
}

/**
 * A module as an input tells it. Capacity MiB, rates MT/s as the trade prints them, voltages mV, height mm.
 * What the input does not say is null, never guessed; profiles are kept apart from the standard rate.
 */
export interface ReadModule {
  capacityMiB: number | null;
  generation: Generation | null;
  form: string | null;
  buffering: Buffering | null;
  ecc: boolean | null;
  rateMTs: number | null;
  configuredRateMTs: number | null;
  ranks: number | null;
  deviceWidth: number | null;
  casLatency: number | null;
  voltagesMv: number[] | null;
  heightMm: number | null;
  maker: string | null;
  /** JEP106 code of the maker as `bank-id`, id in hexadecimal with its parity bit */
  makerId: string | null;
  part: string | null;
  serial: string | null;
  soldered: boolean | null;
  profiles: ReadProfile[];
}

/** A module of which nothing is told. */
export const NOTHING_TOLD: Readonly<ReadModule> = {
  capacityMiB: null,
  generation: null,
  form: null,
  buffering: null,
  ecc: null,
  rateMTs: null,
  configuredRateMTs: null,
  ranks: null,
  deviceWidth: null,
  casLatency: null,
  voltagesMv: null,
  heightMm: null,
  maker: null,
  makerId: null,
  part: null,
  serial: null,
  soldered: null,
  profiles: [],
};

export interface ReadSlot {
  locator: string | null;
  bank: string | null;
  installed: ReadModule | null;
}

export interface ReadMachine {
  maker: string | null;
  model: string | null;
  serial: string | null;
  board: { maker: string | null; model: string | null };
  firmware: { version: string | null; date: string | null };
  cpus: { name: string | null; socket: string | null }[];
  os: { name: string | null; bits: number | null } | null;
  memory: {
    slotCount: number | null;
    maxCapacityMiB: number | null;
    errorCorrection: string | null;
    /** what the operating system can use, less what devices and firmware hold; absent: not told */
    visibleMiB?: number;
    /** all that is fitted, where a text tells it and not how the slots share it; absent: not told */
    installedMiB?: number;
    slots: ReadSlot[];
  };
}

/** A machine of which nothing is told. */
export const UNTOLD_MACHINE: Readonly<ReadMachine> = {
  maker: null,
  model: null,
  serial: null,
  board: { maker: null, model: null },
  firmware: { version: null, date: null },
  cpus: [],
  os: null,
  memory: { slotCount: null, maxCapacityMiB: null, errorCorrection: null, slots: [] },
};

/** Primary timings at one rate, in clock cycles and in ns. */
export interface SpdTiming {
  rateMTs: number;
  casLatency: number;
  rcd: number | null;
  rp: number | null;
  ras: number | null;
  ns: { cas: number; rcd: number | null; rp: number | null; ras: number | null };
}

/** A block of an SPD that protects itself, and whether its bytes agree with its check. */
export interface SpdCheck {
  kind: 'CRC' | 'checksum';
  /** first and last byte that the check covers */
  from: number;
  to: number;
  stored: number;
  computed: number;
  ok: boolean;
}

/** What an SPD says beyond the module itself. */
export interface SpdDetail {
  bytes: number;
  revision: string | null;
  /** ranks that a controller addresses: package ranks times the dies of a 3DS stack; null where not told */
  logicalRanks: number | null;
  /** dies stacked behind one load (3DS); 1 where there is no such stack */
  stackHeight: number | null;
  /** odd and even ranks differ in capacity */
  asymmetric: boolean | null;
  deviceGbit: number | null;
  casLatencies: number[];
  /** at the standard rate first, then at every slower standard rate that a supported CL reaches */
  timings: SpdTiming[];
  /** year and week, `2021-W07` (ISO 8601) */
  made: string | null;
  chipMakerId: string | null;
  checks: SpdCheck[];
}

/** What a seller asks, as far as a title or page says it. Money in minor units of the currency. */
export interface ReadOffer {
  title: string | null;
  /** equal modules in one pack */
  modules: number | null;
  /** pieces that a title counts, as told: `qty 6`, `lot of 10` */
  quantity: number | null;
  priceCents: number | null;
  /** ISO 4217 */
  currency: string | null;
  seller: string | null;
  condition: 'new' | 'used' | 'refurbished' | 'damaged' | null;
  available: boolean | null;
  sku: string | null;
  url: string | null;
  /** what its buyers say of it; absent: nobody says */
  rated?: ReadRating;
  /** how long its maker or seller answers for it, months; absent: nobody says */
  guaranteeMonths?: number;
  /** it is said to be a machine maker's own part; absent: nothing is said of that */
  original?: ReadOriginal;
}

/** Stars in hundredths, 100 to 500, and how many gave them. */
export interface ReadRating {
  rating: number;
  ratingCount: number;
}

/** A machine maker's own part, as far as it is said. */
export interface ReadOriginal {
  /** whose; null: nobody says */
  of: string | null;
  /** machines that it is for, as written; empty: none are named */
  madeFor: string[];
}

/** A fact of a listing with the text it came from: `start` to `end` (exclusive), UTF-16 units of the input. */
export interface ReadFact {
  field: string;
  value: string | number | boolean;
  start: number;
  end: number;
}

/** What a specification can claim, by limit: capacities MiB, rates MT/s, voltages mV, heights mm. */
export interface ClaimedValues {
  generations: Generation[];
  form: string;
  kinds: Kind[];
  voltagesMv: number[];
  totalMiB: number;
  moduleMiB: number;
  cpuMaxMiB: number;
  ratesMTs: number[];
  cpuMaxRateMTs: number;
  pairing: 'none' | 'advised' | 'required';
  profiles: boolean;
  rateByLoad: { modulesPerChannel: number; ranks?: number; maxRateMTs: number }[];
  maxRanksPerChannel: number;
  maxDeviceGbit: number;
  deviceWidths: number[];
  clearanceMm: number;
  osVisibleMiB: number;
}
export type ClaimedLimit = keyof ClaimedValues;

/** One limit of a kind of machine as a text words it: `start` to `end` (exclusive) are UTF-16 units of the input. */
export type ReadClaim = {
  [Limit in ClaimedLimit]: {
    limit: Limit;
    value: ClaimedValues[Limit];
    quote: string;
    /** absent: the input is a page, whose text is not its source */
    start?: number;
    end?: number;
  };
}[ClaimedLimit];

/** What a specification tells of a kind of machine, board or CPU; it installs nothing. */
export interface ReadSpecification {
  about: 'machine' | 'board' | 'cpu';
  /** as the text heads itself; null where it does not */
  name: { maker: string | null; model: string } | null;
  /** sockets for memory; 0 where all of it is soldered */
  slotCount: number | null;
  channels: number | null;
  soldered: boolean | null;
  /** what it is sold with, each one configuration; modules null where unsaid */
  standardMemory: { capacityMiB: number; modules: number | null }[];
  claims: ReadClaim[];
}

/** What one input said, kept apart from what anyone concludes from it. */
export interface Reading extends Partial<ReadSpecification> {
  format: ReadingFormat;
  machine?: ReadMachine;
  module?: ReadModule;
  spd?: SpdDetail;
  offer?: ReadOffer;
  facts?: ReadFact[];
  warnings: string[];
}

/** A reading that is a specification, with all that one has. */
export type SpecificationReading = Reading & ReadSpecification & { format: 'specification' };

export const isSpecification = (reading: Reading): reading is SpecificationReading =>
  reading.format === 'specification';

/** Inputs above this many bytes are not read. */
export const READING_LIMIT_BYTES = 8 * 1024 * 1024;
