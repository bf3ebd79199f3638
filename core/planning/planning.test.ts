import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { MemoryModule } from '../memory/module';
import { MODULE_OF_8_GB } from '../memory/samples';
import { layoutToday, makeBoard } from './model/board';
import { caseJsonSchema, caseSchema, type PlanCase } from './model/case';
import { compareLists } from './model/compare-lists';
import { countedSpeed } from './model/counted-speed';
import { latencyNs, setLatencyNs } from './model/latency';
import { parseCase } from './model/parse-case';
import { bandwidthMBs, effectiveChannels } from './rules/bandwidth';
import { slotCapacities } from './rules/capacity-of';
import { effectiveLimits } from './rules/effective-limits';
import { OFFER_REFUSALS, refusalsOf } from './rules/refuse-offer';
import { boardRateUnder } from './rules/running-rate';
import { answer } from './search/answer';
import { evaluateChoice } from './search/evaluate-choice';
import type { Plan } from './search/plan';
import { english } from './testing/english';

const GB = 1024;

/** A two-channel board with one module in A1, changed as a test needs it. */
function makeCase(more: Partial<PlanCase> = {}, machine: Partial<PlanCase['machine']> = {}): PlanCase {
  return {
    fenbrik: 'case/1',
    currency: 'EUR',
    machine: {
      generations: ['DDR4'],
      form: 'DIMM',
      kinds: [{ buffering: 'unbuffered', ecc: false }],
      voltagesMv: [1200],
      slots: [
        { id: 'A1', channel: 'A', bank: 1 },
        { id: 'B1', channel: 'B', bank: 1 },
      ],
      pairing: 'none',
      ratesMTs: [2133, 2400],
      ceilings: { totalMiB: { official: 32 * GB }, moduleMiB: { official: 16 * GB } },
      ...machine,
    },
    installed: [{ slot: 'A1', module: MODULE_OF_8_GB }],
    offers: [{ id: 'tp', label: 'tp', origin: 'third-party', modules: 1, module: MODULE_OF_8_GB, priceCents: 2000 }],
    ...more,
  };
}

const worked = (name: string): PlanCase =>
  JSON.parse(readFileSync(join(__dirname, 'cases', `${name}.case.json`), 'utf8'));

describe('a bad case', () => {
  const faults = (json: unknown): string[] => {
    const parsed = parseCase(json);
    return parsed.ok ? [] : parsed.faults;
  };

  it('is told fault by fault, with the JSON path', () => {
    const bad = makeCase();
    const [first] = bad.machine.slots;
    expect(faults({ ...bad, machine: { ...bad.machine, slots: [first, first] } })).toEqual([
      'machine.slots[1].id: used twice',
    ]);
    expect(faults({ ...bad, installed: [...bad.installed, ...bad.installed] })).toEqual([
      'installed[1].slot: used twice',
    ]);
    expect(faults({ ...bad, installed: [{ slot: 'Z', module: MODULE_OF_8_GB }] })).toEqual([
      'installed[0].slot: no slot has this id',
    ]);
    expect(faults({ ...bad, offers: [...bad.offers, ...bad.offers] })).toEqual(['offers[1].id: used twice']);
    expect(faults({ ...bad, colour: 1, machine: { ...bad.machine, paint: 2 } })).toEqual([
      'machine.paint: unknown field',
      'colour: unknown field',
    ]);
  });

  it('names what is missing, what is no list, and rates that do not ascend', () => {
    expect(faults({ fenbrik: 'case/1' })).toEqual([
      'currency: missing',
      'machine: missing',
      'installed: missing',
      'offers: missing',
    ]);
    expect(faults(null)).toHaveLength(1);
    expect(faults(null)[0]).toMatch(/^\(document\): /);
    expect(faults(makeCase({}, { ratesMTs: [2400, 2133] }))).toEqual(['machine.ratesMTs[1]: rates must ascend']);
    expect(faults(makeCase({}, { kinds: [] }))[0]).toMatch(/^machine\.kinds: /);
    expect(faults(makeCase({}, { fillOrder: ['A1', 'Q', 'A1'] }))).toEqual([
      'machine.fillOrder[2]: used twice',
      'machine.fillOrder[1]: no slot has this id',
    ]);
  });

  it('is one where a module is installed in a soldered slot', () => {
    const slots = [{ id: 'A1', channel: 'A', bank: 1, soldered: MODULE_OF_8_GB }];
    expect(faults(makeCase({}, { slots }))).toEqual(['installed[0].slot: this slot holds soldered memory']);
  });

  it('is not one that leaves optional fields out or null', () => {
    expect(faults(makeCase({ labourCents: null, goal: null }, { cpu: null, ceilings: null, fillOrder: null }))).toEqual(
      [],
    );
    expect(faults(makeCase({ installed: [], offers: [] }, { ratesMTs: [] }))).toEqual([]);
  });
});

