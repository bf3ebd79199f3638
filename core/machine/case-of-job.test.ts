import { caseSchema } from '../planning/model/case';
import { caseOfJob, type JobInput, limitsOfClaims } from './case-of-job';
import { questionFor, sameAs } from './gap-question';
import { resolveClaims } from './limits/resolve-claims';
import { NOTHING_KNOWN } from './models/nothing-known';
import { known, slot, source } from './samples';
import { completeModule } from './slots/complete-module';

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

  it('asks once about two modules that differ in their serials alone', () => {
    const two = ['S1', 'S2'].map((serial, nr) => slot(`A${nr + 1}`, { ...known, rateMTs: null, serial }));
    expect(sameAs('A1', two).map(({ name }) => name)).toEqual(['A1', 'A2']);
    const other = slot('B1', { ...known, rateMTs: null, ranks: 2, serial: 'S1' });
    expect(sameAs('A1', [...two, other]).map(({ name }) => name)).toEqual(['A1', 'A2']);
  });

  it('plans without serials', () => {
    const module = { ...known, serial: 'S1' };
    expect(completeModule(module, limits)).toMatchObject({ ok: true });
    expect(completeModule(module, limits)).not.toHaveProperty('module.serial');
  });

  it('never guesses a capacity or a rate', () => {
    expect(completeModule(NOTHING_KNOWN, limits)).toMatchObject({ ok: false, gaps: ['capacityMiB', 'rateMTs'] });
    expect(completeModule(NOTHING_KNOWN, resolveClaims([]))).toMatchObject({
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
    const gaps = caseOfJob({ ...input, slots: [slot('A1', { ...known, rateMTs: null })], limits: resolveClaims([]) });
    expect(gaps).toEqual({
      ok: false,
      gaps: [{ what: 'generations' }, { what: 'form' }, { what: 'module', slot: 'A1', fields: ['rateMTs'] }],
    });
    expect(caseOfJob({ ...input, slots: [] })).toEqual({ ok: false, gaps: [{ what: 'slots' }] });
  });

  it('asks each gap as one question with likely answers', () => {
    const slots = [slot('A1', { ...known, rateMTs: null }), slot('B1', known)];
    const rate = questionFor({ what: 'module', slot: 'A1', fields: ['rateMTs'] }, slots, limits);
    expect(rate).toMatchObject({ ask: 'rateMTs', slot: 'A1', slots: ['A1'] });
    expect(rate.ask === 'rateMTs' && rate.likely[0]).toBe(2400);
    expect(questionFor({ what: 'form' }, slots, limits)).toEqual({
      ask: 'form',
      likely: [
        { value: 'DIMM', pins: 288 },
        { value: 'SO-DIMM', pins: 260 },
      ],
    });
    expect(questionFor({ what: 'slots' }, [], resolveClaims([]))).toEqual({ ask: 'slots' });
    expect(questionFor({ what: 'module', slot: 'A1', fields: ['form'] }, slots, resolveClaims([])).ask).toBe('form');
    const size = questionFor({ what: 'module', slot: 'A1', fields: ['capacityMiB'] }, slots, limits);
    expect(size.ask).toBe('capacityMiB');
  });

  it.each([
    ['a voltage of one generation', { voltagesMv: [1200], rateMTs: 2133 }, ['DDR4'], { voltageMv: 1200 }],
    ['a rate of one generation', { voltagesMv: null, rateMTs: 2666 }, ['DDR4'], { rateMTs: 2666 }],
    ['a rate of two generations', { voltagesMv: null, rateMTs: 3200 }, ['DDR5', 'DDR4'], { rateMTs: 3200 }],
  ])('guesses a generation from %s and says so', (_, told, likely, follows) => {
    const module = { ...known, generation: null, ...told };
    const asked = questionFor({ what: 'generations' }, [slot('A1', module)], resolveClaims([]));
    if (asked.ask !== 'generations') throw new Error('another question');
    expect(asked.likely[0]).toEqual({ value: likely[0], follows });
    expect(asked.likely.map(({ value }) => value)).toEqual(expect.arrayContaining(likely));
    expect(asked.others.length + asked.likely.length).toBe(6);
  });

  it('offers every generation where nothing speaks for one', () => {
    expect(questionFor({ what: 'generations' }, [slot('A1')], resolveClaims([]))).toMatchObject({
      ask: 'generations',
      likely: { length: 6 },
      others: [],
    });
  });
});
