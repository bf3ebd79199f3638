import type { Generation } from '../../memory/generation';
import type { Buffering } from '../../memory/module';

/*
 * Code tables of DMTF DSP0134 (System Management BIOS) 3.7. What a code does not say about memory of the machine is
 * left out: it reads as "not told".
 */

/** 7.18.2 Memory Device: Type. */
export const MEMORY_TYPES: Record<number, { generation: Generation; fullyBuffered?: true }> = {
  15: { generation: 'SDR' },
  18: { generation: 'DDR' },
  19: { generation: 'DDR2' },
  20: { generation: 'DDR2', fullyBuffered: true },
  24: { generation: 'DDR3' },
  25: { generation: 'DDR2', fullyBuffered: true },
  26: { generation: 'DDR4' },
  27: { generation: 'LPDDR' },
  28: { generation: 'LPDDR2' },
  29: { generation: 'LPDDR3' },
  30: { generation: 'LPDDR4' },
  34: { generation: 'DDR5' },
  35: { generation: 'LPDDR5' },
};

/** 7.18.2: types that are no memory of the machine: ROM, flash, EEPROM and their like. */
export const STORE_TYPES: ReadonlySet<number> = new Set([8, 9, 10, 11, 12, 31]);

/** 7.18.1 Memory Device: Form Factor, in the words of the trade; `null`: known, but no module the trade names. */
export const FORM_FACTORS: Record<number, { form: string | null; soldered: boolean }> = {
  3: { form: 'SIMM', soldered: false },
  5: { form: null, soldered: true },
  9: { form: 'DIMM', soldered: false },
  11: { form: null, soldered: true },
  12: { form: 'RIMM', soldered: false },
  13: { form: 'SO-DIMM', soldered: false },
  15: { form: 'DIMM', soldered: false },
  16: { form: null, soldered: true },
  17: { form: 'CAMM2', soldered: false },
};

/** 7.18.3 Memory Device: Type Detail, bit by bit. */
const TYPE_DETAIL: readonly { bit: number; buffering: Buffering }[] = [
  { bit: 13, buffering: 'registered' },
  { bit: 14, buffering: 'unbuffered' },
  { bit: 15, buffering: 'load-reduced' },
];

/** Buffering as the detail bits say it; null where they say nothing, or two things at once. */
export function bufferingOfDetail(detail: number | null): Buffering | null {
  const said = TYPE_DETAIL.filter(({ bit }) => ((detail ?? 0) >> bit) & 1);
  // A load-reduced module is registered as well, and some firmware sets both.
  const load = said.find(({ buffering }) => buffering === 'load-reduced');
  if (load !== undefined && !said.some(({ buffering }) => buffering === 'unbuffered')) return load.buffering;
  return said.length === 1 ? (said[0]?.buffering ?? null) : null;
}

/** 7.17.2 Physical Memory Array: Use. Only arrays with this use count as the machine's memory. */
export const SYSTEM_MEMORY_USE = 3;

/** 7.17.3 Physical Memory Array: Error Correction Type. */
export const ERROR_CORRECTIONS: Record<number, string> = {
  3: 'None',
  4: 'Parity',
  5: 'Single-bit ECC',
  6: 'Multi-bit ECC',
  7: 'CRC',
};
