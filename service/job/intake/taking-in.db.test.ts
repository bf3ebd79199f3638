import { sampleDdr4 } from '../../../demo/spd-image';
import { textInput } from '../../../scripts/text-input';
import { many, pool } from '../../../store/database';
import { READER } from '../../../testing/reader';
import { must, openTestShop, plansOf, readTill, stateOf, TILL_REPORT } from '../../../testing/shop';
import { modelLibrary } from '../../library/library';
import { counterJobs, rememberStation, whereLeft } from '../counter';
import { agreeLimits, decideLimits } from '../limits/limits';
import { intakeSchema, newJob, pickModel, putReadingAside, saveIntake, saveSlots, takeReadings } from './intake';

const shop = openTestShop();
describe('intake', () => {
  it('fills the job from a report and knows the model by its product string', async () => {
    const id = await readTill(shop.teo);
    const { job, slots, readings, limits, standings, gaps } = await stateOf(id);
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
    expect(readings.map(({ sourceName }) => sourceName)).toEqual(['pasted report']);
    expect(limits.cpuMaxRateMTs).toMatchObject({ value: 2400, source: { kind: 'cpu-page' } });
    expect(gaps).toEqual([]);
    expect(standings).toMatchObject({ intake: 'done', limits: 'decide', options: 'decide' });
  });

  it('keeps nothing of a text that is no report', async () => {
    const { id } = must(await newJob(shop.teo));
    expect(await takeReadings(shop.teo, id, [textInput('x', 'hello')])).toMatchObject({
      ok: false,
      code: 'bad-input',
    });
    expect((await stateOf(id)).slots).toEqual([]);
    const events = await many<{ kind: string }>(pool(), 'select kind from event where job_id = $1 order by id', [id]);
    expect(events.map((event) => event.kind)).toEqual(['job-opened']);
  });

  it('takes a picked model’s slots and keeps what was known of the same slots', async () => {
    const id = await readTill(shop.teo);
    const { models } = await modelLibrary(READER);
    expect(models.length).toBe(16);
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

/** The till's module as its own SPD tells it. */
const TILL_SPD = sampleDdr4({ heightMm: 30 });

describe('several readings', () => {
  const a2 = async (id: number) => (await stateOf(id)).slots.find(({ name }) => name === 'A2');

  it('are joined as they come, in bytes or text, and each is said in one line', async () => {
    const { id } = must(await newJob(shop.teo));
    const taken = must(
      await takeReadings(shop.teo, id, [
        { name: 'a2.bin', input: TILL_SPD },
        textInput('report', TILL_REPORT),
        textInput('letter', 'Dear shop, it is slow.'),
      ]),
    );
    expect(taken.model).toBe('Tarnholt Counter 4');
    expect(taken.inputs).toMatchObject([
      { ok: true, line: 'SPD: 8 GB DDR4-2666 CL19 SO-DIMM, 1Rx8, VE4S8-2666' },
      { ok: true, line: 'SMBIOS text of Tarnholt tc4-1900: 4 slots, 1 filled with 8 GB' },
      { ok: false, sentence: expect.stringContaining('Fenbrik cannot read this') },
    ]);
    expect((await a2(id))?.module).toMatchObject({ capacityMiB: 8192, rateMTs: 2666, casLatency: 19, heightMm: 30 });
    const { joined, readings } = await stateOf(id);
    expect(joined.apart).toEqual([]);
    expect(readings).toHaveLength(2);
    const kept = await many<{ input: Buffer }>(pool(), "select input from reading where source_name = 'a2.bin'");
    expect(Uint8Array.from(kept[0]?.input ?? [])).toEqual(TILL_SPD);
  });

  it('can be set aside and taken in again', async () => {
    const id = await readTill(shop.teo);
    must(await takeReadings(shop.teo, id, [{ name: 'a2.bin', input: TILL_SPD }]));
    const [spd] = (await stateOf(id)).readings;
    expect((await a2(id))?.module?.casLatency).toBe(19);
    must(await putReadingAside(shop.teo, id, { id: spd?.id ?? 0, aside: true }));
    expect((await a2(id))?.module).toMatchObject({ casLatency: null, rateMTs: 2400 });
    must(await putReadingAside(shop.teo, id, { id: spd?.id ?? 0, aside: false }));
    expect((await a2(id))?.module?.casLatency).toBe(19);
    expect(await putReadingAside(shop.teo, id, { id: 999_999, aside: true })).toMatchObject({ code: 'not-found' });
    const other = await readTill(shop.teo);
    expect(await putReadingAside(shop.teo, other, { id: spd?.id ?? 0, aside: true })).toMatchObject({
      code: 'not-found',
    });
  });

  it('leave what was typed, and start again for another machine', async () => {
    const id = await readTill(shop.teo);
    const { slots, job } = await stateOf(id);
    const typed = slots.map((slot) =>
      slot.name === 'A2' && slot.module !== null
        ? { ...slot, creditCents: 700, moduleSource: 'typed' as const, module: { ...slot.module, ranks: 2 } }
        : slot,
    );
    must(await saveSlots(shop.teo, id, { version: job.slotsVersion, slots: typed }));
    must(await takeReadings(shop.teo, id, [{ name: 'a2.bin', input: TILL_SPD }]));
    expect(await a2(id)).toMatchObject({ creditCents: 700, module: { ranks: 2, casLatency: 19, rateMTs: 2666 } });
    must(await takeReadings(shop.teo, id, [textInput('other', TILL_REPORT.replace('S-1', 'S-2'))]));
    expect(await a2(id)).toMatchObject({ creditCents: 0, module: { ranks: 1 } });
    expect((await stateOf(id)).job.serial).toBe('S-2');
    expect((await stateOf(id)).joined.apart.map(({ why }) => why)).toEqual(['another-machine']);
  });

  it('of megabytes do not hold up anybody else', async () => {
    const { id } = must(await newJob(shop.teo));
    const large = new TextEncoder().encode(
      `Capacity,DeviceLocator,Speed\n${'1073741824,"A ""x""",2400\n'.repeat(280_000)}`,
    );
    let beats = 0;
    const pulse = setInterval(() => beats++, 5);
    const from = Date.now();
    await takeReadings(shop.teo, id, [{ name: 'large.csv', input: large }]);
    clearInterval(pulse);
    // A held event loop would beat once or twice in all that time.
    expect(beats).toBeGreaterThan((Date.now() - from) / 5 / 10);
  });
});

describe('limits', () => {
  it('are decided with a name to it, outrank the papers, and can be taken back', async () => {
    const id = await readTill(shop.teo);
    must(await decideLimits(shop.teo, id, { decisions: [{ limit: 'totalMiB', value: 32768 }] }));
    expect((await stateOf(id)).limits.totalMiB).toMatchObject({
      value: 32768,
      source: { kind: 'technician', name: 'Teo Marsh' },
      contested: false,
    });
    expect(Math.max(...(await plansOf(id)).map((plan) => plan.totalMiB))).toBeLessThanOrEqual(32768);
    must(await decideLimits(shop.teo, id, { decisions: [{ limit: 'totalMiB', value: null, seen: 32768 }] }));
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
    expect(await decideLimits(shop.teo, 1, { decisions: [{ limit, value }] })).toMatchObject({
      ok: false,
      code: 'bad-input',
    });
  });

  it('are not agreed while something is asked', async () => {
    const allotment = (await counterJobs(READER)).jobs.find((job) => job.customer.includes('Allotment'));
    expect(allotment).toMatchObject({ next: 'limits', waitsFor: { on: 'module' } });
    expect(await agreeLimits(shop.teo, allotment?.id ?? 0, true)).toMatchObject({ code: 'conflict' });
    const id = await readTill(shop.teo);
    must(await agreeLimits(shop.teo, id, true));
    expect((await stateOf(id)).standings.limits).toBe('done');
    must(await takeReadings(shop.teo, id, [textInput('again', TILL_REPORT)]));
    expect((await stateOf(id)).standings.limits).toBe('decide');
  });
});

describe('the counter', () => {
  it('knows what each demo job waits for, and where it was left', async () => {
    const { jobs } = await counterJobs(READER);
    const of = (customer: string) => jobs.find((job) => job.customer.includes(customer));
    expect(of('Tilde')).toMatchObject({ next: 'intake', waitsFor: { on: 'report' }, totalMiB: 0 });
    expect(of('Bakery')).toMatchObject({ next: 'options', machine: 'Tarnholt Counter 4', totalMiB: 8192 });
    expect(of('Choir')).toMatchObject({ next: 'quote', waitsFor: { on: 'send', count: 3 } });
    expect(of('Ferry')?.waitsFor).toEqual({ on: 'answer', quote: expect.stringMatching(/^20\d\d-\d{4}$/) });
    expect(of('Library')).toMatchObject({ next: 'proof', standings: { proof: 'done' } });
    const id = of('Bakery')?.id ?? 0;
    await rememberStation(READER, id, 'limits');
    expect(await whereLeft(READER, id)).toBe('limits');
    expect(await whereLeft(READER, 0)).toBeNull();
  });

  it('lists by the day on which jobs are needed, those without one after them', async () => {
    const [late, soon] = [await readTill(shop.teo), await readTill(shop.teo)];
    must(await saveIntake(shop.teo, soon, { neededBy: '2031-01-05' }));
    must(await saveIntake(shop.teo, late, { neededBy: '2031-03-01' }));
    const touched = await counterJobs(READER);
    expect(touched.jobs.slice(0, 2).map(({ id }) => id)).toEqual([late, soon]);
    const needed = await counterJobs(READER, 1, 'needed');
    const days = needed.jobs.map(({ neededBy }) => neededBy);
    const named = days.filter((day) => day !== null);
    expect(named).toEqual([...named].sort());
    expect(days.slice(named.length).every((day) => day === null)).toBe(true);
    const at = (id: number) => needed.jobs.findIndex((job) => job.id === id);
    expect(at(soon)).toBeLessThan(at(late));
    expect(needed.jobs.map(({ id }) => id).sort()).toEqual(touched.jobs.map(({ id }) => id).sort());
  });

  it('has every change with who and when', async () => {
    const nameless = await many(pool(), 'select kind from event where job_id is not null and staff_id is null');
    expect(nameless).toEqual([]);
    const kinds = await many<{ kind: string }>(pool(), 'select distinct kind from event');
    for (const kind of ['job-opened', 'report-read', 'option-chosen', 'quote-sent', 'limit-decided'])
      expect(kinds.map((row) => row.kind)).toContain(kind);
  });
});
