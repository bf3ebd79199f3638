import { daysFrom } from '../../../core/day-count';
import { STOCK_NAME } from '../../../core/market/stock-name';
import { explainOffer } from '../../../core/planning/explain/explain-offer';
import { remediesFor, withRemedy } from '../../../core/planning/explain/remedies';
import { goalOf, type Steering, UNSTEERED } from '../../../core/planning/filters/steering';
import type { Offer, PlanCase } from '../../../core/planning/model/case';
import { answer } from '../../../core/planning/search/answer';
import { many, one, pool, run } from '../../../store/database';
import { setAskedOffers } from '../../../store/job/jobs';
import { amount, IS_LONG } from '../../../testing/amount';
import { READER } from '../../../testing/reader';
import { as, must, openTestShop, readTill, stateOf } from '../../../testing/shop';
import { keepSlot } from '../intake/intake';
import { agreeLimits } from '../limits/limits';
import { choosePlan } from '../quote/quote';
import { draftOptions } from './draft-options';
import { makersForJob } from './makers-for-job';
import { type Market, offerOfKey } from './offers-for-job';
import { saveBestRule, saveSteering, showBestRule, steeringSchema } from './steering';

const shop = openTestShop();

test('a job remembers how its ladder was steered', async () => {
  const id = await readTill(shop.teo);
  const steering = steeringSchema.parse({
    needMiB: 16384,
    budgetCents: 9000,
    freeSlots: 1,
    leastRateMTs: 2400,
    lanesOut: ['used'],
    sellersOut: ['Quayside Components'],
    makers: ['Corrick'],
    mostCas: 17,
    mostHeightMm: 31.25,
    leastRating: 400,
    inStock: true,
    inTime: true,
  });
  must(await saveSteering(shop.teo, id, steering));
  const { job } = await stateOf(id);
  expect({ ...job.steering, needMiB: job.needMiB, budgetCents: job.budgetCents }).toEqual(steering);
  must(await saveSteering(shop.teo, id, UNSTEERED));
  expect((await stateOf(id)).job).toMatchObject({ needMiB: null, budgetCents: null, steering: { freeSlots: 0 } });
});

test.each([
  [{ needMiB: 0 }, 'The target must be more than 0.'],
  [{ budgetCents: -1 }, 'The budget must be more than 0.'],
  [{ freeSlots: 65 }, 'At most 64 slots.'],
  [{ lanesOut: ['mixed', 'none', 'original', 'third-party', 'used'] }, 'Leave at least one origin in.'],
  [{ leastRateMTs: 0 }, 'A rate is more than 0.'],
  [{ makers: Array.from({ length: 51 }, (_, nr) => `Maker ${nr}`) }, 'At most 50 makers.'],
  [{ mostCas: 0 }, 'A CL is more than 0.'],
  [{ mostHeightMm: 1000 }, 'A height is at most 200 mm.'],
  [{ leastRating: 99 }, 'Stars are 1 to 5.'],
])('%j is refused in one sentence', (wrong, sentence) => {
  const parsed = steeringSchema.safeParse({ ...UNSTEERED, ...wrong });
  expect(parsed.error?.issues[0]?.message).toBe(sentence);
});

test('what counts as equally cheap is the shop’s', async () => {
  expect(await showBestRule(READER)).toEqual({ toleranceBp: 500 });
  must(await saveBestRule(shop.teo, { toleranceBp: 250 }));
  expect(await showBestRule(READER)).toEqual({ toleranceBp: 250 });
  expect((await stateOf(await readTill(shop.teo))).shop.bestToleranceBp).toBe(250);
});

test('in every job of the demo shop, whatever is said to bring an offer onto the ladder does so', async () => {
  // Briefly every third of them.
  const all = await many<{ id: number }>(pool(), 'select id from job order by id');
  const jobs = all.filter((_, nr) => IS_LONG || nr % 3 === 0);
  let tried = 0;
  for (const { id } of jobs) {
    const { jobCase } = await stateOf(id);
    if (!jobCase.ok) continue;
    const { planCase } = jobCase;
    const shown = new Set(answer(planCase).plans.flatMap(({ bought }) => bought.map(({ offer }) => offer)));
    const missing = planCase.offers.filter((offer) => !shown.has(offer.id));
    for (const { id: offer } of missing) {
      const explained = explainOffer(planCase, offer);
      if (explained === null) continue;
      for (const remedy of remediesFor(planCase, offer, explained)) {
        const { plans } = answer(withRemedy(planCase, offer, remedy));
        expect(plans.some(({ bought }) => bought.some((one) => one.offer === offer))).toBe(true);
        tried++;
      }
    }
  }
  expect(tried).toBeGreaterThan(amount(5, 25));
  console.log(`${tried} ways onto the ladder told, each planned again with its change`);
}, 120_000);

