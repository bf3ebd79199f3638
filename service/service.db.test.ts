import { spawn } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { answer, type Plan } from '../core/planning/plan';
import { feedCatalogue } from '../demo/feed-catalogue';
import { DEMO_PASSWORD } from '../demo/load-shop';
import { DEMO_SELLERS } from '../demo/market';
import { reportText } from '../demo/report';
import { freePort } from '../scripts/cluster';
import { loadDemo } from '../scripts/load-demo';
import { type TestDatabase, testDatabase } from '../scripts/test-database';
import { closePool, many, one, pool } from '../store/database';
import { setFeedUrl } from '../store/offers';
import { type Caller, checkCaller, mayDo } from './access';
import { counterJobs, rememberStation, whereLeft } from './counter';
import { draftOptions } from './draft-options';
import { intakeSchema, modelLibrary, newJob, pickModel, saveIntake, saveSlots, takeReading } from './intake';
import { type JobState, showJob } from './job-state';
import { agreeLimits, decideLimit } from './limits';
import { newShopSchema, openShop } from './open-shop';
import { changePrice, offerRows, refreshPrices } from './prices';
import { proofFindings, takeProof } from './proof';
import { choosePlan, dropPlan, openQuote, sendQuote, suggestPlan } from './quote';
import { quotePaper } from './quote-paper';
import type { Result } from './result';
import { signIn, signInPage, signOut } from './sign-in';
import { addStaff, newStaffSchema, removeStaff, staffList } from './staff-accounts';

let database: TestDatabase;
let teo: Caller;

async function as(name: string): Promise<Caller> {
  const opened = must(await signIn(name, DEMO_PASSWORD));
  const entered = await checkCaller(opened.token, 'jobs.read');
  if (!entered.ok) throw new Error(entered.sentence);
  return entered.caller;
}

function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.sentence);
  return result.value;
}

async function state(jobId: number): Promise<JobState> {
  const found = await showJob(jobId);
  if (found === null) throw new Error('no such job');
  return found;
}

beforeAll(async () => {
  database = await testDatabase();
  process.env.DATABASE_URL = database.url;
  await loadDemo();
  teo = await as('teo');
}, 60_000);

afterAll(async () => {
  await closePool();
  await database.drop();
});

const REPORT = reportText({
  maker: 'Tarnholt',
  product: 'tc4-1900',
  serial: 'S-1',
  cpu: 'Merle 4300',
  maxGb: 64,
  devices: [
    { locator: 'A1', mb: null },
    { locator: 'B1', mb: null },
    { locator: 'A2', mb: 8192, rate: 2400, ranks: 1 },
    { locator: 'B2', mb: null },
  ],
});

/** A job that has been read, with a name and its limits agreed. */
async function readJob(): Promise<number> {
  const { id } = must(await newJob(teo));
  must(await saveIntake(teo, id, { customerName: 'Hedda Vane', needMiB: 16384 }));
  must(await takeReading(teo, id, { text: REPORT, sourceName: 'pasted report' }));
  return id;
}

async function plansOf(jobId: number): Promise<Plan[]> {
  const { jobCase } = await state(jobId);
  if (!jobCase.ok) throw new Error('gaps');
  return answer(jobCase.planCase).plans;
}

/** Puts the first plan that fits on the slip and says what it comes to. */
async function choose(jobId: number, place: number, fits: (plan: Plan) => boolean): Promise<Plan> {
  const plan = (await plansOf(jobId)).find(fits);
  if (plan === undefined) throw new Error('no such plan');
  must(await choosePlan(teo, jobId, { place, kept: plan.kept, bought: plan.bought }));
  return plan;
}

async function seen(jobId: number) {
  return draftOptions(await state(jobId)).flatMap((one) =>
    one.ok ? [{ place: one.place, totalCents: one.option.totalCents }] : [],
  );
}

const thirdParty16 = (plan: Plan) => plan.lane === 'third-party' && plan.totalMiB === 16384;
const original16 = (plan: Plan) => plan.lane === 'original' && plan.totalMiB === 16384;

