import { closePool, many, pool, run } from '../../store/database';
import { getShop } from '../../store/shop/shop';
import { type TestDatabase, testDatabase } from '../../testing/database';
import { OWN_SHOP } from '../../testing/own-shop';
import { READER } from '../../testing/reader';
import { must } from '../../testing/shop';
import { asTrusted, type Caller, checkCaller, type Right } from '../staff/access';
import { signIn, signInPage } from '../staff/sign-in';
import { saveCharges, showCharges } from './charges';
import { saveFirstHour, showFirstHour } from './first-hour';
import { saveIdentity, shopFormSchema, showIdentity } from './identity';
import { newShopSchema, openShop } from './open-shop';
import { makeOpeningCode } from './opening-code';

let database: TestDatabase;

beforeEach(async () => {
  database = await testDatabase();
  process.env.DATABASE_URL = database.url;
});

afterEach(async () => {
  await closePool();
  await database.drop();
});

async function openedBy(): Promise<Caller<Right>> {
  must(await openShop(OWN_SHOP));
  const { token } = must(await signIn('wren', 'long enough'));
  const entered = await checkCaller(token, 'staff.manage');
  if (!entered.ok) throw new Error(entered.sentence);
  return asTrusted(entered.caller);
}

describe('a shop of one’s own', () => {
  it('opens in an empty database, with an owner and without the demo’s accounts', async () => {
    const caller = await openedBy();
    expect(caller).toMatchObject({ name: 'Wren Hollis', role: 'owner' });
    expect(await openShop(OWN_SHOP)).toMatchObject({ ok: false, code: 'conflict' });
    expect(await signInPage()).toEqual({ shopName: 'Harbour Bench', demoAccounts: [] });
    expect(await getShop(pool())).toMatchObject({ contact: '3 Quay Lane, Skerrow · +47 5550 0100', demo: false });
  });

  it('opens with a code that a start printed, in any writing, and with no other', async () => {
    const code = await makeOpeningCode();
    const second = await makeOpeningCode();
    expect(code).toMatch(/^([A-Z0-9]{4}-){2}[A-Z0-9]{4}$/);
    expect(await openShop(OWN_SHOP, 'ABCD-EFGH-JKMN')).toMatchObject({ ok: false, code: 'forbidden' });
    must(await openShop(OWN_SHOP, (code ?? '').toLowerCase().replaceAll('-', ' ')));
    expect(await openShop(OWN_SHOP, second ?? '')).toMatchObject({ ok: false, code: 'conflict' });
    expect(await makeOpeningCode()).toBeNull();
    expect(await many(pool(), 'select 1 from opening_code')).toHaveLength(0);
  });

  it('does not open with a code of weeks ago, and keeps no code that can be read', async () => {
    const code = (await makeOpeningCode()) ?? '';
    const [kept] = await many<{ hash: string }>(pool(), "select encode(code_hash, 'escape') as hash from opening_code");
    expect(kept?.hash).not.toContain(code.slice(0, 4));
    await run(pool(), "update opening_code set made_at = now() - interval '8 days'");
    expect(await openShop(OWN_SHOP, code)).toMatchObject({ ok: false, code: 'forbidden' });
  });

  it('gets one first owner, however many open it at the same moment', async () => {
    const code = await makeOpeningCode();
    const others = ['ada', 'bo', 'cy', 'di'].map((signInName) =>
      openShop({ ...OWN_SHOP, owner: { ...OWN_SHOP.owner, signIn: signInName } }, code),
    );
    const opened = await Promise.all(others);
    expect(opened.filter(({ ok }) => ok)).toHaveLength(1);
    expect(opened.filter((one) => !one.ok && one.code === 'conflict')).toHaveLength(3);
    expect(await many(pool(), 'select sign_in from staff')).toHaveLength(1);
  });

  it.each([
    [{ currency: 'euro' }, 'ISO 4217'],
    [{ timeZone: 'Skerrow/Quay' }, 'no such time zone'],
    [{ taxBp: -1 }, '0 % or more'],
    [{ labourCents: Number.NaN }, 'what you ask for fitting'],
  ])('refuses %j in a sentence', (change, sentence) => {
    const read = newShopSchema.safeParse({ ...OWN_SHOP, ...change });
    expect(read.error?.issues[0]?.message).toContain(sentence);
  });
});

describe('the first hour', () => {
  it('ticks what is done on its own, keeps what is not needed, and goes when it is put away or done', async () => {
    const caller = await openedBy();
    const standings = async () =>
      Object.fromEntries((await showFirstHour(caller))?.map(({ step, standing }) => [step, standing]) ?? []);
    expect(Object.values(await standings())).toEqual(Array(8).fill('open'));
    must(await saveCharges(caller, (await showCharges(READER)).charges));
    must(await saveFirstHour(caller, { dismissed: false, skipped: ['staff'] }));
    expect(await standings()).toMatchObject({ prices: 'done', staff: 'skipped', mail: 'open' });
    expect(await showFirstHour({ ...caller, role: 'technician' })).toBeNull();
    const all = ['texts', 'sellers', 'list', 'machine', 'mail', 'staff', 'address'] as const;
    must(await saveFirstHour(caller, { dismissed: false, skipped: [...all] }));
    expect(await showFirstHour(caller)).toBeNull();
    must(await saveFirstHour(caller, { dismissed: true, skipped: [] }));
    expect(await showFirstHour(caller)).toBeNull();
  });
});

describe('who the shop is', () => {
  it('is changed later; its currency only while nothing is priced in it', async () => {
    const caller = await openedBy();
    const { identity, currency, timeZone } = await showIdentity(READER);
    const change = (more: object) =>
      saveIdentity(caller, shopFormSchema.parse({ identity, currency, timeZone, ...more }));
    must(await change({ identity: { ...identity, web: 'harbour.example' }, currency: 'NOK' }));
    expect(await showIdentity(READER)).toMatchObject({ currency: 'NOK', mayChangeCurrency: true });
    await run(
      pool(),
      'select spec_of(\'{"generation":"DDR4","form":"DIMM","buffering":"unbuffered","ecc":false,"capacityMiB":8192,"rateMTs":2666}\')',
    );
    await run(
      pool(),
      `insert into seller (name, lead_days) values ('Quay', 1);
       insert into offer (seller_id, title, origin, modules, spec_id, family_id, unit_mib)
         select (select id from seller), 'x', 'third-party', 1, id, family_id, 8192 from module_spec;
       insert into offer_price (offer_id, cost_cents, came_from) select id, 100, 'x' from offer`,
    );
    expect(await change({ currency: 'EUR' })).toMatchObject({ ok: false, code: 'conflict' });
    must(await change({ currency: 'NOK', timeZone: 'UTC' }));
    expect(await getShop(pool())).toMatchObject({ contact: expect.stringContaining('Skerrow'), timeZone: 'UTC' });
  });
});