describe('what an offer is refused for', () => {
  const force = (planCase: PlanCase) => effectiveLimits(makeBoard(planCase));
  const codes = (module: Partial<MemoryModule>, machine: Partial<PlanCase['machine']> = {}) => {
    const planCase = makeCase({}, machine);
    return refusalsOf({ ...MODULE_OF_8_GB, ...module }, planCase.machine, force(planCase));
  };

  test.each<[string, Partial<MemoryModule>, Partial<PlanCase['machine']>]>([
    ['generation', { generation: 'DDR3' }, {}],
    ['form', { form: 'SO-DIMM' }, {}],
    ['kind', { ecc: true }, {}],
    ['voltage', { voltagesMv: [1350] }, {}],
    ['module-failed', { capacityMiB: 4 * GB }, { ceilings: { moduleMiB: { failed: [4 * GB] } } }],
    ['module-size', { capacityMiB: 32 * GB }, {}],
    ['height', { heightMm: 45 }, { clearanceMm: 35 }],
    ['density', { deviceGbit: 16 }, { maxDeviceGbit: 8 }],
    ['width', { deviceWidth: 16 }, { deviceWidths: [8] }],
    ['rate', { rateMTs: 1866 }, {}],
  ])('%s', (code, module, machine) => {
    expect(codes(module, machine)).toEqual([code]);
  });

  it('is nothing that is not known', () => {
    expect(
      codes(
        { heightMm: null, deviceGbit: null, deviceWidth: null },
        { clearanceMm: 1, maxDeviceGbit: 1, deviceWidths: [4] },
      ),
    ).toEqual([]);
    expect(codes({ capacityMiB: 64 * GB }, { ceilings: null })).toEqual([]);
  });

  it('is all that applies, in order', () => {
    expect(codes({ generation: 'DDR3', form: 'SO-DIMM', voltagesMv: [1500], rateMTs: 1333 })).toEqual([
      'generation',
      'form',
      'voltage',
      'rate',
    ]);
  });

  it('has words for every code', () => {
    for (const code of OFFER_REFUSALS) expect(english.t(`refusals.${code}`)).toMatch(/\w/);
  });
});