describe('who calls', () => {
  it('is known by a session, and only while it lasts', async () => {
    const { token } = must(await signIn(' Teo ', DEMO_PASSWORD));
    expect(await checkCaller(token, 'jobs.read')).toMatchObject({
      ok: true,
      caller: { signIn: 'teo', role: 'technician' },
    });
    const rows = await many<{ hash: string }>(pool(), "select encode(token_hash, 'escape') as hash from session");
    expect(rows.some((row) => row.hash.includes(token))).toBe(false);
    await pool().query(
      "update session set created_at = now() - interval '2 days', expires_at = now() - interval '1 second'",
    );
    expect(await checkCaller(token, 'jobs.read')).toMatchObject({ ok: false, code: 'signed-out' });
    teo = await as('teo');
  });

  it('is nobody without a token, with a made-up one, or after signing out', async () => {
    expect(await checkCaller(undefined, 'jobs.read')).toMatchObject({ code: 'signed-out' });
    expect(await checkCaller('made-up', 'jobs.read')).toMatchObject({ code: 'signed-out' });
    const { token } = must(await signIn('edda', DEMO_PASSWORD));
    await signOut(token);
    expect(await checkCaller(token, 'jobs.read')).toMatchObject({ code: 'signed-out' });
  });

  it('may what the role may, and an unknown role nothing', async () => {
    const { token } = must(await signIn('edda', DEMO_PASSWORD));
    expect(await checkCaller(token, 'limits.decide')).toMatchObject({ ok: false, code: 'forbidden' });
    expect(mayDo('owner', 'staff.manage')).toBe(true);
    expect(mayDo('technician', 'staff.manage')).toBe(false);
    for (const right of ['jobs.read', 'offers.price'] as const) expect(mayDo('wizard', right)).toBe(false);
  });

  it('is told the same for an unknown name as for a wrong password, and is slowed down', async () => {
    const wrong = await signIn('runa', 'not it');
    expect(await signIn('nobody', 'not it')).toEqual(wrong);
    for (let tries = 0; tries < 7; tries++) await signIn('runa', 'not it');
    expect(await signIn('runa', DEMO_PASSWORD)).toMatchObject({ ok: false, code: 'busy' });
    await pool().query("update sign_in_failure set at = at - interval '11 minutes'");
    expect(await signIn('runa', DEMO_PASSWORD)).toMatchObject({ ok: true });
    expect(await many(pool(), "select 1 from sign_in_failure where sign_in = 'runa'")).toEqual([]);
  });

  it('finds the demo accounts on the door only while the demo is what is loaded', async () => {
    expect((await signInPage()).demoAccounts.map((account) => account.signIn)).toEqual(['runa', 'teo', 'edda']);
    await pool().query('update shop set demo = false');
    expect((await signInPage()).demoAccounts).toEqual([]);
    await pool().query('update shop set demo = true');
  });
});

describe('accounts', () => {
  it('are opened by the owner, once a name, and closed at once', async () => {
    const runa = await as('runa');
    const account = newStaffSchema.parse({
      name: 'Wren Hollis',
      signIn: 'Wren',
      role: 'counter',
      password: 'long enough',
    });
    const { id } = must(await addStaff(runa, account));
    expect(await addStaff(runa, account)).toMatchObject({ ok: false, code: 'conflict' });
    const { token } = must(await signIn('wren', 'long enough'));
    expect((await signInPage()).demoAccounts.some((one) => one.signIn === 'wren')).toBe(false);
    must(await removeStaff(runa, id));
    expect(await checkCaller(token, 'jobs.read')).toMatchObject({ code: 'signed-out' });
    expect(await signIn('wren', 'long enough')).toMatchObject({ ok: false });
    expect(await removeStaff(runa, id)).toMatchObject({ code: 'not-found' });
  });

  it('keep at least one owner, and nobody closes their own', async () => {
    const runa = await as('runa');
    expect(await removeStaff(runa, runa.id)).toMatchObject({ code: 'conflict' });
    expect(await removeStaff(teo, runa.id)).toMatchObject({
      code: 'conflict',
      sentence: 'A shop needs at least one owner.',
    });
    expect((await staffList()).some((member) => member.id === runa.id)).toBe(true);
  });

  test.each([
    [{ role: 'wizard' }, 'A role is one of owner, technician, counter.'],
    [{ signIn: 'a b' }, 'A sign-in name has'],
    [{ password: 'short' }, 'A password has at least 10 characters.'],
    [{ name: ' ' }, 'Type the person’s name.'],
  ])('refuse %j in a sentence', (change, sentence) => {
    const account = { name: 'Wren', signIn: 'wren', role: 'owner', password: 'long enough', ...change };
    expect(newStaffSchema.safeParse(account).error?.issues[0]?.message).toContain(sentence);
  });
});

