import type { NewTrial } from '../core/machine/models/model';
import { answer } from '../core/planning/search/answer';
import type { Plan } from '../core/planning/search/plan';
import { REVIEW_GROUPS } from '../core/price-list/compare-list';
import { DEMO_PASSWORD } from '../demo/load-shop';
import { reportText } from '../demo/report';
import { textInput } from '../scripts/text-input';
import { newJob, saveIntake, takeReadings } from '../service/job/intake/intake';
import { type JobState, showJob } from '../service/job/job-state';
import { draftOptions } from '../service/job/options/draft-options';
import { choosePlan } from '../service/job/quote/quote';
import { askMarket, askMarketSchema, type MarketRow } from '../service/market/market';
import { moreOfGroup } from '../service/market/price-lists';
import type { Result } from '../service/result';
import { asTrusted, type Caller, checkCaller, type Right } from '../service/staff/access';
import { signIn } from '../service/staff/sign-in';
import { closePool, many, pool } from '../store/database';
import type { ShownRow } from '../store/market/list-rows';
import { listSellers } from '../store/market/sellers';
import { startTasks, type Tasks } from '../tasks/run-tasks';
import { demoDatabase, type TestDatabase } from './database';
import { READER } from './reader';

/** The value of a result that a test takes for granted. */
export function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.sentence);
  return result.value;
}

/** Username one of the demo shop's people. */
export async function as(name: string): Promise<Caller<Right>> {
  const opened = must(await signIn(name, DEMO_PASSWORD));
  const entered = await checkCaller(opened.token, 'jobs.read');
  if (!entered.ok) throw new Error(entered.sentence);
  return asTrusted(entered.caller);
}

export interface TestShop {
  database: TestDatabase;
  /** the technician */
  teo: Caller<Right>;
}

/** The demo shop in a database of its own, for all tests of a file. @param tasks what is put into the queue is done, too */
export function openTestShop({ tasks = false } = {}): TestShop {
  let running: Tasks | undefined;
  const shop = {} as TestShop;
  beforeAll(async () => {
    shop.database = await demoDatabase();
    process.env.DATABASE_URL = shop.database.url;
    process.env.FENBRIK_LIST_PATIENCE = '60000';
    shop.teo = await as('teo');
    if (tasks) running = await startTasks(shop.database.url);
  }, 60_000);
  afterAll(async () => {
    await running?.stop();
    await closePool();
    await shop.database.drop();
  });
  return shop;
}

export async function stateOf(jobId: number): Promise<JobState> {
  const found = await showJob(READER, jobId);
  if (found === null) throw new Error('no such job');
  return found;
}