describe('rates, channels and times', () => {
  it('takes the highest board rate that fits; any where the list is empty', () => {
    expect(boardRateUnder([2133, 2400], 2399)).toBe(2133);
    expect(boardRateUnder([2133, 2400], 2000)).toBeNull();
    expect(boardRateUnder([], 1999)).toBe(1999);
  });

  it('counts a profile only where the board runs profiles', () => {
    const fast = {
      ...MODULE_OF_8_GB,
      profiles: [
        { rateMTs: 3000, casLatency: 15 },
        { rateMTs: 3200, casLatency: 18 },
        { rateMTs: 3200, casLatency: 16 },
      ],
    };
    expect(countedSpeed(fast, false)).toEqual({ rateMTs: 2400, casLatency: 17 });
    expect(countedSpeed(fast, true)).toEqual({ rateMTs: 3200, casLatency: 16 });
    expect(countedSpeed({ ...MODULE_OF_8_GB, profiles: [] }, true)).toEqual({ rateMTs: 2400, casLatency: 17 });
  });

  it('knows 1.5 channels from 8 + 16 GB, and one where the controller falls back', () => {
    const uneven = makeCase({
      installed: [
        { slot: 'A1', module: MODULE_OF_8_GB },
        { slot: 'B1', module: { ...MODULE_OF_8_GB, capacityMiB: 16 * GB } },
      ],
    });
    const board = makeBoard(uneven);
    const slots = slotCapacities(layoutToday(board));
    expect(effectiveChannels(board, slots)).toBe(1.5);
    expect(bandwidthMBs(board, slots, 2400)).toBe(28800);
    const single = makeBoard(makeCase({ installed: uneven.installed }, { unevenChannels: 'single' }));
    expect(effectiveChannels(single, slots)).toBe(1);
  });

  it('reckons 2400 CL15 and 3200 CL20 equally quick', () => {
    expect(latencyNs({ rateMTs: 2400, casLatency: 15 })).toBe(12.5);
    expect(latencyNs({ rateMTs: 3200, casLatency: 20 })).toBe(12.5);
    expect(setLatencyNs([{ rateMTs: 2400, casLatency: null }])).toBeNull();
  });

  it('takes what runs today for evidence', () => {
    // 1866 stands in no list, but it is what this board runs at.
    const slow = makeCase({
      installed: [{ slot: 'A1', module: { ...MODULE_OF_8_GB, rateMTs: 1866, capacityMiB: 64 * GB } }],
    });
    const { boardRates, total, module, today } = effectiveLimits(makeBoard(slow));
    expect(boardRates).toEqual([1866, 2133, 2400]);
    expect(today.rateMTs).toBe(1866);
    expect(total).toEqual({ official: 32 * GB, proven: 64 * GB });
    expect(module.proven).toBe(64 * GB);
  });
});

describe('a case that is too much', () => {
  const faults = (planCase: PlanCase) => {
    const parsed = parseCase(planCase);
    return parsed.ok ? [] : parsed.faults;
  };
  const slots = Array.from({ length: 16 }, (_, nr) => ({ id: `S${nr}`, channel: `${nr % 4}`, bank: nr }));
  const of = (kinds: number, keep: 'may' | 'must') =>
    makeCase(
      {
        installed: slots.map(({ id }, nr) => ({
          slot: id,
          keep,
          module: { ...MODULE_OF_8_GB, casLatency: 11 + (nr % kinds) },
        })),
      },
      { slots },
    );

  it('is told where more different modules may stay or go than can be looked at', () => {
    expect(faults(of(4, 'may'))).toEqual([]);
    expect(faults(of(16, 'must'))).toEqual([]);
    expect(faults(of(16, 'may'))).toEqual([
      'installed: too many different modules may stay or go: say of some what becomes of them',
    ]);
  });

  it('is told where a machine supplies more voltages than any does', () => {
    const voltagesMv = Array.from({ length: 31 }, (_, nr) => 1000 + nr);
    expect(faults(makeCase({}, { voltagesMv }))).toEqual(['machine.voltagesMv: at most 30 voltages']);
  });
});

describe('lists of places', () => {
  it('compare lists place by place, the beginning of another first', () => {
    expect(compareLists([1, 2], [1, 3])).toBeLessThan(0);
    expect(compareLists([1], [1, 0])).toBeLessThan(0);
    expect(compareLists([2], [1, 9])).toBeGreaterThan(0);
    expect(compareLists([1, 2], [1, 2])).toBe(0);
  });
});

