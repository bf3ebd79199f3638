import type { Source } from './limits/limit';
import { NOTHING_KNOWN } from './models/nothing-known';
import type { JobSlot, KnownModule } from './slots/job-slot';

/* What the tests of this room begin with. */

export const GB = 1024;

/** A source called like its kind. */
export const source = (kind: Source['kind']): Source => ({ kind, name: kind });

/** An 8 GB module of which everything that matters is known. */
export const known: KnownModule = {
  ...NOTHING_KNOWN,
  capacityMiB: 8 * GB,
  generation: 'DDR4',
  form: 'DIMM',
  buffering: 'unbuffered',
  ecc: false,
  rateMTs: 2400,
  voltagesMv: [1200],
};

/** A typed slot; its channel is the first letter of its name. */
export const slot = (name: string, module: KnownModule | null = null, more: Partial<JobSlot> = {}): JobSlot => ({
  name,
  channel: name.slice(0, 1),
  bank: 1,
  maxMiB: null,
  soldered: false,
  keep: 'may',
  creditCents: 0,
  module,
  placeSource: 'typed',
  moduleSource: 'typed',
  ...more,
});