describe('intake', () => {
  it('fills the job from a report and knows the model by its product string', async () => {
    const id = await readJob();
    const { job, slots, reading, limits, standings, gaps } = await state(id);
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
    const { id } = must(await newJob(teo));
    expect(await takeReading(teo, id, { text: 'hello', sourceName: 'x' })).toMatchObject({
      ok: false,
      code: 'bad-input',
    });
    expect((await state(id)).slots).toEqual([]);
    const events = await many<{ kind: string }>(pool(), 'select kind from event where job_id = $1 order by id', [id]);
    expect(events.map((event) => event.kind)).toEqual(['job-opened']);
  });

  it('takes a picked model’s slots and keeps what was known of the same slots', async () => {
    const id = await readJob();
    const models = await modelLibrary();
    expect(models.length).toBe(12);
    const counter4 = models.find((model) => model.name === 'Counter 4');
    must(await pickModel(teo, id, counter4?.id ?? 0));
    expect((await state(id)).slots.find((slot) => slot.name === 'A2')?.module?.capacityMiB).toBe(8192);
    const sling = models.find((model) => model.name === 'Sling 14');
    must(await pickModel(teo, id, sling?.id ?? 0));
    const { slots, job } = await state(id);
    expect(slots.map(({ name, soldered }) => [name, soldered])).toEqual([
      ['ON', true],
      ['B1', false],
    ]);
    expect(job.machineName).toBe('Sling 14');
    expect(await pickModel(teo, id, 9999)).toMatchObject({ code: 'not-found' });
  });

  it('writes only the fields that are named, and refuses what cannot be', async () => {
    const id = await readJob();
    must(await saveIntake(teo, id, { budgetCents: 9000, phone: '0555 0199' }));
    expect((await state(id)).job).toMatchObject({
      needMiB: 16384,
      budgetCents: 9000,
      customer: { name: 'Hedda Vane', phone: '0555 0199' },
    });
    must(await saveIntake(teo, id, { needMiB: null }));
    expect((await state(id)).job.needMiB).toBeNull();
    for (const bad of [
      { needMiB: 0 },
      { budgetCents: -1 },
      { email: 'no at' },
      { customerName: 'x'.repeat(200) },
      { colour: 'red' },
    ]) {
      expect(intakeSchema.safeParse(bad).success).toBe(false);
    }
    expect(await saveIntake(teo, 99_999, { phone: '1' })).toMatchObject({ code: 'not-found' });
  });

  it('does not let two people overwrite each other’s slots unseen', async () => {
    const id = await readJob();
    const { slots, job } = await state(id);
    const mine = slots.map((slot) => ({ ...slot, creditCents: 100 }));
    must(await saveSlots(teo, id, { version: job.slotsVersion, slots: mine }));
    expect(await saveSlots(teo, id, { version: job.slotsVersion, slots })).toMatchObject({ code: 'conflict' });
    expect((await state(id)).slots[0]?.creditCents).toBe(100);
  });
});