describe('a chosen plan, looked at again', () => {
  const planCase = worked('bakery-till');
  const { plans } = answer(planCase);

  it('has the figures it had on the ladder', () => {
    for (const plan of plans) expect(evaluateChoice(planCase, plan)).toEqual({ ok: true, plan });
  });

  it('says when an offer or a module is gone, sold out, or refused by now', () => {
    const plan = plans.find((one) => one.bought[0]?.offer === 'shelf-8' && one.kept.length === 1) as Plan;
    const without = { ...planCase, offers: planCase.offers.filter((offer) => offer.id !== 'shelf-8') };
    expect(evaluateChoice(without, plan)).toEqual({ ok: false, code: 'changed' });
    expect(evaluateChoice({ ...planCase, installed: [] }, plan)).toEqual({ ok: false, code: 'changed' });
    const empty = planCase.offers.map((offer) => (offer.id === 'shelf-8' ? { ...offer, stock: 0 } : offer));
    expect(evaluateChoice({ ...planCase, offers: empty }, plan)).toEqual({ ok: false, code: 'sold-out' });
    const tight = { ...planCase, machine: { ...planCase.machine, form: 'SO-DIMM' } };
    expect(evaluateChoice(tight, plan)).toEqual({ ok: false, code: 'refused' });
    const many = { kept: ['A2'], bought: [{ offer: 'tp-8', count: 9 }] };
    expect(evaluateChoice(planCase, many)).toEqual({ ok: false, code: 'refused' });
  });

  it('follows a price that moved, and its saving with it', () => {
    const plan = plans.find(
      (one) => one.lane === 'third-party' && one.totalMiB === 16 * GB && one.savingCents !== null,
    ) as Plan;
    const dearer = planCase.offers.map((offer) =>
      offer.id === plan.bought[0]?.offer ? { ...offer, priceCents: offer.priceCents + 100 } : offer,
    );
    const again = evaluateChoice({ ...planCase, offers: dearer }, plan);
    if (!again.ok) throw new Error(again.code);
    const units = plan.bought[0]?.count ?? 0;
    expect(again.plan.priceCents).toBe(plan.priceCents + 100 * units);
    expect(again.plan.savingCents).toBe((plan.savingCents ?? 0) - 100 * units);
  });
});

test('the published schema is what a case is read by: npm run case-schema writes it again', () => {
  const published = readFileSync(join(__dirname, '..', '..', 'docs', 'case-1.schema.json'), 'utf8');
  expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(caseJsonSchema())));
});

describe('several equal machines', () => {
  const of8 = { ...MODULE_OF_8_GB };
  const kit = { id: 'kit', label: 'kit', origin: 'third-party' as const, modules: 4, module: of8, priceCents: 9_000 };
  const tills = (machines: number, more: Partial<PlanCase> = {}) =>
    makeCase({ machines, offers: [kit], installed: [], labourCents: 2_000, ...more });

  it('share packs: one of four serves four machines with a module each, or two with two', () => {
    const bought = (planCase: PlanCase) =>
      answer(planCase).plans.map(({ totalMiB, bought: packs, priceCents }) => [
        totalMiB / GB,
        packs[0]?.count,
        priceCents,
      ]);
    expect(bought(tills(4))).toEqual([
      [8, 1, 9_000 + 4 * 2_000],
      [16, 2, 18_000 + 4 * 2_000],
    ]);
    expect(bought(tills(2))).toEqual([[16, 1, 9_000 + 2 * 2_000]]);
    // Three packs are twelve modules: four in each of three machines, which have two slots.
    expect(bought(tills(3))).toEqual([]);
  });

  it('pay labour and get credit for each, and a price per GB is that of all together', () => {
    const installed = [
      { slot: 'A1', module: { ...of8, capacityMiB: 4 * GB }, keep: 'never' as const, creditCents: 300 },
    ];
    const [plan] = answer(tills(2, { installed })).plans;
    expect(plan).toMatchObject({ priceCents: 9_000 + 2 * (2_000 - 300), totalMiB: 16 * GB, addedMiB: 12 * GB });
    expect(plan?.perGiBCents).toBe(Math.round(12_400 / 32));
    expect(plan?.perAddedGiBCents).toBe(Math.round(12_400 / 24));
  });

  it('are evaluated as they are planned, and refused where packs cannot be shared out', () => {
    const planCase = tills(2);
    const [plan] = answer(planCase).plans;
    if (plan === undefined) throw new Error('there is a plan');
    expect(evaluateChoice(planCase, plan)).toEqual({ ok: true, plan });
    const three = { ...planCase, machines: 3 };
    expect(evaluateChoice(three, plan)).toEqual({ ok: false, code: 'refused' });
    const fewer = { ...planCase, offers: [{ ...kit, stock: 0 }] };
    expect(evaluateChoice(fewer, plan)).toEqual({ ok: false, code: 'sold-out' });
  });

  it.each([0, 65, 1.5])('number 1 to 64, and not %d', (machines) => {
    expect(caseSchema.safeParse(tills(machines)).success).toBe(false);
    expect(caseSchema.safeParse(tills(64)).success).toBe(true);
  });
});
