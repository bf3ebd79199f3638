import type { MemoryModule } from './module';

/** The module that tests begin with: 8 GB, DDR4-2400, of which everything that matters is known. */
export const MODULE_OF_8_GB: MemoryModule = {
  capacityMiB: 8192,
  generation: 'DDR4',
  form: 'DIMM',
  buffering: 'unbuffered',
  ecc: false,
  rateMTs: 2400,
  casLatency: 17,
  ranks: 1,
  voltagesMv: [1200],
};
