import { cpSync, mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import type { MemoryModule } from '../core/memory/module';
import { loadDemoShop } from '../demo/load-shop';
import { openDatabase, testDatabase } from '../testing/database';
import { many, maybeOne, one, pool, run, transaction } from './database';
import { noteEvent } from './events';
import { counterJobsText, listCounterJobs } from './job/counter-jobs';
import { listSlots, replaceSlots } from './job/job-slots';
import { insertJob } from './job/jobs';
import { openDraft, takeNumber } from './job/quotes';
import { insertOffer, insertPrice, insertSeller, specOf } from './market/offers';
import { listOffersFor } from './market/offers-for-planning';
import { migrate } from './migrate';
import { parseFileName, pending } from './migration-order';
import { hashPassword, passwordMatches } from './staff/password';

const MIGRATIONS = join(__dirname, 'migrations');

const LOW = {
  generation: 'DDR5',
  form: 'LOT',
  buffering: 'unbuffered',
  ecc: false,
  capacityMiB: 8192,
  rateMTs: 4800,
  voltagesMv: [1100],
} satisfies MemoryModule;
const PLAIN = {
  sellerId: null,
  sellerPart: null,
  title: 'x',
  origin: 'used' as const,
  modules: 1,
  stock: null,
  note: '',
  modelIds: [],
};

const database = openDatabase();

describe('migrations', () => {
  it('run once; a second time there is nothing to do', async () => {
    expect(await migrate(database.url, MIGRATIONS)).toEqual([]);
  });

  it('run once even when several processes start together', async () => {
    const fresh = await testDatabase();
    const client = new pg.Client(fresh.url);
    await client.connect();
    await client.query('drop schema public cascade; create schema public');
    await client.end();
    const ran = await Promise.all([1, 2, 3].map(() => migrate(fresh.url, MIGRATIONS)));
    expect(ran.map((names) => names.length).sort()).toEqual([0, 0, expect.any(Number)]);
    expect(ran.flat()).toContain('quotes');
    await fresh.drop();
  });

  it('take a failing one back whole, with its cause, and leave what came before', async () => {
    const fresh = await testDatabase();
    const folder = mkdtempSync(join(tmpdir(), 'fenbrik-migrations-'));
    cpSync(MIGRATIONS, folder, { recursive: true });
    const next = readdirSync(MIGRATIONS).length + 1;
    const file = `${String(next).padStart(4, '0')}_broken.sql`;
    writeFileSync(join(folder, file), 'create table half (id integer); select nothing from nowhere;');
    const failure = await migrate(fresh.url, folder).catch((error: Error) => error);
    expect(String(failure)).toContain(`migration ${next} (broken) failed and was taken back`);
    expect(String((failure as Error).cause)).toContain('nowhere');
    const client = new pg.Client(fresh.url);
    await client.connect();
    const { rows } = await client.query("select to_regclass('half') as half, to_regclass('quote') as quote");
    expect(rows).toEqual([{ half: null, quote: 'quote' }]);
    await client.end();
    await fresh.drop();
  });

  it('refuse a file that was changed after it ran, a gap, and a newer database', () => {
    const files = ['0001_a.sql', '0002_b.sql'].map((file) => ({ ...parseFileName(file), sql: '', sha256: file }));
    const [first, second] = files;
    expect(pending(files, [{ number: 1, name: 'a', sha256: '0001_a.sql' }])).toEqual([second]);
    expect(() => pending(files, [{ number: 1, name: 'a', sha256: 'other' }])).toThrow(
      'migration 1 (a) was changed after it ran',
    );
    expect(() => pending(second ? [second] : [], [])).toThrow('migration 1 is missing');
    expect(() => pending(first ? [first] : [], files)).toThrow('that this version does not know');
    expect(() => parseFileName('1_a.sql')).toThrow('NNNN_name.sql');
  });
});

describe('the database', () => {
  it('keeps a transaction whole or not at all, and names the cause', async () => {
    const broken = transaction(async (db) => {
      await run(db, "insert into customer (name) values ('Nobody')");
      throw new Error('the cause');
    });
    await expect(broken).rejects.toThrow('the cause');
    expect(await many(pool(), "select id from customer where name = 'Nobody'")).toEqual([]);
  });

  it('says how many rows it expects', async () => {
    await expect(one(pool(), 'select 1 where false')).rejects.toThrow('one row expected, none came');
    await expect(maybeOne(pool(), 'values (1), (2)')).rejects.toThrow('one row expected at the most');
    expect(await maybeOne(pool(), 'select 1 as n where false')).toBeNull();
  });

  it('reads big counters as numbers, refuses what does not fit, and leaves dates alone', async () => {
    expect(await one(pool(), "select 67108864::bigint as mib, '2026-11-25'::date as day")).toEqual({
      mib: 67108864,
      day: '2026-11-25',
    });
    await expect(one(pool(), 'select 9007199254740993::bigint as n')).rejects.toThrow(RangeError);
  });
});

describe('passwords', () => {
  it('match their hash and no other', async () => {
    const hash = await hashPassword('petrel street');
    expect(hash).toMatch(/^scrypt\$32768\$8\$1\$/);
    expect(await hashPassword('petrel street')).not.toBe(hash);
    expect(await passwordMatches('petrel street', hash)).toBe(true);
    expect(await passwordMatches('petrel streeT', hash)).toBe(false);
    expect(await passwordMatches('petrel street', 'rubbish')).toBe(false);
  });
});

describe('what the schema refuses whatever the code does', () => {
  const refuses = (sql: string, values: unknown[] = []) => expect(pool().query(sql, values)).rejects.toThrow();
  let jobId: number;

  beforeAll(async () => {
    await loadDemoShop(new Date());
    jobId = await insertJob(pool());
  });

  it('a second shop, an unknown role, a name that is none', async () => {
    await refuses('insert into shop select * from shop');
    await refuses("insert into staff (sign_in, name, role, password_hash) values ('x1', 'X', 'wizard', '')");
    await refuses("insert into staff (sign_in, name, role, password_hash) values ('No Blanks', 'X', 'owner', '')");
  });

  it('a price of nothing or less, and any change of a price that was', async () => {
    const { id } = await one<{ id: number }>(pool(), 'select id from offer limit 1');
    await refuses('insert into offer_price (offer_id, cost_cents, came_from) values ($1, 0, $2)', [id, 'test']);
    await refuses('insert into offer_price (offer_id, cost_cents, came_from) values ($1, -5, $2)', [id, 'test']);
    await refuses('update offer_price set cost_cents = cost_cents + 1 where offer_id = $1', [id]);
  });

  it('a target or budget of 0, a station that is none, a negative credit', async () => {
    await refuses('update job set need_mib = 0 where id = $1', [jobId]);
    await refuses('update job set budget_cents = 0 where id = $1', [jobId]);
    await refuses("update job set station = 'lunch' where id = $1", [jobId]);
    await refuses("insert into job_slot values ($1, 1, 'A1', 'A', 1, null, false, 'may', -1, null, 'typed', 'typed')", [
      jobId,
    ]);
    await refuses("insert into job_slot values ($1, 1, 'A1', 'A', 1, null, true, 'may', 0, null, 'typed', 'typed')", [
      jobId,
    ]);
  });

  it('a kit of nine, a minimum of none in stock, and a module of nothing', async () => {
    const module = { ...LOW, form: 'REFUSED' };
    const specId = await specOf(pool(), module);
    const insert = `insert into offer (title, origin, modules, spec_id, family_id, unit_mib)
      select 'x', $1, $2::integer, id, family_id, capacity_mib from module_spec where id = $3`;
    await pool().query(insert, ['used', 1, specId]);
    await refuses(insert, ['used', 9, specId]);
    await refuses('update offer set least_stock = 0 where spec_id = $1', [specId]);
    await refuses('select spec_of($1)', [{ ...module, capacityMiB: 0 }]);
  });

  it('two drafts of one job, and a sent quote without its snapshot', async () => {
    const draft = await openDraft(pool(), jobId);
    expect((await openDraft(pool(), jobId)).id).toBe(draft.id);
    await refuses('insert into quote (job_id, version) values ($1, 9)', [jobId]);
    await refuses("update quote set state = 'sent' where id = $1", [draft.id]);
  });

  it('any change of a sent quote, but for its being replaced', async () => {
    const draft = await openDraft(pool(), jobId);
    const sent = `update quote set state = 'sent', number = '2026-9999', snapshot = '{"total": 1}', sent_at = now(),
      valid_until = current_date where id = $1`;
    await pool().query(sent, [draft.id]);
    await refuses(`update quote set terms = '{"note": ""}' where id = $1`, [draft.id]);
    await refuses(`update quote set snapshot = '{"total": 2}' where id = $1`, [draft.id]);
    await refuses("update quote set number = '2026-0001' where id = $1", [draft.id]);
    await refuses('update quote set valid_until = valid_until + 1 where id = $1', [draft.id]);
    await refuses("update quote set state = 'draft' where id = $1", [draft.id]);
    await refuses('delete from quote where id = $1', [draft.id]);
    await refuses('delete from job where id = $1', [jobId]);
    await pool().query("update quote set state = 'replaced' where id = $1", [draft.id]);
    await refuses("update quote set state = 'sent' where id = $1", [draft.id]);
  });
});

describe('quote numbers', () => {
  it('have no gaps with ten senders at once, some of whom fail', async () => {
    const attempts = Array.from({ length: 20 }, (_, index) =>
      transaction(async (db) => {
        const number = await takeNumber(db, 2031);
        if (index % 3 === 0) throw new Error('did not send');
        return number;
      }).catch(() => null),
    );
    const numbers = (await Promise.all(attempts)).filter((number) => number !== null).sort();
    expect(numbers).toEqual(
      Array.from({ length: numbers.length }, (_, index) => `2031-${String(index + 1).padStart(4, '0')}`),
    );
    expect(numbers.length).toBe(13);
  });

  it('begin again each year', async () => {
    expect(await takeNumber(pool(), 2032)).toBe('2032-0001');
  });
});

describe('slots', () => {
  it('come back as they were put, in order', async () => {
    const jobId = await insertJob(pool());
    const slot = {
      channel: 'A',
      bank: 1,
      maxMiB: 16384,
      soldered: false,
      keep: 'must' as const,
      creditCents: 250,
      module: null,
      lidName: null,
      blocked: false,
    };
    const slots = ['B1', 'A1', 'A2'].map((name) => ({
      ...slot,
      name,
      placeSource: 'typed' as const,
      moduleSource: 'typed' as const,
    }));
    await replaceSlots(pool(), jobId, slots);
    expect(await listSlots(pool(), jobId)).toEqual(slots);
    await replaceSlots(pool(), jobId, slots.slice(1));
    expect((await listSlots(pool(), jobId)).map((one) => one.name)).toEqual(['A1', 'A2']);
  });
});

const offersFor = (generation: string, form: string, modelId: number | null, sockets = 32) =>
  listOffersFor(pool(), { generations: [generation], form, kinds: null, mostMiB: null, modelId, sockets, jobId: null });

describe('offers for planning', () => {
  it('are those of generation and form, quickest first, with the price of now', async () => {
    const offers = await offersFor('DDR4', 'DIMM', null);
    expect(offers.length).toBeGreaterThan(10);
    for (const offer of offers) expect([offer.module.generation, offer.module.form]).toEqual(['DDR4', 'DIMM']);
    const times = offers.map(({ module }) => ((module.casLatency ?? Number.POSITIVE_INFINITY) * 2000) / module.rateMTs);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    const [first] = offers;
    await insertPrice(pool(), first?.id ?? 0, 77_777, 'test');
    const again = await offersFor('DDR4', 'DIMM', null);
    expect(again.find((offer) => offer.id === first?.id)?.costCents).toBe(77_777);
  });

  it('leave a part that is made for certain models out for all others', async () => {
    const { id } = await one<{ id: number }>(
      pool(),
      "select id from model where name = 'Counter 4' and year_from = 2018",
    );
    const made = (offers: { origin: string }[]) => offers.filter((offer) => offer.origin === 'original').length;
    expect(made(await offersFor('DDR4', 'DIMM', id))).toBe(3);
    expect(made(await offersFor('DDR4', 'DIMM', null))).toBe(0);
  });

  it('of equal modules only the cheapest that suffice are taken, of equally dear ones the better seller’s', async () => {
    const sellers = [
      await insertSeller(pool(), { name: 'Slow and trusted', leadDays: 9 }),
      await insertSeller(pool(), { name: 'Quick and trusted', leadDays: 1 }),
      await insertSeller(pool(), { name: 'Quick, and somebody behind it', leadDays: 1 }),
    ];
    await pool().query("update seller set trust = 'marketplace' where id = $1", [sellers[2]]);
    const module = { ...LOW, capacityMiB: 65_536 };
    const put = async (seller: number, costCents: number, stock: number | null) => {
      const of = { sellerId: sellers[seller] ?? 0, sellerPart: `lot ${seller} ${costCents}`, stock };
      const id = await insertOffer(pool(), { ...PLAIN, ...of, origin: 'third-party', module });
      await insertPrice(pool(), id, costCents, 'test');
      return id;
    };
    const few = await put(0, 9000, 1);
    const dear = await put(0, 9900, null);
    const same = [await put(2, 9500, 3), await put(0, 9500, 3), await put(1, 9500, 3)];
    const none = await put(1, 100, 0);
    const ids = async (sockets: number) => (await offersFor('DDR5', 'LOT', null, sockets)).map(({ id }) => id);
    expect(await ids(4)).toEqual([same[2], few]);
    expect(await ids(1)).toEqual([few]);
    expect(new Set(await ids(32))).toEqual(new Set([few, dear, ...same]));
    expect(await ids(32)).not.toContain(none);
  });

  it('go by what counts now, and a price of before changes nothing', async () => {
    const id = await insertOffer(pool(), { ...PLAIN, module: { ...LOW, form: 'NOW' } });
    const cost = async () => (await offersFor('DDR5', 'NOW', null))[0]?.costCents;
    await insertPrice(pool(), id, 500, 'test');
    await insertPrice(pool(), id, 700, 'test', new Date('2020-01-01'));
    expect(await cost()).toBe(500);
    await insertPrice(pool(), id, 450, 'test');
    expect(await cost()).toBe(450);
  });

  it('know what they hold, null where nobody said', async () => {
    const offer = { ...PLAIN, module: { ...LOW, form: 'DIMM' }, stock: 1 };
    const id = await insertOffer(pool(), offer);
    // Without a price it cannot be sold, so it is not offered.
    expect((await offersFor('DDR5', 'DIMM', null)).some((one) => one.id === id)).toBe(false);
    await insertPrice(pool(), id, 900, 'test');
    expect((await offersFor('DDR5', 'DIMM', null)).find((one) => one.id === id)).toMatchObject({
      costCents: 900,
      sellerName: null,
      leadDays: null,
      stock: 1,
    });
  });
});

describe('the counter’s list', () => {
  it('finds the open jobs by an index among many closed ones', async () => {
    await pool().query('insert into customer (name) select $1 || n from generate_series(1, 20000) as n', ['customer ']);
    await pool().query(
      `insert into job (customer_id, closed_at) select id, now() from customer where name like 'customer %'`,
    );
    await pool().query('analyze job, customer, quote, job_slot, reading');
    const plan = await many<{ 'QUERY PLAN': string }>(pool(), `explain ${counterJobsText('touched')}`, [40, 0]);
    expect(plan.map((row) => row['QUERY PLAN']).join('\n')).toContain('job_open');
    expect((await listCounterJobs(pool(), { most: 40, after: 0 })).every((job) => job.closedAt === null)).toBe(true);
  });
});

describe('events', () => {
  it('keep who and when', async () => {
    const jobId = await insertJob(pool());
    await noteEvent(pool(), { jobId, staffId: null, kind: 'test', detail: { a: 1 } });
    const row = await one(pool(), 'select kind, detail, at is not null as timed from event where job_id = $1', [jobId]);
    expect(row).toEqual({ kind: 'test', detail: { a: 1 }, timed: true });
  });
});
