import { one, pool } from '../../../store/database';
import { listSellers } from '../../../store/market/sellers';
import { must, openTestShop, readTill, stateOf } from '../../../testing/shop';
import { takePart } from '../../market/new-part';
import { noteRate } from '../../market/sellers';
import { agreeLimits } from '../limits/limits';
import { putReadingAside, takeReadings } from './intake';

const shop = openTestShop();

const drop = async (job: number, text: string, name = 'dropped') => {
  const taken = must(await takeReadings(shop.teo, job, [{ name, input: new TextEncoder().encode(text) }]));
  const [line] = taken.inputs;
  return line?.ok === true ? line.line : '';
};
const offersOf = async (job: number) => (await stateOf(job)).market.offers;

/** A seller's page as a browser saves it, with what it says of its product (schema.org Product and Offer). */
const page = (offer: object) =>
  `<!doctype html><title>Shop</title><script type="application/ld+json">${JSON.stringify({
    '@context': 'https://schema.org',
    '@type': 'Product',
    name: 'Corrick 16GB DDR4-2400 CL17 DIMM',
    sku: 'C-16-24',
    offers: { '@type': 'Offer', ...offer },
  })}</script>`;

describe('a title with a price', () => {
  it('is an offer of its job at once, of no other job, and gone when it is set aside', async () => {
    const job = await readTill(shop.teo);
    const other = await readTill(shop.teo);
    const before = (await offersOf(job)).length;
    const line = await drop(job, 'Corrick 16GB DDR4-2400 CL17 DIMM, new, 12.00 EUR');
    expect(line).toContain('It is an offer of this job now: €12.00 at Seen elsewhere.');
    const [made] = (await offersOf(job)).filter(({ label }) => label.includes('12.00 EUR'));
    // 12.00 with a fifth of tax on 10.00 costs us 10.00; the least margin and tax come on top.
    expect(made).toMatchObject({ modules: 1, origin: 'third-party', priceCents: 1700 });
    expect((await offersOf(job)).length).toBe(before + 1);
    expect((await offersOf(other)).some(({ label }) => label.includes('12.00 EUR'))).toBe(false);

    const { id } = await one<{ id: number }>(pool(), 'select max(id) as id from reading where job_id = $1', [job]);
    must(await putReadingAside(shop.teo, job, { id, aside: true }));
    expect((await offersOf(job)).length).toBe(before);
    must(await putReadingAside(shop.teo, job, { id, aside: false }));
    expect((await offersOf(job)).length).toBe(before + 1);
  });

  it('that is used is on the used lane, and a kit is bought as a kit', async () => {
    const job = await readTill(shop.teo);
    await drop(job, '2x8GB DDR4-2400 CL17 DIMM used 30.00 EUR');
    const made = (await offersOf(job)).find(({ label }) => label.includes('30.00 EUR'));
    expect(made).toMatchObject({ modules: 2, origin: 'used', module: { capacityMiB: 8192 } });
  });

  it.each([
    ['Laptop memory 8GB DDR4, 9.00 EUR', 'Not an offer yet: it does not say its rate.'],
    ['Corrick 8GB DDR4-2400 DIMM defective, 9.00 EUR', 'Not an offer: it is described as damaged.'],
    ['Corrick 8GB DDR4-2400 DIMM, 9.00 USD', 'Seen elsewhere has prices in EUR, and this is in USD.'],
  ])('that does not say enough is told: %s', async (text, sentence) => {
    const job = await readTill(shop.teo);
    const before = (await offersOf(job)).length;
    expect(await drop(job, text)).toContain(sentence);
    expect((await offersOf(job)).length).toBe(before);
  });

  it('without a price is a module and nothing to buy', async () => {
    expect(await drop(await readTill(shop.teo), 'Corrick 16GB DDR4-2400 CL17 DIMM')).not.toContain('offer');
  });
});

describe('a seller’s page', () => {
  it('goes by the terms of the seller it names', async () => {
    const job = await readTill(shop.teo);
    const line = await drop(
      job,
      page({ price: '60.00', priceCurrency: 'EUR', seller: { '@type': 'Organization', name: 'FENNIMORE parts' } }),
    );
    expect(line).toContain('€60.00 at Fennimore Parts.');
    const { cost } = await one<{ cost: number }>(
      pool(),
      'select cost_cents as cost from offer where job_id = $1 order by id desc limit 1',
      [job],
    );
    // 60.00 with 20 % tax, sent free from 50.00 on.
    expect(cost).toBe(5000);
  });

  it('of a new seller in another currency waits for a rate', async () => {
    const job = await readTill(shop.teo);
    const of = page({
      price: '600.00',
      priceCurrency: 'SKR',
      seller: { '@type': 'Organization', name: 'Far Shore Parts' },
    });
    expect(await drop(job, of)).toContain('There is no rate from SKR to EUR');
    must(await noteRate(shop.teo, { from: 'SKR', micro: 100_000, on: '2026-01-01' }));
    expect(await drop(job, of, 'once more')).toContain('at Far Shore Parts.');
    const seller = (await listSellers(pool())).find(({ name }) => name === 'Far Shore Parts');
    expect(seller).toMatchObject({ trust: 'marketplace', terms: { currency: 'SKR', withTax: true } });
  });

  it('that has none left is no offer', async () => {
    const job = await readTill(shop.teo);
    const of = { price: '60.00', priceCurrency: 'EUR', availability: 'https://schema.org/OutOfStock' };
    expect(await drop(job, page(of))).toContain('none are left');
  });
});

describe('a part that is seen while the ladder stands', () => {
  const seen = (job: number, text: string) =>
    takePart(shop.teo, job, { name: 'typed line', input: new TextEncoder().encode(text) });
  const readingsOf = async (job: number) => (await stateOf(job)).readings.length;

  it('is an offer at once, and the limits stay agreed', async () => {
    const job = await readTill(shop.teo);
    must(await agreeLimits(shop.teo, job, true));
    const { slots } = await stateOf(job);
    const { offer } = must(await seen(job, 'Corrick 16GB DDR4-2400 CL17 DIMM, new, 12.00 EUR'));
    const state = await stateOf(job);
    expect(state.market.offers.find(({ id }) => id === offer)).toMatchObject({ priceCents: 1700 });
    expect(state.job.limitsAgreedAt).not.toBeNull();
    expect(state.slots).toEqual(slots);
  });

  it.each([
    ['Laptop memory 8GB DDR4, 9.00 EUR', 'Not an offer yet: it does not say its rate.'],
    ['Corrick 16GB DDR4-2400 CL17 DIMM', 'It names no price'],
    ['good morning', 'Fenbrik cannot read this'],
  ])('that is none changes nothing and says why: %s', async (text, sentence) => {
    const job = await readTill(shop.teo);
    const before = await readingsOf(job);
    const result = await seen(job, text);
    expect(result).toMatchObject({ ok: false, code: 'bad-input' });
    if (!result.ok) expect(result.sentence).toContain(sentence);
    expect(await readingsOf(job)).toBe(before);
  });
});