describe('limits', () => {
  it('are decided with a name to it, outrank the papers, and can be taken back', async () => {
    const id = await readJob();
    must(await decideLimit(teo, id, { limit: 'totalMiB', value: 32768 }));
    expect((await state(id)).limits.totalMiB).toMatchObject({
      value: 32768,
      source: { kind: 'technician', name: 'Teo Marsh' },
      contested: true,
    });
    expect(Math.max(...(await plansOf(id)).map((plan) => plan.totalMiB))).toBeLessThanOrEqual(32768);
    must(await decideLimit(teo, id, { limit: 'totalMiB', value: null }));
    expect((await state(id)).limits.totalMiB?.source.kind).not.toBe('technician');
  });

  test.each([
    ['totalMiB', 0],
    ['totalMiB', -4],
    ['generations', []],
    ['form', ''],
    ['ratesMTs', ['fast']],
    ['pairing', 'perhaps'],
  ] as const)('%s refuses %j', async (limit, value) => {
    expect(await decideLimit(teo, 1, { limit, value })).toMatchObject({ ok: false, code: 'bad-input' });
  });

  it('are not agreed while something is asked', async () => {
    const allotment = (await counterJobs()).find((job) => job.customer.includes('Allotment'));
    expect(allotment).toMatchObject({ next: 'limits', waitsFor: 'an answer on a module' });
    expect(await agreeLimits(teo, allotment?.id ?? 0, true)).toMatchObject({ code: 'conflict' });
    const id = await readJob();
    must(await agreeLimits(teo, id, true));
    expect((await state(id)).standings.limits).toBe('done');
    must(await takeReading(teo, id, { text: REPORT, sourceName: 'again' }));
    expect((await state(id)).standings.limits).toBe('decide');
  });
});

describe('the slip', () => {
  it('makes an option’s figures itself, whatever the caller says', async () => {
    const id = await readJob();
    const plan = await choose(id, 1, thirdParty16);
    const [only] = draftOptions(await state(id));
    expect(only?.ok === true && only.option.totalCents).toBe(plan.priceCents);
    expect(only?.ok === true && only.option.savingCents).toBe(plan.savingCents);
  });

  it('refuses a plan that is none here', async () => {
    const id = await readJob();
    const unknown = await choosePlan(teo, id, { place: 1, kept: ['Z9'], bought: [] });
    expect(unknown).toMatchObject({ ok: false, code: 'conflict' });
    const tooMany = await choosePlan(teo, id, {
      place: 1,
      kept: [],
      bought: [{ offer: (await plansOf(id))[0]?.bought[0]?.offer ?? '', count: 60 }],
    });
    expect(tooMany).toMatchObject({ ok: false, code: 'conflict' });
    expect((await state(id)).draft).toBeNull();
  });

  it('drops an option, and its being suggested with it', async () => {
    const id = await readJob();
    await choose(id, 1, thirdParty16);
    must(await suggestPlan(teo, id, 1));
    expect(await suggestPlan(teo, id, 2)).toMatchObject({ code: 'conflict' });
    must(await dropPlan(teo, id, 1));
    expect((await state(id)).draft).toMatchObject({ suggested: null, choices: [] });
  });
});

