import fc from 'fast-check';
import { EDGE_GENERATIONS } from '../../memory/generation';
import type { MemoryModule } from '../../memory/module';
import type { PlanCase } from '../model/case';

const maybe = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: null, freq: 2 });
/** Not known three times out of four, so that limits do not shut out everything at once. */
const seldom = <T>(value: fc.Arbitrary<T>) =>
  fc.oneof({ weight: 3, arbitrary: fc.constant(null) }, { weight: 1, arbitrary: value });
const oneOf = <T>(...values: T[]) => fc.constantFrom(...values);

/** The usual value; now and then the odd one. */
const mostly = <T>(usual: fc.Arbitrary<T>, odd: fc.Arbitrary<T>) =>
  fc.oneof({ weight: 15, arbitrary: usual }, { weight: 1, arbitrary: odd });

const moduleArbitrary: fc.Arbitrary<MemoryModule> = fc.record({
  // Which generation that is, the case tells.
  generation: mostly(oneOf('DDR4' as const), oneOf('DDR3' as const)),
  form: mostly(oneOf('DIMM'), oneOf('SO-DIMM')),
  buffering: mostly(oneOf('unbuffered' as const), oneOf('registered' as const)),
  ecc: mostly(oneOf(false), oneOf(true)),
  capacityMiB: oneOf(2048, 4096, 8192, 16384),
  rateMTs: oneOf(2133, 2400, 2666),
  casLatency: maybe(oneOf(15, 17, 19)),
  ranks: maybe(oneOf(1, 2)),
  deviceWidth: seldom(oneOf(8, 16)),
  deviceGbit: seldom(oneOf(4, 8)),
  heightMm: seldom(oneOf(30, 45)),
  maker: maybe(oneOf('Vellamo', 'Corrick')),
  voltagesMv: mostly(oneOf([1200], [1200, 1350]), oneOf([1350])),
  profiles: maybe(
    fc.array(fc.record({ rateMTs: oneOf(2666, 3200), casLatency: maybe(oneOf(14, 16)) }), { maxLength: 2 }),
  ),
});

