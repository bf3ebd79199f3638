import { caseSchema } from '../planning/case';
import type { ReadMachine, ReadModule } from '../reading/reading';
import { caseOfJob, type JobInput, limitsOfClaims } from './case-of-job';
import { claimsOfArray, claimsOfModules, claimsOfStandard } from './claims-of-reading';
import { completeModule } from './complete-module';
import { questionFor } from './gap-words';
import { inferPlace } from './infer-place';
import { type JobSlot, jobSlotsSchema, type KnownModule, NOTHING_KNOWN } from './job-slot';
import { asClaim, type Claim, LIMIT_NAMES, LIMIT_SCHEMAS, type Source } from './limit';
import { slotsOfModel, slotsOfReading } from './slots-of-reading';
import { nextStation, stationStandings } from './station';
import { weigh } from './weigh';

const GB = 1024;
const source = (kind: Source['kind'], name = kind as string): Source => ({ kind, name });

const known: KnownModule = {
  ...NOTHING_KNOWN,
  capacityMiB: 8 * GB,
  generation: 'DDR4',
  form: 'DIMM',
  buffering: 'unbuffered',
  ecc: false,
  rateMTs: 2400,
  voltagesMv: [1200],
};

const slot = (name: string, module: KnownModule | null = null, more: Partial<JobSlot> = {}): JobSlot => ({
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

describe('weighing claims', () => {
  const total = (kind: Source['kind'], gb: number): Claim => ({
    limit: 'totalMiB',
    value: gb * GB,
    source: source(kind),
  });

  it('lets the tightest of the papers bind, whichever comes first', () => {
    const claims = [total('maker-page', 64), total('board-manual', 32), total('lid-label', 48)];
    for (const order of [claims, [...claims].reverse()]) {
      const holding = weigh(order).totalMiB;
      expect(holding).toMatchObject({ value: 32 * GB, source: { kind: 'board-manual' }, contested: true });
      expect(holding?.others.map((one) => one.value)).toEqual([48 * GB, 64 * GB]);
    }
  });

  it('lets a decision outrank evidence, evidence the papers, and papers the machine’s own word', () => {
    expect(weigh([total('reading', 16), total('maker-page', 64)]).totalMiB?.source.kind).toBe('maker-page');
    expect(weigh([total('evidence', 96), total('maker-page', 64)]).totalMiB?.source.kind).toBe('evidence');
    expect(weigh([total('technician', 128), total('evidence', 96), total('maker-page', 64)]).totalMiB?.value).toBe(
      128 * GB,
    );
  });

  it('takes agreement for no contest, nor the naming of a part of a list', () => {
    expect(weigh([total('maker-page', 64), total('board-manual', 64)]).totalMiB?.contested).toBe(false);
    const kinds = (kind: Source['kind'], eccs: boolean[]): Claim => ({
      limit: 'kinds',
      value: eccs.map((ecc) => ({ buffering: 'unbuffered', ecc })),
      source: source(kind),
    });
    expect(weigh([kinds('board-manual', [true, false]), kinds('reading', [true])]).kinds?.contested).toBe(false);
    expect(weigh([kinds('board-manual', [false]), kinds('reading', [true])]).kinds?.contested).toBe(true);
  });

  it('says nothing where nobody does', () => {
    const limits = weigh([]);
    for (const name of LIMIT_NAMES) expect(limits[name]).toBeNull();
  });

  it('trusts a stored claim only as far as its value fits', () => {
    expect(asClaim('totalMiB', 4096, source('evidence'))).toEqual({
      limit: 'totalMiB',
      value: 4096,
      source: source('evidence'),
    });
    for (const value of [0, -1, '4096', null, 1.5]) expect(asClaim('totalMiB', value, source('evidence'))).toBeNull();
    expect(LIMIT_SCHEMAS.ratesMTs.safeParse([]).success).toBe(true);
    expect(LIMIT_SCHEMAS.generations.safeParse([]).success).toBe(false);
  });
});

describe('where a slot is, by its strings', () => {
  test.each([
    ['ChannelA-DIMM0', 'BANK 0', 'A', 0],
    ['ChannelB-DIMM1', 'BANK 3', 'B', 1],
    ['DIMM_B2', '', 'B', 2],
    ['DIMM A1', 'x', 'A', 1],
    ['A2', 'BANK 2', 'A', 2],
    ['DIMM 1', 'P0 CHANNEL C', 'C', 1],
    ['SODIMM_A', null, 'A', 0],
  ])('%s / %s is channel %s, bank %i', (locator, bank, channel, position) => {
    expect(inferPlace(locator, bank)).toEqual({ channel, bank: position });
  });

  test.each([
    ['DIMM 0', 'BANK 0'],
    [null, null],
    ['Slot 3', 'Bank 3'],
    ['Top', 'none'],
  ])('%s / %s does not tell', (locator, bank) => {
    expect(inferPlace(locator, bank)).toBeNull();
  });
});

const readModule: ReadModule = {
  ...known,
  configuredRateMTs: null,
  deviceWidth: null,
  heightMm: null,
  makerId: null,
  serial: null,
  soldered: false,
};

function readMachine(slots: ReadMachine['memory']['slots']): ReadMachine {
  return {
    maker: null,
    model: null,
    serial: null,
    board: { maker: null, model: null },
    firmware: { version: null, date: null },
    cpus: [],
    os: null,
    memory: { slotCount: slots.length, maxCapacityMiB: null, errorCorrection: null, slots },
  };
}

describe('a job’s slots', () => {
  const model = [
    { name: 'A1', channel: 'A', bank: 1, maxMiB: null, soldered: null },
    { name: 'B1', channel: 'B', bank: 1, maxMiB: 16 * GB, soldered: null },
  ];

  it('come from the model, and the modules from the reading, by name', () => {
    const machine = readMachine([
      { locator: 'b1', bank: null, installed: readModule },
      { locator: 'A-1', bank: null, installed: null },
    ]);
    const slots = slotsOfReading(machine, model);
    expect(slots.map(({ name, module, placeSource }) => [name, module?.capacityMiB ?? null, placeSource])).toEqual([
      ['A1', null, 'model'],
      ['B1', 8 * GB, 'model'],
    ]);
    expect(slots[1]?.maxMiB).toBe(16 * GB);
  });

  it('go by order where no name agrees and the counts do', () => {
    const machine = readMachine([
      { locator: 'Bottom', bank: null, installed: readModule },
      { locator: 'Top', bank: null, installed: null },
    ]);
    expect(slotsOfReading(machine, model).map((one) => one.module?.capacityMiB ?? null)).toEqual([8 * GB, null]);
  });

  it('are the reading’s own where the model has another number of them', () => {
    const machine = readMachine([{ locator: 'DIMM_A1', bank: null, installed: readModule }]);
    expect(slotsOfReading(machine, model)).toMatchObject([
      { name: 'DIMM_A1', channel: 'A', bank: 1, placeSource: 'inferred' },
    ]);
  });

  it('count as one channel where the names do not tell, and are told apart by number', () => {
    const machine = readMachine([
      { locator: 'DIMM', bank: null, installed: readModule },
      { locator: 'DIMM', bank: null, installed: null },
    ]);
    const slots = slotsOfReading(machine, null);
    expect(slots.map(({ channel, bank }) => [channel, bank])).toEqual([
      ['A', 0],
      ['A', 1],
    ]);
    expect(new Set(slots.map((one) => one.name)).size).toBe(2);
    expect(jobSlotsSchema.safeParse(slots).success).toBe(true);
  });

  it('keep what is soldered', () => {
    const [built] = slotsOfModel([{ name: 'ON', channel: 'A', bank: 0, maxMiB: null, soldered: known }]);
    expect(built).toMatchObject({ soldered: true, module: { capacityMiB: 8 * GB } });
    const machine = readMachine([{ locator: 'U1', bank: null, installed: { ...readModule, soldered: true } }]);
    expect(slotsOfReading(machine, null)[0]?.soldered).toBe(true);
  });

  it('are refused with a name twice, or soldered without a module', () => {
    expect(jobSlotsSchema.safeParse([slot('A1'), slot('A1')]).success).toBe(false);
    expect(jobSlotsSchema.safeParse([slot('A1', null, { soldered: true })]).success).toBe(false);
    expect(jobSlotsSchema.safeParse([slot('A1', null, { creditCents: -1 })]).success).toBe(false);
  });
});

describe('what the modules in a machine say about it', () => {
  it('is their generation, form and kind where they agree', () => {
    const claims = claimsOfModules([slot('A1', known), slot('B1', known)], source('reading'));
    expect(claims.map(({ limit, value }) => [limit, value])).toEqual([
      ['generations', ['DDR4']],
      ['form', 'DIMM'],
      ['kinds', [{ buffering: 'unbuffered', ecc: false }]],
    ]);
  });

  it('is nothing where they differ or do not tell', () => {
    const mixed = [slot('A1', known), slot('B1', { ...known, ecc: true, generation: 'DDR3' })];
    expect(claimsOfModules(mixed, source('reading')).map(({ limit }) => limit)).toEqual(['form']);
    expect(claimsOfModules([slot('A1')], source('reading'))).toEqual([]);
  });

  it('is low voltage where all of them are low-voltage DDR3', () => {
    const low: KnownModule = { ...known, generation: 'DDR3', voltagesMv: [1350, 1500] };
    const voltage = (slots: JobSlot[]) =>
      claimsOfModules(slots, source('reading')).find((one) => one.limit === 'voltagesMv');
    expect(voltage([slot('A1', low)])?.value).toEqual([1350]);
    expect(voltage([slot('A1', low), slot('B1', { ...low, voltagesMv: [1500] })])).toBeUndefined();
  });

  it('leaves soldered memory out of the form', () => {
    const soldered = slot('ON', { ...known, form: null }, { soldered: true });
    expect(claimsOfModules([soldered], source('reading')).map(({ limit }) => limit)).toEqual(['generations', 'kinds']);
  });

  it('is the array’s ceiling where it names one', () => {
    expect(claimsOfArray(32 * GB, source('reading'))).toEqual([
      { limit: 'totalMiB', value: 32 * GB, source: source('reading') },
    ]);
    expect(claimsOfArray(null, source('reading'))).toEqual([]);
  });
});

describe('what is usual', () => {
  it('stands in only where nobody says anything', () => {
    const generation: Claim = { limit: 'generations', value: ['DDR4'], source: source('maker-page') };
    const rates: Claim = { limit: 'ratesMTs', value: [2400], source: source('maker-page') };
    const limits = limitsOfClaims([generation, rates]);
    expect(limits.ratesMTs?.others).toEqual([]);
    expect(limits.voltagesMv).toMatchObject({ value: [1200], source: { kind: 'standard' } });
    expect(limitsOfClaims([rates]).voltagesMv).toBeNull();
  });

  it('is 1.5 V for DDR3', () => {
    expect(claimsOfStandard('DDR3').find((one) => one.limit === 'voltagesMv')?.value).toEqual([1500]);
  });
});

describe('completing a module', () => {
  const limits = limitsOfClaims([
    { limit: 'generations', value: ['DDR3'], source: source('maker-page') },
    { limit: 'form', value: 'SO-DIMM', source: source('maker-page') },
    { limit: 'voltagesMv', value: [1350], source: source('maker-page') },
  ]);

  it('takes what the machine leaves no choice about, and says so', () => {
    const completed = completeModule({ ...NOTHING_KNOWN, capacityMiB: 4096, rateMTs: 1333 }, limits);
    expect(completed).toMatchObject({
      ok: true,
      assumed: ['generation', 'form', 'buffering', 'ecc', 'voltagesMv'],
      module: { generation: 'DDR3', form: 'SO-DIMM', voltagesMv: [1350], buffering: 'unbuffered', ecc: false },
    });
  });

  it('never guesses a capacity or a rate', () => {
    expect(completeModule(NOTHING_KNOWN, limits)).toMatchObject({ ok: false, gaps: ['capacityMiB', 'rateMTs'] });
    expect(completeModule(NOTHING_KNOWN, weigh([]))).toMatchObject({
      ok: false,
      gaps: ['capacityMiB', 'rateMTs', 'generation', 'form'],
    });
  });
});

describe('the case of a job', () => {
  const limits = limitsOfClaims([
    { limit: 'generations', value: ['DDR4'], source: source('maker-page') },
    { limit: 'form', value: 'DIMM', source: source('maker-page') },
    { limit: 'fillOrder', value: ['B1', 'A1', 'Z9'], source: source('maker-page') },
  ]);
  const input: JobInput = {
    name: 'Tarnholt Counter 4',
    currency: 'EUR',
    slots: [slot('A1', known, { keep: 'must', creditCents: 300 }), slot('B1'), slot('C1', known, { soldered: true })],
    limits,
    offers: [],
    labourCents: 2900,
    goal: {},
  };

  it('is a case that the planner takes', () => {
    const made = caseOfJob(input);
    if (!made.ok) throw new Error('gaps');
    expect(caseSchema.safeParse(made.planCase).error?.issues ?? []).toEqual([]);
    expect(made.planCase.installed).toMatchObject([{ slot: 'A1', keep: 'must', creditCents: 300 }]);
    expect(made.planCase.machine.slots.map((one) => one.soldered !== null)).toEqual([false, false, true]);
    // A fill order may speak of slots that this machine does not have.
    expect(made.planCase.machine.fillOrder).toEqual(['B1', 'A1']);
  });

  it('names every gap', () => {
    const gaps = caseOfJob({ ...input, slots: [slot('A1', { ...known, rateMTs: null })], limits: weigh([]) });
    expect(gaps).toEqual({
      ok: false,
      gaps: [{ what: 'generations' }, { what: 'form' }, { what: 'module', slot: 'A1', fields: ['rateMTs'] }],
    });
    expect(caseOfJob({ ...input, slots: [] })).toEqual({ ok: false, gaps: [{ what: 'slots' }] });
  });

  it('asks each gap as one question with likely answers', () => {
    const slots = [slot('A1', { ...known, rateMTs: null }), slot('B1', known)];
    const rate = questionFor({ what: 'module', slot: 'A1', fields: ['rateMTs'] }, slots, limits);
    expect(rate.text).toContain('How fast is the module in A1?');
    expect(rate.answer).toMatchObject({ to: 'slot', slot: 'A1', field: 'rateMTs' });
    expect(rate.answer.to === 'slot' && rate.answer.likely[0]).toEqual({ text: '2400 MT/s', value: 2400 });
    const form = questionFor({ what: 'form' }, slots, limits);
    expect(form.answer.to === 'limit' && form.answer.likely.map((one) => one.text)).toEqual([
      'DIMM, 288 contacts',
      'SO-DIMM, 260 contacts',
    ]);
    expect(questionFor({ what: 'slots' }, [], weigh([])).answer.to).toBe('board');
    expect(questionFor({ what: 'module', slot: 'A1', fields: ['form'] }, slots, weigh([])).answer).toMatchObject({
      to: 'limit',
      limit: 'form',
    });
    expect(questionFor({ what: 'module', slot: 'A1', fields: ['capacityMiB'] }, slots, limits).text).toContain(
      'How large',
    );
  });
});

describe('how the stations of a job stand', () => {
  const nothing = {
    customerNamed: false,
    slotCount: 0,
    gapCount: 0,
    limitsAgreed: false,
    choiceCount: 0,
    quoteSent: false,
    proofRead: false,
  };

  test.each([
    [nothing, 'decide waits waits waits waits waits', 'intake'],
    [{ ...nothing, customerNamed: true, slotCount: 2, gapCount: 1 }, 'done decide waits waits waits waits', 'limits'],
    [{ ...nothing, customerNamed: true, slotCount: 2 }, 'done decide decide waits waits waits', 'limits'],
    [
      { ...nothing, customerNamed: true, slotCount: 2, limitsAgreed: true },
      'done done decide waits waits waits',
      'options',
    ],
    [
      { ...nothing, customerNamed: true, slotCount: 2, limitsAgreed: true, choiceCount: 2 },
      'done done done decide waits waits',
      'quote',
    ],
    [
      { ...nothing, customerNamed: true, slotCount: 2, limitsAgreed: true, quoteSent: true },
      'done done done done decide waits',
      'fitting',
    ],
    [
      { ...nothing, customerNamed: true, slotCount: 2, limitsAgreed: true, quoteSent: true, proofRead: true },
      'done done done done done done',
      'proof',
    ],
  ])('%#: %j', (facts, standings, next) => {
    const stand = stationStandings(facts);
    expect(Object.values(stand).join(' ')).toBe(standings);
    expect(nextStation(stand)).toBe(next);
  });
});
