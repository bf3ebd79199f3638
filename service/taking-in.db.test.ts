import { must, openTestShop, plansOf, readTill, stateOf, TILL_REPORT } from '../scripts/test-shop';
import { many, pool } from '../store/database';
import { counterJobs, rememberStation, whereLeft } from './counter';
import { intakeSchema, modelLibrary, newJob, pickModel, saveIntake, saveSlots, takeReading } from './intake';
import { agreeLimits, decideLimit } from './limits';

const shop = openTestShop();
describe('intake', () => {
  it('fills the job from a report and knows the model by its product string', async () => {
    const id = await readTill(shop.teo);
    const { job, slots, reading, limits, standings, gaps } = await stateOf(id);
    expect(job).toMatchObject({
      machineMaker: 'Tarnholt',
      machineName: 'Counter 4',
      serial: 'S-1',
      customer: { name: 'Hedda Vane' },
    });
    expect(slots.map(({ name, channel, module }) => [name, channel, module?.capacityMiB ?? null])).toEqual([
      ['A1', 'A', null],
      ['B1', 'B', null],
      ['A2', 'A', 8192],
      ['B2', 'B', null],
    ]);
    expect(reading?.sourceName).toBe('pasted report');
    expect(limits.cpuMaxRateMTs).toMatchObject({ value: 2400, source: { kind: 'cpu-page' } });
    expect(gaps).toEqual([]);
    expect(standings).toMatchObject({ intake: 'done', limits: 'decide', options: 'decide' });
  });

  it('keeps nothing of a text that is no report', async () => {
    const { id } = must(await newJob(shop.teo));
    expect(await takeReading(shop.teo, id, { text: 'hello', sourceName: 'x' })).toMatchObject({
      ok: false,
      code: 'bad-input',
    });
    expect((await stateOf(id)).slots).toEqual([]);
    const events = await many<{ kind: string }>(pool(), 'select kind from event where job_id = $1 order by id', [id]);
    expect(events.map((event) => event.kind)).toEqual(['job-opened']);
  });

  it('takes a picked model’s slots and keeps what was known of the same slots', async () => {
    const id = await readTill(shop.teo);
    const models = await modelLibrary();
    expect(models.length).toBe(12);
    const counter4 = models.find((model) => model.name === 'Counter 4');
    must(await pickModel(shop.teo, id, counter4?.id ?? 0));
    expect((await stateOf(id)).slots.find((slot) => slot.name === 'A2')?.module?.capacityMiB).toBe(8192);
    const sling = models.find((model) => model.name === 'Sling 14');
    must(await pickModel(shop.teo, id, sling?.id ?? 0));
    const { slots, job } = await stateOf(id);
    expect(slots.map(({ name, soldered }) => [name, soldered])).toEqual([
      ['ON', true],
      ['B1', false],
    ]);
    expect(job.machineName).toBe('Sling 14');
    expect(await pickModel(shop.teo, id, 9999)).toMatchObject({ code: 'not-found' });
  });

  it('writes only the fields that are named, and refuses what cannot be', async () => {
    const id = await readTill(shop.teo);
    must(await saveIntake(shop.teo, id, { budgetCents: 9000, phone: '0555 0199' }));
    expect((await stateOf(id)).job).toMatchObject({
      needMiB: 16384,
      budgetCents: 9000,
      customer: { name: 'Hedda Vane', phone: '0555 0199' },
    });
    must(await saveIntake(shop.teo, id, { needMiB: null }));
    expect((await stateOf(id)).job.needMiB).toBeNull();
    for (const bad of [
      { needMiB: 0 },
      { budgetCents: -1 },
      { email: 'no at' },
      { customerName: 'x'.repeat(200) },
      { colour: 'red' },
    ]) {
      expect(intakeSchema.safeParse(bad).success).toBe(false);
    }
    expect(await saveIntake(shop.teo, 99_999, { phone: '1' })).toMatchObject({ code: 'not-found' });
  });

  it('does not let two people overwrite each other’s slots unseen', async () => {
    const id = await readTill(shop.teo);
    const { slots, job } = await stateOf(id);
    const mine = slots.map((slot) => ({ ...slot, creditCents: 100 }));
    must(await saveSlots(shop.teo, id, { version: job.slotsVersion, slots: mine }));
    expect(await saveSlots(shop.teo, id, { version: job.slotsVersion, slots })).toMatchObject({ code: 'conflict' });
    expect((await stateOf(id)).slots[0]?.creditCents).toBe(100);
  });
});