describe('filters', () => {
  /** Stars, days, heights and stock of the demo market as a shop would have them, so that each filter leaves some in. */
  beforeAll(async () => {
    await run(
      pool(),
      `update offer set rating = 300 + (id * 37) % 200, rating_count = 1 + id % 90, lead_days = (id * 7) % 9,
         stock = case when id % 3 = 0 then 1 + id % 5 end
       where seller_id is not null and id % 2 = 0 and withdrawn_at is null`,
    );
    await run(
      pool(),
      `update module_spec set module = module || jsonb_build_object('heightMm', 30 + id % 5)
       where id % 2 = 0 and height_mm is null`,
    );
    // What the ladder is held to asks for more offers than anybody may.
    await run(pool(), 'alter table job drop constraint job_asked_offers_check');
  });

  /** All that is on the market for the job, cheapest first or not: the job asks for every offer by name. */
  async function wholeMarket(id: number): Promise<Market> {
    const { ids } = await one<{ ids: number[] }>(
      pool(),
      'select array_agg(id) as ids from offer where withdrawn_at is null and cost_cents is not null and not for_models',
    );
    await setAskedOffers(pool(), id, ids);
    const { market } = await stateOf(id);
    await setAskedOffers(pool(), id, []);
    return market;
  }

  const factsIn = (market: Market) => (key: string) => {
    const supply = market.supplies.get(key);
    if (supply === undefined) return undefined;
    const { seller, leadDays, rated, sellerRated } = supply;
    return { seller, leadDays, rating: (rated ?? sellerRated)?.rating ?? null, isOwn: seller === STOCK_NAME };
  };
  const plansOf = (planCase: PlanCase, market: Market, steering: Steering, inDays: number) =>
    answer({
      ...planCase,
      offers: market.offers,
      goal: goalOf(steering, market.offers, factsIn(market), inDays),
    }).plans.map(({ totalMiB, priceCents, lane, reuse, rateMTs }) => [totalMiB, priceCents, lane, reuse, rateMTs]);

  test.each<[string, Partial<Steering>]>([
    ['one maker', { makers: ['Corrick'] }],
    ['two makers', { makers: ['vellamo', 'Corrick'] }],
    ['a low CL', { mostCas: 17 }],
    ['a low module', { mostHeightMm: 32 }],
    ['many stars', { leastRating: 420 }],
    ['in stock', { inStock: true }],
    ['in time', { inTime: true }],
    ['a seller left out', { sellersOut: ['Quayside Components'] }],
    ['all of it', { makers: ['Corrick', 'Vellamo'], leastRating: 320, inStock: true, inTime: true, mostCas: 24 }],
  ])('%s: the ladder is that of the whole market, though only the cheapest of it were read', async (_, wish) => {
    const id = await readTill(shop.teo);
    const before = (await stateOf(id)).market;
    const steering = { ...UNSTEERED, ...wish };
    must(await saveSteering(shop.teo, id, steeringSchema.parse(steering)));
    await run(pool(), 'update job set needed_by = (now() + interval $$4 days$$)::date where id = $1', [id]);
    const state = await stateOf(id);
    if (!state.jobCase.ok) throw new Error('gaps');
    const inDays = daysFrom(state.today, state.job.neededBy ?? '');
    const { planCase } = state.jobCase;
    const all = await wholeMarket(id);
    expect(all.offers.length).toBeGreaterThan(state.market.offers.length);
    const plans = plansOf(planCase, state.market, steering, inDays);
    expect(plans).toEqual(plansOf(planCase, all, steering, inDays));
    expect(plans.length).toBeGreaterThan(0);
    // It leaves something out, and what was read without it would not have done.
    expect(plans).not.toEqual(plansOf(planCase, all, UNSTEERED, inDays));
    expect(state.market.offers.map((offer) => offer.id)).toEqual(
      expect.arrayContaining(before.offers.map((offer) => offer.id)),
    );
  });

  test('makers of all that fits are listed, whether or not they are on the ladder', async () => {
    const id = await readTill(shop.teo);
    const makers = (await makersForJob(READER, id)) ?? [];
    const all = await wholeMarket(id);
    expect(makers.length).toBeGreaterThan(2);
    // Those of the machine's own maker are on the ladder, whatever they cost.
    const others = all.offers.filter(({ origin }) => origin !== 'original');
    expect(new Set(makers.map(({ maker }) => maker))).toEqual(
      new Set(others.flatMap(({ module }) => module.maker || [])),
    );
    expect(makers.map(({ offers }) => offers)).toEqual(makers.map(({ offers }) => offers).sort((a, b) => b - a));
    expect(await makersForJob(READER, 999_999)).toBeNull();
  });
});

