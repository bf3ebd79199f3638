import { setOfKey } from '../../../core/planning/filters/ladder';
import type { PlanCase } from '../../../core/planning/model/case';
import { one, pool, run } from '../../../store/database';
import { insertOffer, insertPrice } from '../../../store/market/offers';
import { must, openTestShop, readTill, stateOf } from '../../../testing/shop';
import { newJob } from '../intake/intake';
import { choosePlan } from '../quote/quote';
import { askOffer } from './ask-offer';
import { draftOptions } from './draft-options';
import { offerKey, offerOfKey } from './offers-for-job';

const shop = openTestShop();

async function caseOf(id: number): Promise<PlanCase> {
  const { jobCase } = await stateOf(id);
  if (!jobCase.ok) throw new Error('the machine has gaps');
  return jobCase.planCase;
}

let made = 0;

/** The same as an offer of a case from its seller once more, so much dearer that nobody needs it. */
async function dearTwin(planCase: PlanCase): Promise<number> {
  const cheap = planCase.offers.find(({ stock, origin }) => stock === null && origin === 'third-party');
  if (cheap === undefined) throw new Error('there is no such offer');
  const from = await one<{ sellerId: number; costCents: number }>(
    pool(),
    'select seller_id as "sellerId", cost_cents as "costCents" from offer where id = $1',
    [offerOfKey(cheap.id)],
  );
  const id = await insertOffer(pool(), {
    sellerId: from.sellerId,
    sellerPart: `twin-${made++}`,
    title: `${cheap.label} again`,
    origin: cheap.origin,
    modules: cheap.modules,
    module: cheap.module,
    stock: null,
    note: '',
    modelIds: [],
  });
  await insertPrice(pool(), id, from.costCents * 3, 'test');
  return id;
}

test('an offer that the ladder leaves out for cheaper ones is planned with once it is asked for, and can be quoted', async () => {
  const id = await readTill(shop.teo);
  const before = await caseOf(id);
  const twin = await dearTwin(before);
  expect((await caseOf(id)).offers.map((offer) => offer.id)).not.toContain(offerKey(twin));
  const { plan } = must(await askOffer(shop.teo, id, { offer: twin }));
  const after = await caseOf(id);
  const set = setOfKey(after, plan);
  expect(set).toEqual({ kept: after.installed.map(({ slot }) => slot), bought: [{ offer: offerKey(twin), count: 1 }] });
  must(await choosePlan(shop.teo, id, { place: 1, kept: set?.kept ?? [], bought: set?.bought ?? [] }));
  expect(draftOptions(await stateOf(id))).toMatchObject([{ place: 1, ok: true }]);
  // Asked for twice it is remembered once.
  must(await askOffer(shop.teo, id, { offer: twin }));
  expect((await stateOf(id)).job.askedOffers).toEqual([twin]);
});

test('what is gone, and a machine with gaps, are said in a sentence, and the latest twenty are remembered', async () => {
  const id = await readTill(shop.teo);
  const planCase = await caseOf(id);
  const twin = await dearTwin(planCase);
  await run(pool(), 'update offer set withdrawn_at = now() where id = $1', [twin]);
  expect(await askOffer(shop.teo, id, { offer: twin })).toMatchObject({
    code: 'not-found',
    sentence: 'This offer is no longer on the market.',
  });
  expect(await askOffer(shop.teo, id, { offer: 999_999 })).toMatchObject({ code: 'not-found' });
  expect(await askOffer(shop.teo, 999_999, { offer: twin })).toMatchObject({ code: 'not-found' });
  const bare = must(await newJob(shop.teo));
  const [first] = planCase.offers.map((offer) => offerOfKey(offer.id));
  expect(await askOffer(shop.teo, bare.id, { offer: first ?? 0 })).toMatchObject({ code: 'conflict' });
  const many = planCase.offers.slice(0, 22).map((offer) => offerOfKey(offer.id));
  for (const offer of many) must(await askOffer(shop.teo, id, { offer }));
  expect((await stateOf(id)).job.askedOffers).toEqual([...many].reverse().slice(0, 20));
});
