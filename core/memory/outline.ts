import type { Generation } from './generation';

/** A module's edge as it is drawn: where its keys are, as shares of the edge from the left, front side up. */
interface Outline {
  keys: readonly number[];
}

/**
 * Contacts on the front to the left of each key, of all on the front (JEDEC 21-C section 4.5 and the MO outlines of each
 * generation), rounded to a hundredth. They are for drawing: near enough to tell generations apart, not to measure by.
 */
const OUTLINES: Partial<Record<Generation, { DIMM: Outline; 'SO-DIMM': Outline }>> = {
  SDR: { DIMM: { keys: [0.12, 0.48] }, 'SO-DIMM': { keys: [0.42] } },
  DDR: { DIMM: { keys: [0.57] }, 'SO-DIMM': { keys: [0.2] } },
  DDR2: { DIMM: { keys: [0.53] }, 'SO-DIMM': { keys: [0.22] } },
  DDR3: { DIMM: { keys: [0.4] }, 'SO-DIMM': { keys: [0.35] } },
  DDR4: { DIMM: { keys: [0.54] }, 'SO-DIMM': { keys: [0.55] } },
  DDR5: { DIMM: { keys: [0.49] }, 'SO-DIMM': { keys: [0.5] } },
};

/** Keys of a module's or socket's edge; where the generation is not known or has no edge, one in the middle. */
export function keysOf(generation: Generation | null, form: string | null): readonly number[] {
  const outlines = generation === null ? undefined : OUTLINES[generation];
  return outlines?.[form === 'SO-DIMM' ? 'SO-DIMM' : 'DIMM'].keys ?? [0.5];
}
