import type { Generation } from '../memory/generation';
import type { Buffering } from '../memory/module';

/** Formats a reading can come from. */
export type ReadingFormat = 'smbios-text';

/**
 * A module as an input tells it. Capacity MiB, rates MT/s as the trade prints them, voltages mV, height mm.
 * What the input does not say is null, never guessed.
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
  makerId: string | null;
  part: string | null;
  serial: string | null;
  soldered: boolean | null;
}

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
  os: { name: string; bits: number | null } | null;
  memory: {
    slotCount: number | null;
    maxCapacityMiB: number | null;
    errorCorrection: string | null;
    slots: ReadSlot[];
  };
}

/** What one input said, kept apart from what anyone concludes from it. */
export interface Reading {
  format: ReadingFormat;
  machine: ReadMachine;
  warnings: string[];
}

/** Inputs above this many bytes are not read. */
export const READING_LIMIT_BYTES = 8 * 1024 * 1024;

export type ReadResult = { ok: true; reading: Reading } | { ok: false; code: 'unknown-format' | 'too-large' };
