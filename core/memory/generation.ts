/** Generations of modules with an edge of contacts, in the order they came. */
export const EDGE_GENERATIONS = ['SDR', 'DDR', 'DDR2', 'DDR3', 'DDR4', 'DDR5'] as const;
/** Low-power generations (JESD209 to JESD209-5): soldered, save on compression-attached modules. */
export const LOW_POWER_GENERATIONS = ['LPDDR', 'LPDDR2', 'LPDDR3', 'LPDDR4', 'LPDDR4X', 'LPDDR5', 'LPDDR5X'] as const;

/** All memory generations. A module fits only a socket of its own generation. */
export const GENERATIONS = [...EDGE_GENERATIONS, ...LOW_POWER_GENERATIONS] as const;
export type Generation = (typeof GENERATIONS)[number];

export const isLowPower = (generation: Generation | null): boolean =>
  (LOW_POWER_GENERATIONS as readonly (Generation | null)[]).includes(generation);

interface GenerationFacts {
  /** Contacts by form factor (JEDEC MO outlines of the generation); empty: no module of it has an edge. */
  pins: { DIMM?: number; 'SO-DIMM'?: number };
  /** Nominal supply voltages a module of the generation may be made for, mV, highest first. */
  voltagesMv: readonly number[];
  /** Standard data rates, MT/s, ascending, as the trade prints them. */
  ratesMTs: readonly number[];
  /** Prefix of the bandwidth or rate label on a module; null: there is none. */
  label: string | null;
}

/**
 * Facts by generation. Sources: JEDEC 21-C sections 4.20 (module outlines and labels), JESD79 (DDR),
 * JESD79-2, JESD79-3 with -3-1 (1.35 V), JESD79-4, JESD79-5 (speed bin tables), JESD209 to JESD209-5 (low power; the
 * voltage is that of the core).
 */
export const GENERATION_FACTS: Record<Generation, GenerationFacts> = {
  SDR: { pins: { DIMM: 168, 'SO-DIMM': 144 }, voltagesMv: [3300], ratesMTs: [66, 100, 133], label: 'PC' },
  DDR: { pins: { DIMM: 184, 'SO-DIMM': 200 }, voltagesMv: [2500], ratesMTs: [200, 266, 333, 400], label: 'PC' },
  DDR2: { pins: { DIMM: 240, 'SO-DIMM': 200 }, voltagesMv: [1800], ratesMTs: [400, 533, 667, 800, 1066], label: 'PC2' },
  DDR3: {
    pins: { DIMM: 240, 'SO-DIMM': 204 },
    voltagesMv: [1500, 1350],
    ratesMTs: [800, 1066, 1333, 1600, 1866, 2133],
    label: 'PC3',
  },
  DDR4: {
    pins: { DIMM: 288, 'SO-DIMM': 260 },
    voltagesMv: [1200],
    ratesMTs: [1600, 1866, 2133, 2400, 2666, 2933, 3200],
    label: 'PC4',
  },
  DDR5: {
    pins: { DIMM: 288, 'SO-DIMM': 262 },
    voltagesMv: [1100],
    ratesMTs: [3200, 3600, 4000, 4400, 4800, 5200, 5600, 6000, 6400, 6800, 7200, 7600, 8000, 8400, 8800],
    label: 'PC5',
  },
  LPDDR: { pins: {}, voltagesMv: [1800], ratesMTs: [200, 266, 333, 400], label: null },
  LPDDR2: { pins: {}, voltagesMv: [1200], ratesMTs: [400, 533, 667, 800, 1066], label: null },
  LPDDR3: { pins: {}, voltagesMv: [1200], ratesMTs: [800, 1066, 1333, 1600, 1866, 2133], label: null },
  LPDDR4: { pins: {}, voltagesMv: [1100], ratesMTs: [1600, 2133, 2400, 2666, 3200, 3733, 4266], label: null },
  LPDDR4X: { pins: {}, voltagesMv: [1100], ratesMTs: [1600, 2133, 2400, 2666, 3200, 3733, 4266], label: null },
  LPDDR5: { pins: {}, voltagesMv: [1050], ratesMTs: [3200, 4266, 4800, 5200, 5500, 6000, 6400], label: null },
  LPDDR5X: { pins: {}, voltagesMv: [1050], ratesMTs: [6400, 7467, 7500, 8000, 8400, 8533, 9600], label: null },
};