describe('sending', () => {
  it('freezes the figures under the next number, behind a link, without the shop’s side', async () => {
    const id = await readJob();
    await choose(id, 1, thirdParty16);
    await choose(id, 2, original16);
    must(await suggestPlan(teo, id, 1));
    const sent = must(await sendQuote(teo, id, { seen: await seen(id) }));
    expect(sent.number).toMatch(/^20\d\d-\d{4}$/);
    const opened = await openQuote(sent.token);
    expect(opened).toMatchObject({
      replaced: false,
      lapsed: false,
      quote: { number: sent.number, suggested: 1, customer: { name: 'Hedda Vane' } },
    });
    expect(JSON.stringify(opened)).not.toMatch(/costCents|marginCents/);
    const paper = await quotePaper(sent.token);
    expect(paper?.fileName).toBe(`quote-${sent.number}.pdf`);
    const { draft, standings } = await state(id);
    expect(draft).toBeNull();
    expect(standings.quote).toBe('done');
  });

  it('needs a name, an option, a total above 0, and totals that somebody has seen', async () => {
    const id = await readJob();
    expect(await sendQuote(teo, id, { seen: [{ place: 1, totalCents: 1 }] })).toMatchObject({
      sentence: 'Put an option on the slip first.',
    });
    await choose(id, 1, (plan) => plan.reuse === 'replace' && plan.lane === 'third-party');
    must(await saveIntake(teo, id, { customerName: '' }));
    expect(await sendQuote(teo, id, { seen: await seen(id) })).toMatchObject({
      sentence: expect.stringContaining('customer’s name'),
    });
    must(await saveIntake(teo, id, { customerName: 'Hedda Vane' }));
    const totals = await seen(id);
    expect(
      await sendQuote(teo, id, { seen: totals.map((one) => ({ ...one, totalCents: one.totalCents - 1 })) }),
    ).toMatchObject({ code: 'conflict' });
    const { slots, job } = await state(id);
    const generous = slots.map((slot) => (slot.name === 'A2' ? { ...slot, creditCents: 900_000 } : slot));
    must(await saveSlots(teo, id, { version: job.slotsVersion, slots: generous }));
    expect(await sendQuote(teo, id, { seen: await seen(id) })).toMatchObject({
      sentence: expect.stringContaining('comes to nothing or less'),
    });
    const numbers = await many(pool(), 'select number from quote where job_id = $1 and number is not null', [id]);
    expect(numbers).toEqual([]);
  });

  it('once more makes a new version and leaves the old one readable as it was', async () => {
    const id = await readJob();
    const plan = await choose(id, 1, thirdParty16);
    const first = must(await sendQuote(teo, id, { seen: await seen(id) }));
    const before = (await openQuote(first.token))?.quote;
    const offerId = Number(plan.bought[0]?.offer.replace('offer-', ''));
    const { costCents } = await one<{ costCents: number }>(
      pool(),
      'select cost_cents as "costCents" from offer_price where offer_id = $1 order by at desc, id desc limit 1',
      [offerId],
    );
    must(await changePrice(teo, offerId, { costCents: costCents + 5000 }));
    must(await choosePlan(teo, id, { place: 1, kept: plan.kept, bought: plan.bought }));
    const second = must(await sendQuote(teo, id, { seen: await seen(id) }));
    expect(await openQuote(first.token)).toEqual({ quote: before, replaced: true, lapsed: false });
    const after = (await openQuote(second.token))?.quote;
    expect(after?.options[0]?.totalCents).toBeGreaterThan(before?.options[0]?.totalCents ?? 0);
    expect((await state(id)).sent.map((quote) => [quote.version, quote.state])).toEqual([
      [2, 'sent'],
      [1, 'replaced'],
    ]);
    must(await changePrice(teo, offerId, { costCents }));
  });

  it('numbers ten quotes sent at once without a gap', async () => {
    const ids: number[] = [];
    for (let count = 0; count < 10; count++) {
      const id = await readJob();
      await choose(id, 1, thirdParty16);
      ids.push(id);
    }
    const totals = await Promise.all(ids.map(seen));
    const last = await one<{ last: number }>(pool(), 'select last from quote_number');
    const sent = await Promise.all(ids.map((id, index) => sendQuote(teo, id, { seen: totals[index] ?? [] })));
    const numbers = sent.map((result) => Number(must(result).number.slice(5))).sort((a, b) => a - b);
    expect(numbers).toEqual(Array.from({ length: 10 }, (_, index) => last.last + 1 + index));
  }, 60_000);

  it('says when its day is over, in the shop’s place, and stays readable', async () => {
    const id = await readJob();
    await choose(id, 1, thirdParty16);
    const { token } = must(await sendQuote(teo, id, { seen: await seen(id) }));
    const before = await openQuote(token);
    expect(before?.lapsed).toBe(false);
    // The days cannot be waited for: the same quote, a month old, in a database whose trigger sleeps for a moment.
    await pool().query('alter table quote disable trigger quote_is_kept');
    await pool().query('update quote set valid_until = current_date - 2 where token = $1', [token]);
    await pool().query('alter table quote enable trigger quote_is_kept');
    expect(await openQuote(token)).toEqual({ ...before, lapsed: true });
  });

  it('opens nothing for any other token', async () => {
    for (const token of ['', 'x', 'A'.repeat(43), `${'A'.repeat(42)}%`, "' or 1=1"])
      expect(await openQuote(token)).toBeNull();
  });
});