/** Cases that are small enough to be tried wholly, with every field of a case. */
export const caseArbitrary: fc.Arbitrary<PlanCase> = fc
  .record({
    slots: fc.array(
      fc.record({
        channel: oneOf('A', 'B', 'C'),
        bank: oneOf(1, 2),
        maxMiB: seldom(oneOf(4096, 8192)),
        soldered: seldom(moduleArbitrary),
        holds: maybe(moduleArbitrary),
        keep: oneOf('may' as const, 'may' as const, 'must' as const, 'never' as const),
        credit: oneOf(0, 500),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    fill: fc.option(fc.shuffledSubarray([0, 1, 2, 3]), { nil: null }),
    fillRule: seldom(oneOf('preferred' as const, 'required' as const)),
    pairing: mostly(oneOf('none' as const, 'advised' as const), oneOf('required' as const)),
    unevenChannels: maybe(oneOf('flex' as const, 'single' as const)),
    rates: oneOf([], [2133, 2400], [1866, 2133, 2400, 2666], [2400, 2666, 3200]),
    profiles: maybe(fc.boolean()),
    cpu: maybe(fc.record({ maxRateMTs: maybe(oneOf(2133, 2400)), maxMiB: maybe(oneOf(16384, 32768)) })),
    load: seldom(
      fc.array(
        fc.record({ modulesPerChannel: oneOf(1, 2), ranks: maybe(oneOf(2)), maxRateMTs: oneOf(1066, 1866, 2133) }),
        {
          maxLength: 2,
        },
      ),
    ),
    total: seldom(fc.record({ official: maybe(oneOf(8192, 16384, 32768)), proven: maybe(oneOf(16384, 32768)) })),
    module: seldom(
      fc.record({
        official: maybe(oneOf(4096, 4096, 8192)),
        proven: maybe(oneOf(8192, 16384, 16384)),
        failed: seldom(oneOf([], [16384], [2048])),
      }),
    ),
    ranks: seldom(oneOf(2, 4)),
    gbit: seldom(oneOf(4)),
    widths: seldom(oneOf([8], [8, 16])),
    clearance: seldom(oneOf(35)),
    os: maybe(fc.record({ name: oneOf('any'), visibleMiB: maybe(oneOf(8192)) })),
    generation: fc.nat({ max: EDGE_GENERATIONS.length - 1 }),
    generations: mostly(oneOf(1), oneOf(2)),
    voltages: mostly(oneOf([1200]), oneOf([1200, 1350])),
    kinds: mostly(oneOf([0], [0, 1]), oneOf([1, 2], [0, 1, 2])),
    offers: fc.array(
      fc.record({
        origin: oneOf('original' as const, 'third-party' as const, 'used' as const),
        modules: oneOf(1, 1, 2, 3),
        module: moduleArbitrary,
        priceCents: oneOf(1000, 1500, 2000, 2500, 4000),
        stock: maybe(oneOf(0, 1, 2)),
      }),
      { maxLength: 4 },
    ),
    labour: maybe(oneOf(0, 2500)),
    goal: seldom(
      fc.record({
        minMiB: seldom(oneOf(8192, 16384)),
        maxPriceCents: seldom(oneOf(3000, 6000)),
        minOpenSlots: seldom(oneOf(1)),
        minRateMTs: seldom(oneOf(2400)),
        lanes: seldom(
          oneOf(['original' as const, 'third-party' as const], ['mixed' as const], ['none' as const, 'used' as const]),
        ),
        without: maybe(oneOf(['o0'], ['o1', 'o9'])),
        maxOffers: maybe(oneOf(1, 2, 3)),
      }),
    ),
  })
  .map((made): PlanCase => {
    const id = (index: number) => `S${index}`;
    const generations = [0, 1].map(
      (more) => EDGE_GENERATIONS[(made.generation + more) % EDGE_GENERATIONS.length] ?? 'SDR',
    );
    const of = (module: MemoryModule): MemoryModule => ({
      ...module,
      generation: generations[module.generation === 'DDR4' ? 0 : 1] ?? 'SDR',
    });
    const KINDS = [
      { buffering: 'unbuffered' as const, ecc: false },
      { buffering: 'unbuffered' as const, ecc: true },
      { buffering: 'registered' as const, ecc: true },
    ];
    return {
      fenbrik: 'case/1',
      currency: 'EUR',
      machine: {
        generations: generations.slice(0, made.generations),
        form: 'DIMM',
        kinds: made.kinds.flatMap((index) => KINDS[index] ?? []),
        voltagesMv: made.voltages,
        slots: made.slots.map(({ channel, bank, maxMiB, soldered }, index) => ({
          id: id(index),
          channel,
          bank,
          maxMiB,
          soldered: soldered === null ? null : of(soldered),
        })),
        fillOrder: made.fill === null ? null : made.fill.filter((index) => index < made.slots.length).map(id),
        fillRule: made.fillRule,
        pairing: made.pairing,
        unevenChannels: made.unevenChannels,
        ratesMTs: made.rates,
        profiles: made.profiles,
        cpu: made.cpu,
        rateByLoad: made.load,
        ceilings: { totalMiB: made.total, moduleMiB: made.module },
        maxRanksPerChannel: made.ranks,
        maxDeviceGbit: made.gbit,
        deviceWidths: made.widths,
        clearanceMm: made.clearance,
        os: made.os,
      },
      installed: made.slots.flatMap(({ soldered, holds, keep, credit }, index) =>
        soldered === null && holds !== null ? [{ slot: id(index), module: of(holds), keep, creditCents: credit }] : [],
      ),
      offers: made.offers.map((offer, index) => ({
        ...offer,
        id: `o${index}`,
        label: `offer ${index}`,
        module: of(offer.module),
      })),
      labourCents: made.labour,
      goal: made.goal,
    };
  });

/**
 * Small cases of two channels with room for several modules in each, where the load decides: there the fullest channel may
 * hold more modules for less care.
 */
export const loadedCaseArbitrary: fc.Arbitrary<PlanCase> = fc
  .record({
    planCase: caseArbitrary,
    sizes: fc.array(oneOf(2048, 2048, 4096, 6144), { minLength: 4, maxLength: 4 }),
    rates: fc.array(oneOf(2133, 2400, 2666), { minLength: 4, maxLength: 4 }),
    cl: oneOf(15, 17),
    cap: oneOf(1866, 2133, 2400),
    from: oneOf(2, 3),
    kept: fc.nat({ max: 2 }),
  })
  .map(({ planCase, sizes, rates, cl, cap, from, kept }): PlanCase => {
    const { labourCents, goal, machine } = planCase;
    const module = (nr: number): MemoryModule => ({
      generation: 'DDR4',
      form: 'DIMM',
      buffering: 'unbuffered',
      ecc: false,
      voltagesMv: [1200],
      ranks: 1,
      capacityMiB: sizes[nr] ?? 2048,
      rateMTs: rates[nr] ?? 2133,
      casLatency: nr === 3 ? cl : 17,
    });
    const slots = ['A', 'A', 'A', 'B', 'B'].map((channel, nr) => ({ id: `S${nr}`, channel, bank: nr % 3 }));
    return {
      fenbrik: 'case/1',
      currency: 'EUR',
      labourCents,
      goal: goal == null ? null : { ...goal, without: null },
      machine: {
        generations: ['DDR4'],
        form: 'DIMM',
        kinds: [{ buffering: 'unbuffered', ecc: false }],
        voltagesMv: [1200],
        slots,
        pairing: 'none',
        ratesMTs: [1866, 2133, 2400, 2666],
        unevenChannels: machine.unevenChannels,
        // Two rules that come to one rate of the board: the load changes, the rate does not.
        rateByLoad: [
          { modulesPerChannel: from, maxRateMTs: cap + 20 },
          { modulesPerChannel: from + 1, maxRateMTs: cap },
        ],
        ceilings: { totalMiB: { official: 65536 } },
      },
      installed: [0, 3].slice(0, kept).map((slot) => ({ slot: `S${slot}`, module: module(slot === 0 ? 0 : 1) })),
      offers: [1, 2, 3].map((nr) => ({
        id: `o${nr}`,
        label: `offer ${nr}`,
        origin: nr === 3 ? 'used' : 'third-party',
        modules: 1,
        stock: 3,
        module: module(nr),
        priceCents: 1000 * nr + (sizes[nr] ?? 0) / 8,
      })),
    };
  });

/** Small cases in which many plans are equally good: modules of one size, at one price each, of placement classes that rules tell apart. */
export const equalCaseArbitrary: fc.Arbitrary<PlanCase> = fc
  .record({
    offers: fc.array(
      fc.record({
        origin: oneOf('third-party' as const, 'third-party' as const, 'used' as const),
        modules: oneOf(1, 1, 2, 3),
        voltagesMv: oneOf([1200], [1200, 1350]),
        stock: maybe(oneOf(1, 2)),
      }),
      { minLength: 2, maxLength: 4 },
    ),
    maxOffers: maybe(oneOf(1, 3)),
  })
  .map(({ offers, maxOffers }): PlanCase => {
    const module: MemoryModule = {
      generation: 'DDR4',
      form: 'DIMM',
      buffering: 'unbuffered',
      ecc: false,
      voltagesMv: [1200],
      capacityMiB: 4096,
      rateMTs: 2400,
      casLatency: 17,
    };
    const slots = ['A', 'B', 'A', 'B'].map((channel, nr) => ({ id: `S${nr}`, channel, bank: nr >> 1 }));
    return {
      fenbrik: 'case/1',
      currency: 'EUR',
      installed: [],
      goal: { maxOffers },
      machine: {
        generations: ['DDR4'],
        form: 'DIMM',
        kinds: [{ buffering: 'unbuffered', ecc: false }],
        voltagesMv: [1200, 1350],
        slots,
        pairing: 'none',
        ratesMTs: [2400],
      },
      offers: offers.map(({ origin, modules, voltagesMv, stock }, nr) => ({
        id: `o${nr}`,
        label: `offer ${nr}`,
        origin,
        modules,
        stock,
        priceCents: 1000 * modules,
        module: { ...module, voltagesMv },
      })),
    };
  });

/** Small cases of several equal machines: packs that can and cannot be shared out, stock for all, for some and for none. */
export const equalMachinesArbitrary: fc.Arbitrary<PlanCase> = fc
  .record({
    planCase: caseArbitrary,
    machines: oneOf(2, 2, 3, 4, 6, 64),
    packs: fc.array(oneOf(1, 1, 2, 2, 3, 4, 6, 16), { minLength: 4, maxLength: 4 }),
    stocks: fc.array(maybe(oneOf(1, 2, 3, 4, 8, 12)), { minLength: 4, maxLength: 4 }),
    ceiling: maybe(oneOf(12_000, 30_000)),
  })
  .map(({ planCase, machines, packs, stocks, ceiling }): PlanCase => {
    const { goal, offers } = planCase;
    return {
      ...planCase,
      machines,
      goal: goal == null ? null : { ...goal, maxPriceCents: ceiling },
      offers: offers.map((offer, nr) => ({ ...offer, modules: packs[nr] ?? 1, stock: stocks[nr] ?? null })),
    };
  });