describe('limits', () => {
  it('are decided with a name to it, outrank the papers, and can be taken back', async () => {
    const id = await readTill(shop.teo);
    must(await decideLimit(shop.teo, id, { limit: 'totalMiB', value: 32768 }));
    expect((await stateOf(id)).limits.totalMiB).toMatchObject({
      value: 32768,
      source: { kind: 'technician', name: 'Teo Marsh' },
      contested: true,
    });
    expect(Math.max(...(await plansOf(id)).map((plan) => plan.totalMiB))).toBeLessThanOrEqual(32768);
    must(await decideLimit(shop.teo, id, { limit: 'totalMiB', value: null }));
    expect((await stateOf(id)).limits.totalMiB?.source.kind).not.toBe('technician');
  });

  test.each([
    ['totalMiB', 0],
    ['totalMiB', -4],
    ['generations', []],
    ['form', ''],
    ['ratesMTs', ['fast']],
    ['pairing', 'perhaps'],
  ] as const)('%s refuses %j', async (limit, value) => {
    expect(await decideLimit(shop.teo, 1, { limit, value })).toMatchObject({ ok: false, code: 'bad-input' });
  });

  it('are not agreed while something is asked', async () => {
    const allotment = (await counterJobs()).find((job) => job.customer.includes('Allotment'));
    expect(allotment).toMatchObject({ next: 'limits', waitsFor: 'an answer on a module' });
    expect(await agreeLimits(shop.teo, allotment?.id ?? 0, true)).toMatchObject({ code: 'conflict' });
    const id = await readTill(shop.teo);
    must(await agreeLimits(shop.teo, id, true));
    expect((await stateOf(id)).standings.limits).toBe('done');
    must(await takeReading(shop.teo, id, { text: TILL_REPORT, sourceName: 'again' }));
    expect((await stateOf(id)).standings.limits).toBe('decide');
  });
});

describe('the counter', () => {
  it('knows what each demo job waits for, and where it was left', async () => {
    const jobs = await counterJobs();
    const of = (customer: string) => jobs.find((job) => job.customer.includes(customer));
    expect(of('Tilde')).toMatchObject({ next: 'intake', waitsFor: 'what the machine says', totalMiB: 0 });
    expect(of('Bakery')).toMatchObject({ next: 'options', machine: 'Tarnholt Counter 4', totalMiB: 8192 });
    expect(of('Choir')).toMatchObject({ next: 'quote', waitsFor: 'sending 3 options' });
    expect(of('Ferry')?.waitsFor).toMatch(/^the customer’s word on 20\d\d-\d{4}$/);
    expect(of('Library')).toMatchObject({ next: 'proof', standings: { proof: 'done' } });
    const id = of('Bakery')?.id ?? 0;
    await rememberStation(id, 'limits');
    expect(await whereLeft(id)).toBe('limits');
    expect(await whereLeft(0)).toBeNull();
  });

  it('has every change with who and when', async () => {
    const nameless = await many(pool(), 'select kind from event where job_id is not null and staff_id is null');
    expect(nameless).toEqual([]);
    const kinds = await many<{ kind: string }>(pool(), 'select distinct kind from event');
    for (const kind of ['job-opened', 'report-read', 'option-chosen', 'quote-sent', 'limit-decided'])
      expect(kinds.map((row) => row.kind)).toContain(kind);
  });
});
