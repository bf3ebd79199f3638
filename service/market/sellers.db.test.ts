import { many, one, pool, run } from '../../store/database';
import { getSeller, listSellers } from '../../store/market/sellers';
import { READER } from '../../testing/reader';
import { marketRows, must, openTestShop, readTill, stateOf } from '../../testing/shop';
import { changePrice } from '../job/options/prices';
import { plainTerms } from './counting-ground';
import { pricesOf } from './market';
import { countForToday, noteRate, saveSeller, sellerDesk, sellerSchema } from './sellers';

const shop = openTestShop();

async function anOffer() {
  const offers = await marketRows();
  const offer = offers.find(({ sellerId, modules }) => sellerId !== null && modules === 1);
  const seller = await getSeller(pool(), offer?.sellerId ?? 0);
  if (offer === undefined || seller === null) throw new Error('no offer');
  return { offer, seller };
}
const now = async (id: number) => must(await pricesOf(READER, id))[0];
const day = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

describe('what a seller prints', () => {
  it('is counted by its terms, told step by step, and calculated again when they change', async () => {
    const { offer, seller } = await anOffer();
    const { id: _, name: _name, offers: _offers, ...fields } = seller;
    const terms = { ...plainTerms('EUR'), withTax: true, taxBp: 2000 };
    must(await saveSeller(shop.teo, seller.id, { ...fields, terms }));
    must(await changePrice(shop.teo, offer.id, { printedCents: 6000 }));
    expect(await now(offer.id)).toMatchObject({
      costCents: 5000,
      printedCents: 6000,
      steps: [
        { what: 'printed', cents: 6000, currency: 'EUR' },
        { what: 'tax-off', cents: -1000, currency: 'EUR' },
      ],
    });
    const shipping = { kind: 'flat', cents: 600, freeFromCents: null } as const;
    expect(must(await saveSeller(shop.teo, seller.id, { ...fields, terms: { ...terms, shipping } }))).toEqual({
      changed: 1,
    });
    expect(await now(offer.id)).toMatchObject({ costCents: 5500, printedCents: 6000 });
    const prices = await many<{ cost: number; from: string }>(
      pool(),
      'select cost_cents as cost, came_from as "from" from offer_price where offer_id = $1 order by id desc limit 2',
      [offer.id],
    );
    expect(prices).toEqual([
      { cost: 5500, from: `terms of ${seller.name}` },
      { cost: 5000, from: 'typed by Teo Marsh' },
    ]);
  });

  it('reaches the ladder: a coupon makes the plan cheaper, and its end dearer', async () => {
    const id = await readTill(shop.teo);
    const market = (await stateOf(id)).market.offers;
    const [first] = market.filter(({ origin }) => origin === 'third-party');
    const offerId = Number(first?.id.replace('offer-', ''));
    const coupon = { name: 'autumn', percentBp: 5000, cents: null, endsOn: day(0) };
    must(await changePrice(shop.teo, offerId, { printedCents: 8000, coupon }));
    const price = async () =>
      (await stateOf(id)).market.offers.find((offer) => offer.id === first?.id)?.priceCents ?? 0;
    const cheap = await price();
    // The coupon ran out yesterday, and nothing was counted since.
    await run(
      pool(),
      `insert into offer_price (offer_id, cost_cents, came_from, printed_cents, units, coupon)
      select offer_id, cost_cents, came_from, printed_cents, units, jsonb_set(coupon, '{endsOn}', to_jsonb($2::text))
      from offer_price where offer_id = $1 order by id desc limit 1`,
      [offerId, day(-1)],
    );
    await run(pool(), 'update shop set counted_on = current_date - 1');
    await countForToday();
    expect(await price()).toBeGreaterThan(cheap);
    const counted = await one<{ count: number }>(
      pool(),
      'select count(*) as count from offer_price where offer_id = $1',
      [offerId],
    );
    await Promise.all([1, 2, 3].map(() => countForToday()));
    expect(await one(pool(), 'select count(*) as count from offer_price where offer_id = $1', [offerId])).toEqual(
      counted,
    );
  });

  it('in another currency waits for a rate, and is counted by the latest', async () => {
    const { offer, seller } = await anOffer();
    const { id: _, name: _name, offers: _offers, ...fields } = seller;
    must(await saveSeller(shop.teo, seller.id, { ...fields, terms: plainTerms('SKR') }));
    const before = await now(offer.id);
    expect(await changePrice(shop.teo, offer.id, { printedCents: 10_000 })).toMatchObject({
      ok: false,
      sentence: 'There is no rate from SKR to EUR up to this day.',
    });
    expect((await now(offer.id))?.costCents).toBe(before?.costCents);
    must(await noteRate(shop.teo, { from: 'SKR', micro: 880_000, on: day(-2) }));
    must(await changePrice(shop.teo, offer.id, { printedCents: 10_000 }));
    expect((await now(offer.id))?.costCents).toBe(8800);
    expect(must(await noteRate(shop.teo, { from: 'SKR', micro: 900_000, on: day(-1) })).changed).toBeGreaterThan(0);
    expect((await now(offer.id))?.costCents).toBe(9000);
    expect(await noteRate(shop.teo, { from: 'SKR', micro: 1, on: day(-1) })).toMatchObject({
      ok: false,
      code: 'conflict',
    });
    expect(await noteRate(shop.teo, { from: 'EUR', micro: 1, on: day(0) })).toMatchObject({
      ok: false,
      code: 'bad-input',
    });
    await expect(run(pool(), 'update exchange_rate set micro = 1')).rejects.toThrow('is not allowed');
    expect((await sellerDesk(READER)).rates.map(({ on }) => on)).toEqual([day(-1), day(-2)]);
  });

  it('is refused where nothing is left to pay, and by the shelf', async () => {
    const { offer } = await anOffer();
    const all = { name: '', percentBp: 10_000, cents: null, endsOn: null };
    expect(await changePrice(shop.teo, offer.id, { printedCents: 100, coupon: all })).toMatchObject({ ok: false });
    const offers = await marketRows();
    const shelf = offers.find(({ sellerId }) => sellerId === null);
    expect(await changePrice(shop.teo, shelf?.id ?? 0, { printedCents: 100 })).toMatchObject({
      ok: false,
      code: 'bad-input',
    });
    expect(
      await saveSeller(
        shop.teo,
        999,
        sellerSchema.parse({ leadDays: 1, terms: null, trust: 'own-stock', returns: '', orderContact: '' }),
      ),
    ).toMatchObject({ ok: false, code: 'not-found' });
    expect((await listSellers(pool())).every(({ offers: count }) => count > 0)).toBe(true);
  });

  it('is less while the seller’s promotion runs, and no longer', async () => {
    const { offer, seller } = await anOffer();
    const { id: _, name: _name, offers: _offers, ...fields } = seller;
    const promotion = { name: '', percentBp: 1000, cents: null, endsOn: day(0) };
    must(await changePrice(shop.teo, offer.id, { printedCents: 6000 }));
    must(await saveSeller(shop.teo, seller.id, { ...fields, terms: { ...plainTerms('EUR'), promotion } }));
    expect(await now(offer.id)).toMatchObject({
      costCents: 5400,
      steps: [{ what: 'printed' }, { what: 'promotion', cents: -600 }],
    });
    const over = { ...promotion, endsOn: day(-1) };
    must(await saveSeller(shop.teo, seller.id, { ...fields, terms: { ...plainTerms('EUR'), promotion: over } }));
    expect(await now(offer.id)).toMatchObject({ costCents: 6000 });
    must(await saveSeller(shop.teo, seller.id, { ...fields, rating: 455, ratingCount: 31 }));
    expect(await getSeller(pool(), seller.id)).toMatchObject({ rating: 455, ratingCount: 31 });
    expect(sellerSchema.safeParse({ ...fields, rating: 455, ratingCount: null }).success).toBe(false);
  });
});

