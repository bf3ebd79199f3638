import type { MemoryModule } from '../core/memory/module';
import type { Machine, Offer, PlanCase } from '../core/planning/model/case';
import type { Origin } from '../core/planning/model/lanes';

/*
 * Machines and markets for the planner's benches, the same each time. On a market no specification is dominated within its
 * origin: a faster module, one with a lower CL, one with fewer ranks costs more than its next, so that nothing collapses by
 * itself.
 */

/** A sequence that looks like chance and is the same each time (a linear congruence, Numerical Recipes' constants). */
function sequence(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

interface Market {
  generation: MemoryModule['generation'];
  form: string;
  buffering: MemoryModule['buffering'];
  ecc: boolean;
  gib: readonly number[];
  rates: readonly number[];
  voltageMv: number;
  /** minor units for a GB of third-party memory */
  perGiB: number;
  packs: readonly number[];
}

const ORIGINS: readonly [Origin, number][] = [
  ['third-party', 1],
  ['original', 2.9],
  ['used', 0.62],
];
/** Cycles above the least CL of a rate. */
const LATER = [0, 1, 2, 3, 4];
const RANKS = [1, 2];

/** Prime to the number of specifications of every market here. */
const SPREAD = 487;

interface Spec {
  origin: Origin;
  module: MemoryModule;
  cents: number;
}

function specsOf(market: Market): Spec[] {
  const { generation, form, buffering, ecc, voltageMv } = market;
  return ORIGINS.flatMap(([origin, times]) =>
    market.gib.flatMap((gib) =>
      market.rates.flatMap((rateMTs, step) =>
        LATER.flatMap((later) =>
          RANKS.map((ranks): Spec => {
            const casLatency = Math.round(rateMTs / 150) + later;
            // Each of these costs a little, so that none is as good as another at the same price.
            const extra = 1 + step * 0.035 - later * 0.004 - (ranks - 1) * 0.002;
            const module = {
              generation,
              form,
              buffering,
              ecc,
              capacityMiB: gib * 1024,
              rateMTs,
              casLatency,
              ranks,
              voltagesMv: [voltageMv],
            };
            return { origin, module, cents: Math.round(market.perGiB * gib * times * extra + 350 * times) };
          }),
        ),
      ),
    ),
  );
}

/** So many offers, some for each specification, the first of each at its least price. */
function offersOn(market: Market, count: number): Offer[] {
  const random = sequence(20261125);
  const specs = specsOf(market);
  return Array.from({ length: count }, (_, nr): Offer => {
    // Spread, so that a few offers are of all origins and sizes.
    const spec = specs[(nr * SPREAD) % specs.length] as Spec;
    const round = Math.floor(nr / specs.length);
    const modules = market.packs[round % market.packs.length] ?? 1;
    // Kits are slightly cheaper than single modules; other sellers are dearer than the cheapest.
    const kit = 1 - 0.01 * Math.log2(modules);
    const seller = round < market.packs.length ? 1 : 1.01 + random() * 0.14;
    return {
      id: `o${nr}`,
      label: `offer ${nr}`,
      origin: spec.origin,
      modules,
      module: spec.module,
      priceCents: Math.round(spec.cents * modules * kit * seller),
      stock: random() < 0.3 ? 1 + Math.floor(random() * 12) : null,
    };
  });
}

const DDR4: Omit<Market, 'form' | 'gib' | 'packs'> = {
  generation: 'DDR4',
  buffering: 'unbuffered',
  ecc: false,
  voltageMv: 1200,
  perGiB: 260,
  rates: [1866, 2133, 2400, 2666, 2933, 3200, 3466, 3600],
};

const LAPTOP: Market = { ...DDR4, form: 'SO-DIMM', gib: [4, 8, 16, 32], packs: [1, 2] };
const DESKTOP: Market = { ...DDR4, form: 'DIMM', gib: [4, 8, 16, 32, 64], packs: [1, 2, 4] };
const SERVER: Market = {
  generation: 'DDR5',
  form: 'DIMM',
  buffering: 'registered',
  ecc: true,
  voltageMv: 1100,
  perGiB: 420,
  gib: [16, 32, 64, 128, 256],
  rates: [3600, 4000, 4400, 4800, 5200, 5600, 6000, 6400],
  packs: [1, 1, 2, 4, 8],
};
const WORKSTATION: Market = { ...SERVER, packs: [1, 2, 4, 8] };

/** Slots channel by channel: `A1`, `A2`, `B1` ... */
function slots(channels: readonly string[], banks: number): Machine['slots'] {
  return channels.flatMap((channel) =>
    Array.from({ length: banks }, (_, at) => ({ id: `${channel}${at + 1}`, channel, bank: at + 1 })),
  );
}

/** A machine whose board and CPU run modules up to a rate; faster ones are sold for it all the same. */
function machine(market: Market, maxRateMTs: number, own: Partial<Machine> & Pick<Machine, 'slots'>): Machine {
  const { generation, form, buffering, ecc, voltageMv, rates } = market;
  return {
    generations: [generation],
    form,
    kinds: [{ buffering, ecc }],
    voltagesMv: [voltageMv],
    pairing: 'advised',
    ratesMTs: rates.filter((rate) => rate <= maxRateMTs),
    cpu: { maxRateMTs },
    ...own,
  };
}

function installed(market: Market, modules: readonly [slot: string, gib: number, rateMTs: number, credit: number][]) {
  const { generation, form, buffering, ecc, voltageMv } = market;
  return modules.map(([slot, gib, rateMTs, creditCents]) => ({
    slot,
    creditCents,
    module: {
      generation,
      form,
      buffering,
      ecc,
      capacityMiB: gib * 1024,
      rateMTs,
      ranks: 1,
      voltagesMv: [voltageMv],
      casLatency: Math.round(rateMTs / 150),
    },
  }));
}

const GIB = 1024;

export const laptopCase = (offers: number): PlanCase => ({
  fenbrik: 'case/1',
  currency: 'EUR',
  labourCents: 2500,
  machine: machine(LAPTOP, 3200, { slots: slots(['A', 'B'], 1), ceilings: { totalMiB: { official: 64 * GIB } } }),
  installed: installed(LAPTOP, [['A1', 8, 2666, 500]]),
  offers: offersOn(LAPTOP, offers),
});

/** A desktop of two channels; with other numbers of sockets for the table of growth. */
export const desktopCase = (offers: number, banks = 2): PlanCase => ({
  fenbrik: 'case/1',
  currency: 'EUR',
  labourCents: 2500,
  machine: machine(DESKTOP, 3200, {
    slots: slots(['A', 'B'], banks),
    ceilings: { totalMiB: { official: 64 * GIB * banks, proven: 96 * GIB * banks }, moduleMiB: { official: 64 * GIB } },
  }),
  installed: installed(
    DESKTOP,
    (
      [
        ['A1', 8, 2666, 500],
        ['A2', 4, 2400, 200],
        ['B1', 8, 2666, 500],
        ['B2', 8, 2400, 300],
      ] as const
    )
      .filter(([slot]) => Number(slot.slice(1)) <= banks)
      .map((one) => [...one]),
  ),
  offers: offersOn(DESKTOP, offers),
});

export const workstationCase = (offers: number): PlanCase => ({
  fenbrik: 'case/1',
  currency: 'EUR',
  labourCents: 4000,
  machine: machine(WORKSTATION, 5600, {
    slots: slots(['A', 'B', 'C', 'D'], 2),
    ceilings: { totalMiB: { official: 512 * GIB, proven: 1024 * GIB } },
    rateByLoad: [{ modulesPerChannel: 2, ranks: 2, maxRateMTs: 5200 }],
  }),
  installed: installed(WORKSTATION, [
    ['A1', 16, 4800, 1500],
    ['B1', 16, 4800, 1500],
  ]),
  offers: offersOn(WORKSTATION, offers),
});

export const serverCase = (offers: number): PlanCase => ({
  fenbrik: 'case/1',
  currency: 'EUR',
  labourCents: 9000,
  machine: machine(SERVER, 5600, {
    slots: slots(
      ['P0', 'P1'].flatMap((cpu) => [...'ABCDEFGH'].map((channel) => `${cpu}_${channel}`)),
      2,
    ),
    ceilings: { totalMiB: { official: 2048 * GIB, proven: 3072 * GIB } },
    rateByLoad: [{ modulesPerChannel: 2, maxRateMTs: 4400 }],
    maxRanksPerChannel: 4,
  }),
  installed: installed(
    SERVER,
    ['P0_A1', 'P0_C1', 'P0_E1', 'P0_G1', 'P1_A1', 'P1_C1', 'P1_E1', 'P1_G1'].map((slot) => [slot, 16, 4800, 1200]),
  ),
  offers: offersOn(SERVER, offers),
});

/** Boards of up to two sockets in a channel that take server modules, for the table of growth. */
export const withSockets = (sockets: number, offers: number): PlanCase => ({
  fenbrik: 'case/1',
  currency: 'EUR',
  labourCents: 4000,
  machine: machine(SERVER, 5600, {
    slots: slots(
      Array.from({ length: Math.ceil(sockets / 2) }, (_, nr) => `C${nr}_`),
      2,
    ),
    ceilings: { totalMiB: { official: sockets * 64 * GIB } },
  }),
  installed: installed(SERVER, [['C0_1', 16, 4800, 1200]]),
  offers: offersOn(SERVER, offers),
});