describe('prices', () => {
  it('are refused in a sentence for an offer that is gone', async () => {
    expect(await changePrice(teo, 999_999, { costCents: 100 })).toMatchObject({ code: 'not-found' });
  });

  it('are listed with their history, dearer for the customer than for us', async () => {
    const { offers, currency } = await offerRows();
    expect(currency).toBe('EUR');
    expect(offers.length).toBeGreaterThan(150);
    for (const offer of offers) {
      expect(offer.sellCents).toBeGreaterThan(offer.costCents);
      expect(offer.history.at(-1)?.costCents).toBe(offer.costCents);
    }
  });

  it('come from the sellers’ feeds, and a feed that is away changes nothing', async () => {
    const port = await freePort();
    const catalogue = join(mkdtempSync(join(tmpdir(), 'fenbrik-feed-')), 'catalogue.json');
    writeFileSync(catalogue, JSON.stringify(feedCatalogue('EUR')));
    const [quayside, fennimore] = DEMO_SELLERS;
    await setFeedUrl(pool(), quayside.name, `http://127.0.0.1:${port}/${quayside.slug}`);
    await setFeedUrl(pool(), fennimore.name, 'http://127.0.0.1:9/');
    const standin = spawn(process.execPath, ['--import', 'tsx', join(__dirname, '..', 'standin', 'seller-feeds.ts')], {
      cwd: join(__dirname, '..'),
      stdio: 'ignore',
      env: { ...process.env, FENBRIK_FEEDS_PORT: String(port), FENBRIK_FEEDS_CATALOGUE: catalogue },
    });
    try {
      for (let tries = 0; tries < 100; tries++) {
        if (await fetch(`http://127.0.0.1:${port}/${quayside.slug}`).catch(() => null)) break;
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
      const before = await one<{ count: number }>(pool(), 'select count(*) from offer_price');
      const outcomes = must(await refreshPrices(teo));
      expect(outcomes[0]?.sentence).toMatch(/^Quayside Components: \d+ of \d+ prices moved\.$/);
      expect(outcomes[1]).toMatchObject({ changed: 0, sentence: expect.stringContaining('prices stay as they were') });
      const after = await one<{ count: number }>(pool(), 'select count(*) from offer_price');
      expect(after.count - before.count).toBe(outcomes[0]?.changed);
      expect(outcomes[0]?.changed).toBeGreaterThan(0);
      // The same prices again are no new prices.
      expect(must(await refreshPrices(teo))[0]?.changed).toBe(0);
    } finally {
      standin.kill();
    }
  }, 60_000);
});

describe('the proof', () => {
  it('holds the new report against the sent option', async () => {
    const id = await readJob();
    expect(await takeProof(teo, id, { text: REPORT, sourceName: 'x', place: 1 })).toMatchObject({ code: 'conflict' });
    await choose(id, 1, thirdParty16);
    must(await sendQuote(teo, id, { seen: await seen(id) }));
    const findings = must(await takeProof(teo, id, { text: REPORT, sourceName: 'nothing was fitted', place: 1 }));
    expect(findings[0]).toMatchObject({ what: 'Total', promised: '16 GB', found: '8 GB', verdict: 'broken' });
    expect(proofFindings(await state(id))).toEqual({ place: 1, findings });
    expect(await takeProof(teo, id, { text: 'rubbish', sourceName: 'x', place: 1 })).toMatchObject({
      code: 'bad-input',
    });
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

describe('a shop of one’s own', () => {
  const shop = newShopSchema.parse({
    name: 'Harbour Bench',
    town: 'Skerrow',
    contact: '',
    currency: 'EUR',
    timeZone: 'Europe/Oslo',
    taxBp: 2500,
    labourCents: 3900,
    owner: { name: 'Wren Hollis', signIn: 'wren', password: 'long enough' },
  });

  it('opens in an empty database, with an owner and without the demo’s accounts', async () => {
    const empty = await testDatabase();
    await closePool();
    process.env.DATABASE_URL = empty.url;
    must(await openShop(shop));
    expect(await openShop(shop)).toMatchObject({ ok: false, code: 'conflict' });
    expect(await signInPage()).toEqual({ shopName: 'Harbour Bench', demoAccounts: [] });
    const { token } = must(await signIn('wren', 'long enough'));
    expect(await checkCaller(token, 'staff.manage')).toMatchObject({ ok: true });
    await closePool();
    await empty.drop();
    process.env.DATABASE_URL = database.url;
  });

  test.each([{ currency: 'euro' }, { timeZone: 'Skerrow/Quay' }, { name: ' ' }, { taxBp: -1 }])(
    'refuses %j',
    (change) => {
      expect(newShopSchema.safeParse({ ...shop, ...change }).success).toBe(false);
    },
  );
});

test('the demo shop loads once', async () => {
  expect(await loadDemo()).toBe(false);
});
