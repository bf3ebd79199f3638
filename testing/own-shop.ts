import { type ModelInput, modelSchema } from '../core/machine/models/model';
import { NO_IDENTITY } from '../core/shop/identity';
import { addSeller, sellerSchema } from '../service/market/sellers';
import { newShopSchema, openShop } from '../service/shop/open-shop';
import { asTrusted, type Caller, checkCaller, type Right } from '../service/staff/access';
import { signIn } from '../service/staff/sign-in';
import { addStaff } from '../service/staff/staff-accounts';
import { closePool, pool } from '../store/database';
import { insertModel } from '../store/library/whole-models';
import { startTasks, type Tasks } from '../tasks/run-tasks';
import { type TestDatabase, testDatabase } from './database';
import { must } from './shop';

export const OWN_SHOP = newShopSchema.parse({
  ...NO_IDENTITY,
  name: 'Harbour Bench',
  street: '3 Quay Lane',
  town: 'Skerrow',
  phone: '+47 5550 0100',
  currency: 'EUR',
  timeZone: 'Europe/Oslo',
  taxBp: 2500,
  labourCents: 3900,
  owner: { name: 'Wren Hollis', signIn: 'wren', password: 'long enough' },
});

async function signedIn(name: string): Promise<Caller<Right>> {
  const { token } = must(await signIn(name, 'long enough'));
  const entered = await checkCaller(token, 'jobs.read');
  if (!entered.ok) throw new Error(entered.sentence);
  return asTrusted(entered.caller);
}

export interface OwnShop {
  database: TestDatabase;
  /** the owner */
  wren: Caller<Right>;
  /** the technician */
  tam: Caller<Right>;
}

/** A shop of one's own, opened in an empty database, for all tests of a file: nothing of the demo. @param tasks what is put into the queue is done, too */
export function openOwnShop({ tasks = false } = {}): OwnShop {
  let running: Tasks | undefined;
  const shop = {} as OwnShop;
  beforeAll(async () => {
    shop.database = await testDatabase();
    process.env.DATABASE_URL = shop.database.url;
    process.env.FENBRIK_LIST_PATIENCE = '60000';
    must(await openShop(OWN_SHOP));
    shop.wren = await signedIn('wren');
    must(await addStaff(shop.wren, { name: 'Tam Oake', signIn: 'tam', role: 'technician', password: 'long enough' }));
    shop.tam = await signedIn('tam');
    if (tasks) running = await startTasks(shop.database.url);
  }, 60_000);
  afterAll(async () => {
    await running?.stop();
    await closePool();
    await shop.database.drop();
  });
  return shop;
}

/** A slot a channel. */
export const TWO_SLOTS = ['A', 'B'].map((name) => ({ name, channel: name, bank: 0 }));

/** A laptop with two sockets for DDR4, of a maker's. */
export async function ownModel(name: string, more: Partial<ModelInput> = {}): Promise<number> {
  const source = { kind: 'maker-page', name: 'specification' } as const;
  return insertModel(
    pool(),
    modelSchema.parse({
      maker: 'Tarnholt',
      name,
      yearFrom: 2019,
      slots: TWO_SLOTS,
      claims: [
        { limit: 'generations', value: ['DDR4'], source },
        { limit: 'form', value: 'SO-DIMM', source },
        { limit: 'kinds', value: [{ buffering: 'unbuffered', ecc: false }], source },
        { limit: 'moduleMiB', value: 16_384, source },
        { limit: 'totalMiB', value: 32_768, source },
      ],
      ...more,
    }),
    null,
  );
}

/** A seller with usual terms: its prices are what the shop pays. */
export async function ownSeller(by: Caller<Right>, name: string, more: object = {}): Promise<number> {
  const usual = { leadDays: 3, terms: null, trust: 'own-stock', returns: '', orderContact: '' };
  return must(await addSeller(by, sellerSchema.parse({ ...usual, name, ...more }))).id;
}
