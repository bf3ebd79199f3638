import type { Buffering } from '../../memory/module';

/** What a module type byte says of form and buffering. */
export interface SpdKind {
  form: string | null;
  buffering: Buffering | null;
  soldered?: true;
}

const kind = (form: string | null, buffering: Buffering | null): SpdKind => ({ form, buffering });

/** DDR2, byte 20 (JEDEC 21-C 4.1.2.10, annex J: DIMM Type). */
export const DDR2_KINDS: Record<number, SpdKind> = {
  1: kind('DIMM', 'registered'),
  2: kind('DIMM', 'unbuffered'),
  4: kind('SO-DIMM', 'unbuffered'),
  6: kind('SO-DIMM', 'unbuffered'),
  7: kind('SO-DIMM', 'registered'),
  8: kind('Micro-DIMM', 'unbuffered'),
  16: kind('Mini-DIMM', 'registered'),
  32: kind('Mini-DIMM', 'unbuffered'),
};

/** DDR3, low four bits of byte 3 (JEDEC 21-C 4.1.2.11, annex K: Module Type). */
export const DDR3_KINDS: Record<number, SpdKind> = {
  1: kind('DIMM', 'registered'),
  2: kind('DIMM', 'unbuffered'),
  3: kind('SO-DIMM', 'unbuffered'),
  4: kind('Micro-DIMM', 'unbuffered'),
  5: kind('Mini-DIMM', 'registered'),
  6: kind('Mini-DIMM', 'unbuffered'),
  7: kind('Mini-DIMM', 'unbuffered'),
  8: kind('SO-DIMM', 'unbuffered'),
  9: kind('SO-DIMM', 'registered'),
  10: kind('SO-DIMM', 'unbuffered'),
  11: kind('DIMM', 'load-reduced'),
  12: kind('SO-DIMM', 'unbuffered'),
  13: kind('SO-DIMM', 'unbuffered'),
};

/** DDR4, low four bits of byte 3 (JEDEC 21-C 4.1.2.12, annex L: Module Type). */
export const DDR4_KINDS: Record<number, SpdKind> = {
  1: kind('DIMM', 'registered'),
  2: kind('DIMM', 'unbuffered'),
  3: kind('SO-DIMM', 'unbuffered'),
  4: kind('DIMM', 'load-reduced'),
  5: kind('Mini-DIMM', 'registered'),
  6: kind('Mini-DIMM', 'unbuffered'),
  8: kind('SO-DIMM', 'registered'),
  9: kind('SO-DIMM', 'unbuffered'),
  12: kind('SO-DIMM', 'unbuffered'),
  13: kind('SO-DIMM', 'unbuffered'),
};

/** DDR5, low four bits of byte 3 (JESD400-5, Module Type); clocked modules are unbuffered in what they mix with. */
export const DDR5_KINDS: Record<number, SpdKind> = {
  1: kind('DIMM', 'registered'),
  2: kind('DIMM', 'unbuffered'),
  3: kind('SO-DIMM', 'unbuffered'),
  4: kind('DIMM', 'load-reduced'),
  5: kind('DIMM', 'unbuffered'),
  6: kind('SO-DIMM', 'unbuffered'),
  8: kind('CAMM2', 'unbuffered'),
  11: { form: null, buffering: null, soldered: true },
};
