import type { KnownModule } from '../slots/job-slot';

/** Nothing known of a module but that it is there. */
export const NOTHING_KNOWN: KnownModule = {
  capacityMiB: null,
  generation: null,
  form: null,
  buffering: null,
  ecc: null,
  rateMTs: null,
  casLatency: null,
  ranks: null,
  voltagesMv: null,
  maker: null,
  part: null,
};