describe('sellers that are left out', () => {
  const steered = (sellersOut: string[]) => ({ ...UNSTEERED, lanesOut: [], makers: [], sellersOut });
  const bought = ({ module, modules, origin }: Offer) =>
    JSON.stringify([module.capacityMiB, module.rateMTs, modules, origin]);

  const of = (market: Market, key: string) => market.supplies.get(key)?.seller ?? '';
  /** Who sells most of what is in a case. */
  const sellerOfMost = (market: Market): string => {
    const sellers = new Map<string, number>();
    for (const { id } of market.offers) sellers.set(of(market, id), (sellers.get(of(market, id)) ?? 0) + 1);
    return [...sellers].sort(([, a], [, b]) => b - a)[0]?.[0] ?? '';
  };

  it('stay in the case, and what others ask for the same comes beside it', async () => {
    const id = await readTill(shop.teo);
    const before = (await stateOf(id)).market;
    const most = sellerOfMost(before);
    must(await saveSteering(shop.teo, id, steered([most])));
    const after = (await stateOf(id)).market;
    const keys = after.offers.map((offer) => offer.id);
    expect(keys).toEqual(expect.arrayContaining(before.offers.map((offer) => offer.id)));
    const come = after.offers.filter((offer) => !before.offers.some((other) => other.id === offer.id));
    expect(come.length).toBeGreaterThan(0);
    for (const offer of come) expect(of(after, offer.id)).not.toBe(most);
    // Whatever comes is of a kind that the seller had the cheapest of.
    const had = new Set(before.offers.filter((offer) => of(before, offer.id) === most).map(bought));
    expect(come.some((offer) => had.has(bought(offer)))).toBe(true);
    must(await saveSteering(shop.teo, id, steered([])));
    expect((await stateOf(id)).market.offers.map((offer) => offer.id)).toEqual(before.offers.map((offer) => offer.id));
  });

  it('and what is on the slip stays in the case, whatever is cheaper, until it is sold out, which is said', async () => {
    const id = await readTill(shop.teo);
    const before = (await stateOf(id)).market;
    const most = sellerOfMost(before);
    must(await saveSteering(shop.teo, id, steered([most])));
    const narrowed = (await stateOf(id)).market;
    const dearer = narrowed.offers.filter((offer) => !before.offers.some((other) => other.id === offer.id));
    const keys = new Set(dearer.map((offer) => offer.id));
    const { jobCase } = await stateOf(id);
    if (!jobCase.ok) throw new Error('gaps');
    const without = before.offers.map((offer) => offer.id).filter((key) => narrowed.supplies.get(key)?.seller === most);
    const { plans } = answer({ ...jobCase.planCase, goal: { without } });
    const plan = plans.find(({ bought: buys }) => buys.some(({ offer }) => keys.has(offer)));
    if (plan === undefined) throw new Error('nothing dearer is in any plan');
    must(await choosePlan(shop.teo, id, { place: 1, kept: plan.kept, bought: plan.bought }));
    const [chosen = ''] = plan.bought.flatMap(({ offer }) => (keys.has(offer) ? [offer] : []));
    must(await saveSteering(shop.teo, id, steered([])));
    const state = await stateOf(id);
    expect(state.market.offers.map((offer) => offer.id)).toContain(chosen);
    expect(draftOptions(state)).toMatchObject([{ ok: true }]);
    await run(pool(), 'update offer set stock = 0 where id = $1', [offerOfKey(chosen)]);
    expect(draftOptions(await stateOf(id))).toMatchObject([
      { ok: false, sentence: expect.stringContaining('sold out') },
    ]);
  });
});

test('what becomes of a module is said on its own: the later word is heard, and only modules have it', async () => {
  const id = await readTill(shop.teo);
  const { job, limits } = await stateOf(id);
  must(await agreeLimits(shop.teo, id, true));
  must(await keepSlot(shop.teo, id, { slot: 'A2', keep: 'must' }));
  const { version } = must(await keepSlot(await as('edda'), id, { slot: 'A2', keep: 'never' }));
  expect(version).toBe(job.slotsVersion + 2);
  const after = await stateOf(id);
  expect(after.slots.find(({ name }) => name === 'A2')?.keep).toBe('never');
  expect(after.job.slotsVersion).toBe(job.slotsVersion + 2);
  expect(after.job.limitsAgreedAt).not.toBeNull();
  expect(after.limits).toEqual(limits);
  expect(await keepSlot(shop.teo, id, { slot: 'A1', keep: 'must' })).toMatchObject({ ok: false, code: 'not-found' });
});