test('a shop’s endings and mark-up steps reach its prices', async () => {
  const { offer } = await anOffer();
  const sell = async () => (await marketRows()).find(({ id }) => id === offer.id)?.sellCents ?? 0;
  const before = await sell();
  await run(pool(), `update shop set price_endings = '{90}', mark_up_steps = '[{"fromCents": 0, "markUpBp": 9000}]'`);
  const after = await sell();
  expect(after % 100).toBe(90);
  expect(after).toBeGreaterThan(before);
});

test('the day’s count looks at coupons even where nothing else can have changed', async () => {
  const { offer } = await anOffer();
  const coupon = { name: '', percentBp: 1000, cents: null, endsOn: day(0) };
  must(await changePrice(shop.teo, offer.id, { printedCents: 6000, coupon }));
  const countAgain = async () => {
    await run(pool(), 'update shop set counted_on = null');
    await countForToday();
  };
  await countAgain();
  const before = (await now(offer.id))?.costCents ?? 0;
  // As if the coupon had ended yesterday: a price is history, so it is noted again with the other end.
  await run(
    pool(),
    `insert into offer_price (offer_id, cost_cents, came_from, printed_cents, units, coupon, steps)
     select offer_id, cost_cents, came_from, printed_cents, units, jsonb_set(coupon, '{endsOn}', to_jsonb($2::text)), steps
     from offer_price where offer_id = $1 order by id desc limit 1`,
    [offer.id, day(-1)],
  );
  const [{ count } = { count: 0 }] = await many<{ count: number }>(pool(), 'select count(*) as count from offer_price');
  await countAgain();
  expect((await now(offer.id))?.costCents).toBeGreaterThan(before);
  const [{ count: after } = { count: 0 }] = await many<{ count: number }>(
    pool(),
    'select count(*) as count from offer_price',
  );
  expect(after).toBe(count + 1);
});
