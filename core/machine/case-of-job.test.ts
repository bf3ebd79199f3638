import { caseSchema } from '../planning/model/case';
import { caseOfJob, type JobInput, limitsOfClaims } from './case-of-job';
import { questionFor, sameAs } from './gap-words';
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
    expect(rate.text).toContain('How fast is the module in A1?');
    expect(rate.answer).toMatchObject({ to: 'slot', slot: 'A1', field: 'rateMTs' });
    expect(rate.answer.to === 'slot' && rate.answer.likely[0]).toEqual({ text: '2400 MT/s', value: 2400 });
    const form = questionFor({ what: 'form' }, slots, limits);
    expect(form.answer.to === 'limit' && form.answer.likely.map((one) => one.text)).toEqual([
      'DIMM, 288 contacts',
      'SO-DIMM, 260 contacts',
    ]);
    expect(questionFor({ what: 'slots' }, [], resolveClaims([])).answer.to).toBe('board');
    expect(
      questionFor({ what: 'module', slot: 'A1', fields: ['form'] }, slots, resolveClaims([])).answer,
    ).toMatchObject({
      to: 'limit',
      limit: 'form',
    });
    expect(questionFor({ what: 'module', slot: 'A1', fields: ['capacityMiB'] }, slots, limits).text).toContain(
      'How large',
    );
  });
});