/** The report of a till with one module in four slots, of a model that the library knows. */
export const TILL_REPORT = reportText({
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

/** A new job with a name on it whose report is read. */
export async function readTill(caller: Caller<Right>): Promise<number> {
  const { id } = must(await newJob(caller));
  must(await saveIntake(caller, id, { customerName: 'Hedda Vane', needMiB: 16384 }));
  must(await takeReadings(caller, id, [textInput('pasted report', TILL_REPORT)]));
  return id;
}

export async function plansOf(jobId: number): Promise<Plan[]> {
  const { jobCase } = await stateOf(jobId);
  if (!jobCase.ok) throw new Error('gaps');
  return answer(jobCase.planCase).plans;
}

/** Puts the first plan that fits on the slip. */
export async function choose(
  caller: Caller<Right>,
  jobId: number,
  place: number,
  fits: (plan: Plan) => boolean,
): Promise<Plan> {
  const plan = (await plansOf(jobId)).find(fits);
  if (plan === undefined) throw new Error('no such plan');
  must(await choosePlan(caller, jobId, { place, kept: plan.kept, bought: plan.bought }));
  return plan;
}

/** The totals of a slip as somebody who looks sees them. */
export async function seen(jobId: number): Promise<{ place: number; totalCents: number }[]> {
  const drafted = draftOptions(await stateOf(jobId));
  return drafted.flatMap((one) => (one.ok ? [{ place: one.place, totalCents: one.option.totalCents }] : []));
}

export const thirdParty16 = (plan: Plan): boolean => plan.lane === 'third-party' && plan.totalMiB === 16384;
export const original16 = (plan: Plan): boolean => plan.lane === 'original' && plan.totalMiB === 16384;

/** Every offer on the market that is this, of all kinds of module. */
export async function marketRows(text = ''): Promise<MarketRow[]> {
  const { shelves } = must(await askMarket(READER, askMarketSchema.parse({ text })));
  const rows: MarketRow[] = [];
  for (const { familyId } of shelves) {
    rows.push(...must(await askMarket(READER, askMarketSchema.parse({ text, familyId, count: 200 }))).rows);
  }
  return rows;
}

/** A model of the demo's library by its name, and its first year where there are several. */
export async function modelId(name: string, yearFrom = 0): Promise<number> {
  const [found] = await many<{ id: number }>(
    pool(),
    'select id from model where name = $1 and (year_from = $2 or $2 = 0) order by id limit 1',
    [name, yearFrom],
  );
  if (found === undefined) throw new Error(`no model ${name}`);
  return found.id;
}

/** Two modules of 32 GB that worked under load. */
export const loadedTrial: NewTrial = {
  moduleMiB: 32_768,
  generation: 'DDR4',
  buffering: 'unbuffered',
  ecc: false,
  rateMTs: 2666,
  modules: 2,
  slots: ['A2', 'B2'],
  totalMiB: 65_536,
  firmware: '1.14',
  cpu: '',
  outcome: 'works',
  depth: 'loaded',
  note: '',
  on: '2026-11-20',
};

/** Bytes as they come over the wire, in pieces of a few. */
export async function* inPieces(input: Uint8Array, size = 1000): AsyncGenerator<Uint8Array> {
  for (let from = 0; from < input.length; from += size) yield input.subarray(from, from + size);
}

/** An offer of a seller as a price list finds it. */
export interface SellersOffer {
  offerId: number;
  sku: string;
  modules: number;
  costCents: number;
  printedCents: number | null;
  stock: number | null;
  withdrawn: boolean;
}

export async function sellersOffers(sellerId: number): Promise<SellersOffer[]> {
  return many<SellersOffer & Record<string, unknown>>(
    pool(),
    `select offer.id as "offerId", seller_part as sku, modules, stock, withdrawn_at is not null as withdrawn,
       price.printed_cents as "printedCents", price.cost_cents as "costCents"
     from offer join offer_price as price on price.id = price_id
     where seller_id = $1 and seller_part is not null order by offer.id`,
    [sellerId],
  );
}

/** A price list as it is sent. */
export const listFile = (name: string, lines: string[]) => ({
  name,
  input: inPieces(new TextEncoder().encode(lines.join('\r\n'))),
});

/** Apply what is sure, and nothing else. */
export const SURE = { accept: [], acceptAll: [], withdrawGone: false };

/** Every row of a list that is looked at, in the order of the file. */
export async function listRows(id: number): Promise<ShownRow[]> {
  const groups = await Promise.all(
    REVIEW_GROUPS.map((group) => moreOfGroup(READER, id, { group, after: 0, most: 500 })),
  );
  return groups.flatMap((group) => must(group)).sort((a, b) => a.line - b.line);
}

/** A seller whose numbers are what the shop pays, with two of its parts. */
export async function quayside() {
  const seller = (await listSellers(pool())).find(({ name }) => name === 'Quayside Components');
  const offers = await sellersOffers(seller?.id ?? 0);
  const [first, second] = offers.filter(({ modules }) => modules === 1);
  if (seller === undefined || first === undefined || second === undefined) throw new Error('no seller');
  return { seller, offers, first, second };
}
