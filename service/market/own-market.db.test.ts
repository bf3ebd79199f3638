import { textInput } from '../../scripts/text-input';
import { many, one, pool } from '../../store/database';
import { listSellers } from '../../store/market/sellers';
import { openOwnShop, ownModel, ownSeller } from '../../testing/own-shop';
import { READER } from '../../testing/reader';
import { listFile, must, plansOf, SURE, stateOf } from '../../testing/shop';
import { newJob, pickModel, saveIntake, saveSlots } from '../job/intake/intake';
import { askOffer } from '../job/options/ask-offer';
import type { Caller, Right } from '../staff/access';
import { applyList, undoList } from './apply-list';
import { askMarket, askMarketSchema } from './market';
import { takePart } from './new-part';
import { addOffer, editOffer, newOfferSchema, offerSchema, showOffer, withdrawOffer } from './offers';
import { changeOrigins, originalsToSettle, settleOriginal, undoOrigins } from './originals';
import { fixRow, showList, takeList } from './price-lists';
import { addSeller, mergeSellers, retireSeller, saveSeller, sellerSchema } from './sellers';
import { understandOffer } from './understand-offer';

const shop = openOwnShop({ tasks: true });

const bytes = (text: string) => new TextEncoder().encode(text);
const MODULE = {
  generation: 'DDR4',
  form: 'SO-DIMM',
  buffering: 'unbuffered',
  ecc: false,
  capacityMiB: 8192,
  rateMTs: 2666,
  casLatency: 19,
  voltagesMv: [1200],
} as const;

const typed = (sellerId: number, more: object = {}) =>
  newOfferSchema.parse({
    offer: { sellerId, title: '8GB DDR4-2666 SO-DIMM', modules: 1, module: MODULE, origin: 'third-party', ...more },
    price: { costCents: 2_000 },
  });

/** A new job on a model of the library, with one module of 8 GB in it. */
async function jobOn(modelId: number, by: Caller<Right> = shop.tam): Promise<number> {
  const { id } = must(await newJob(by));
  must(await saveIntake(by, id, { customerName: 'Hedda Vane', needMiB: 16_384 }));
  must(await pickModel(by, id, modelId));
  const { slots, job } = await stateOf(id);
  const filled = slots.map((slot, nr) => ({
    ...slot,
    module: nr === 0 ? { ...MODULE, voltagesMv: [...MODULE.voltagesMv], ranks: null, maker: null, part: null } : null,
    moduleSource: 'typed' as const,
  }));
  must(await saveSlots(by, id, { version: job.slotsVersion, slots: filled }));
  return id;
}

const lanesOf = async (jobId: number): Promise<string[]> =>
  [...new Set((await plansOf(jobId)).map(({ lane }) => lane))].sort();

const named = async (name: string) => (await listSellers(pool())).find((one) => one.name === name);

describe('sellers', () => {
  it('are made and renamed, two of one name are refused in a sentence', async () => {
    const id = await ownSeller(shop.tam, 'Quay Parts', { partsOf: ' Tarnholt ' });
    expect(await named('Quay Parts')).toMatchObject({ partsOf: 'Tarnholt', offers: 0, retired: false });
    const usual = { leadDays: 1, terms: null, trust: 'marketplace', returns: '', orderContact: '' };
    expect(await addSeller(shop.tam, sellerSchema.parse({ ...usual, name: 'quay PARTS' }))).toMatchObject({
      ok: false,
      sentence: expect.stringContaining('There is a seller called Quay Parts already'),
    });
    const other = await ownSeller(shop.tam, 'Dock Supply');
    expect(await saveSeller(shop.tam, other, sellerSchema.parse({ ...usual, name: 'Quay Parts' }))).toMatchObject({
      ok: false,
      code: 'conflict',
    });
    must(await saveSeller(shop.tam, id, sellerSchema.parse({ ...usual, name: 'Quay Parts Ltd' })));
    expect(await named('Quay Parts Ltd')).toMatchObject({ leadDays: 1, partsOf: null });
  });

  it('are merged: offers move, of one number the kept seller’s stays', async () => {
    const [from, into] = [await ownSeller(shop.tam, 'Old Dock'), await ownSeller(shop.tam, 'New Dock')];
    must(await addOffer(shop.tam, typed(from, { sellerPart: 'D-1' })));
    must(await addOffer(shop.tam, typed(from, { sellerPart: 'D-2' })));
    must(await addOffer(shop.tam, typed(into, { sellerPart: 'd-1' })));
    expect(await mergeSellers(shop.tam, from, { into: from })).toMatchObject({ ok: false, code: 'bad-input' });
    expect(must(await mergeSellers(shop.tam, from, { into }))).toEqual({ offers: 1, doubles: 1 });
    expect(await named('Old Dock')).toBeUndefined();
    expect(await named('New Dock')).toMatchObject({ offers: 2 });
  });

  it('are retired with their offers, and come back with those', async () => {
    const id = await ownSeller(shop.tam, 'Pier Trade');
    const { id: gone } = must(await addOffer(shop.tam, typed(id)));
    must(await withdrawOffer(shop.tam, gone, { withdrawn: true }));
    must(await addOffer(shop.tam, typed(id)));
    must(await retireSeller(shop.tam, id, { retired: true }));
    expect(await named('Pier Trade')).toMatchObject({ offers: 0, retired: true });
    expect(await addOffer(shop.tam, typed(id))).toMatchObject({
      ok: false,
      sentence: expect.stringContaining('Pier Trade is retired'),
    });
    must(await retireSeller(shop.tam, id, { retired: false }));
    expect(await named('Pier Trade')).toMatchObject({ offers: 1, retired: false });
  });
});

describe('an offer by hand', () => {
  it('is understood from a title with its price, the library’s models bound', async () => {
    const model = await ownModel('Heron 3', { productStrings: ['th3-110'] });
    const title = 'Genuine Tarnholt 8GB DDR4-2666 CL19 SO-DIMM for TH3-110, TH9-999, 34.90 EUR';
    expect(must(await understandOffer(READER, bytes(title)))).toMatchObject({
      title: 'Genuine Tarnholt 8GB DDR4-2666 CL19 SO-DIMM for TH3-110, TH9-999',
      priceCents: 3490,
      currency: 'EUR',
      origin: 'original',
      originalOf: 'Tarnholt',
      models: [{ id: model, name: 'Tarnholt Heron 3, 2019' }],
      unbound: ['TH9-999'],
      module: { capacityMiB: 8192, generation: 'DDR4', rateMTs: 2666 },
    });
    expect(must(await understandOffer(READER, bytes('Corrick 16GB DDR4-3200 SO-DIMM used 19.00 EUR')))).toMatchObject({
      origin: 'used',
      models: [],
    });
    expect(await understandOffer(READER, bytes(''))).toMatchObject({ ok: false });
  });

  it('keeps how long somebody answers for it, and tells it where it is planned with', async () => {
    const seller = await ownSeller(shop.tam, 'Guarantee Trade');
    const { id } = must(await addOffer(shop.tam, typed(seller, { guaranteeMonths: 120 })));
    const job = await jobOn(await ownModel('Plover 4'));
    const told = async () => {
      must(await askOffer(shop.tam, job, { offer: id }));
      return (await stateOf(job)).market.supplies.get(`offer-${id}`)?.guaranteeMonths;
    };
    expect(await told()).toBe(120);
    const { offer } = typed(seller, { guaranteeMonths: null });
    must(await editOffer(shop.tam, id, offer));
    expect(await told()).toBeNull();
    expect(() => typed(seller, { guaranteeMonths: 0 })).toThrow();
  });

  it('that is an original needs whose it is and what for, in a sentence', async () => {
    const seller = await ownSeller(shop.tam, 'Tern Parts');
    const add = (more: object) => addOffer(shop.tam, typed(seller, { origin: 'original', ...more }));
    expect(await add({})).toMatchObject({ ok: false, sentence: expect.stringContaining('Enter whose original it is') });
    expect(await add({ originalOf: 'Tarnholt' })).toMatchObject({
      ok: false,
      sentence: 'Choose the models that it is for, or all models of Tarnholt.',
    });
    expect(await add({ originalOf: 'Tarnholt', modelIds: [999_999] })).toMatchObject({ ok: false });
  });

  it('is edited, withdrawn and put back; its number is one of its seller’s, its history stays', async () => {
    const seller = await ownSeller(shop.tam, 'Gull Parts');
    const { id } = must(await addOffer(shop.tam, typed(seller, { sellerPart: 'G-1', stock: 4 })));
    const { offer } = typed(seller, { sellerPart: 'G-1', stock: 9, leadDays: 2, title: 'put right' });
    must(await editOffer(shop.tam, id, offer));
    expect(must(await showOffer(READER, id))).toMatchObject({
      title: 'put right',
      stock: 9,
      leadDays: 2,
      origin: 'third-party',
    });
    const other = must(await addOffer(shop.tam, typed(seller, { sellerPart: 'G-2' })));
    expect(await editOffer(shop.tam, other.id, offerSchema.parse({ ...offer, sellerPart: 'g-1' }))).toMatchObject({
      ok: false,
      sentence: expect.stringContaining('has an offer with the number g-1 already'),
    });
    const larger = { ...offer, module: { ...MODULE, voltagesMv: [1200], capacityMiB: 16_384 } };
    expect(await editOffer(shop.tam, id, larger)).toMatchObject({ ok: false });
    must(await withdrawOffer(shop.tam, id, { withdrawn: true }));
    expect(await withdrawOffer(shop.tam, id, { withdrawn: true })).toMatchObject({ ok: false, code: 'not-found' });
    // Its number is free for another one meanwhile; then it comes back under a number of its own.
    must(await addOffer(shop.tam, typed(seller, { sellerPart: 'G-1' })));
    must(await withdrawOffer(shop.tam, id, { withdrawn: false }));
    const { prices } = await one<{ prices: number }>(
      pool(),
      'select count(*) as prices from offer_price where offer_id = $1',
      [id],
    );
    expect(prices).toBe(1);
  });
});

describe('an original', () => {
  it('by hand is on the ladder of its models and of no other', async () => {
    const [own, other] = [await ownModel('Lumen 5'), await ownModel('Lumen 7')];
    const seller = await ownSeller(shop.tam, 'Lumen Parts');
    must(await addOffer(shop.tam, typed(seller, { origin: 'original', originalOf: 'Tarnholt', modelIds: [own] })));
    must(await addOffer(shop.tam, typed(seller)));
    expect(await lanesOf(await jobOn(own))).toEqual(['original', 'third-party']);
    expect(await lanesOf(await jobOn(other))).toEqual(['third-party']);
    // The machine's own desk shows it as well, and the other's does not.
    const shown = async (job: number) =>
      must(await askMarket(READER, askMarketSchema.parse({ jobId: job, text: 'original' }))).rows.map(
        ({ originalOf }) => originalOf,
      );
    expect(await shown(await jobOn(own))).toEqual(['Tarnholt']);
    expect(await shown(await jobOn(other))).toEqual([]);
  });

  it('of a list with an origin column is for the right models alone; undone it is what it was', async () => {
    const [own, other] = [await ownModel('Plover 2', { modelIds: ['PL2-44'] }), await ownModel('Plover 9')];
    const seller = await ownSeller(shop.tam, 'Plover Trade');
    must(await addOffer(shop.tam, typed(seller, { sellerPart: 'P-2' })));
    const { id } = must(
      await takeList(
        shop.tam,
        seller,
        listFile('plover.csv', [
          'Art.-Nr.;Bezeichnung;Hersteller;Herkunft;Für Modell;EK netto',
          'P-1;Tarnholt 8GB DDR4-2666 SO-DIMM CL19;Tarnholt;Original;PL2-44;34,00',
          'P-2;8GB DDR4-2666 SO-DIMM;Tarnholt;Original;PL2-44, Plover 77;20,00',
          'P-3;Corrick 8GB DDR4-2666 SO-DIMM CL19;Corrick;kompatibel;PL2-44;19,00',
          'P-4;Corrick 8GB DDR4-2666 SO-DIMM CL19;Corrick;Nordland;;19,00',
        ]),
      ),
    );
    const view = await showList(READER, id);
    expect(view?.list.columns).toMatchObject({ sku: 0, title: 1, maker: 2, origin: 3, fits: 4, price: 5 });
    const doubtful = view?.groups.doubtful.first ?? [];
    expect(doubtful.map(({ sku, doubts }) => [sku, doubts])).toEqual([['P-4', ['unknown-origin']]]);
    must(await fixRow(shop.tam, id, { line: 5, fix: { origin: 'third-party' } }));
    must(await applyList(shop.tam, id, SURE));
    expect(await lanesOf(await jobOn(own))).toEqual(['original', 'third-party']);
    expect(await lanesOf(await jobOn(other))).toEqual(['third-party']);
    const origins = () =>
      many<{ sku: string; origin: string; gone: boolean }>(
        pool(),
        `select seller_part as sku, origin, withdrawn_at is not null as gone from offer where seller_id = $1 order by 1`,
        [seller],
      );
    expect((await origins()).map(({ origin }) => origin)).toEqual([
      'original',
      'original',
      'third-party',
      'third-party',
    ]);
    // What the library does not know waits, and is bound once it does.
    expect((await originalsToSettle(READER)).waiting).toContainEqual(
      expect.objectContaining({ maker: 'Tarnholt', said: 'Plover 77', offers: 1 }),
    );
    must(await undoList(shop.tam, id));
    expect(await origins()).toEqual([
      { sku: 'P-1', origin: 'original', gone: true },
      { sku: 'P-2', origin: 'third-party', gone: false },
      { sku: 'P-3', origin: 'third-party', gone: true },
      { sku: 'P-4', origin: 'third-party', gone: true },
    ]);
  });

  it('of a maker’s own parts shop is for every machine of that maker, known to the library or not', async () => {
    const [own, stranger] = [await ownModel('Dunlin 1', { maker: 'Osprey' }), await ownModel('Dunlin 1')];
    const seller = await ownSeller(shop.tam, 'Osprey Parts', { partsOf: 'OSPREY GmbH' });
    const { id } = must(
      await takeList(
        shop.tam,
        seller,
        listFile('osprey.csv', [
          'Art;Text;Preis',
          'O-1;8GB DDR4-2666 SO-DIMM;31,00',
          'O-2;16GB DDR4-2666 SO-DIMM;58,00',
        ]),
      ),
    );
    must(await applyList(shop.tam, id, SURE));
    expect(await lanesOf(await jobOn(own))).toContain('original');
    expect(await lanesOf(await jobOn(stranger))).not.toContain('original');
  });

  it('of a genuine-part page on a job is on its ladder where the machine is one of those, and on no other’s', async () => {
    const [own, other] = [await ownModel('Teal 4', { modelIds: ['TL4-1'] }), await ownModel('Teal 6')];
    const product = {
      '@type': 'Product',
      name: '8GB DDR4-2666 SO-DIMM CL19',
      brand: 'Tarnholt',
      sku: 'T-77',
      isAccessoryOrSparePartFor: { '@type': 'Product', name: 'TL4-1', brand: 'Tarnholt' },
      offers: {
        '@type': 'Offer',
        price: '36.00',
        priceCurrency: 'EUR',
        seller: { '@type': 'Organization', name: 'Teal Parts' },
      },
    };
    const page = `<!doctype html><html><script type="application/ld+json">${JSON.stringify(product)}</script></html>`;
    await ownSeller(shop.tam, 'Teal Parts');
    const paste = async (job: number) => must(await takePart(shop.tam, job, textInput('page.html', page)));
    const [right, wrong] = [await jobOn(own), await jobOn(other)];
    expect((await paste(right)).sentence).toContain('an original offer of this job');
    expect(await lanesOf(right)).toContain('original');
    expect((await paste(wrong)).sentence).toContain('not for this machine');
    expect(await lanesOf(wrong)).not.toContain('original');
  });

  it('whose model nobody knows is settled by hand, for all that say it, or by a model that is added', async () => {
    const seller = await ownSeller(shop.tam, 'Wader Parts');
    const original = { origin: 'original', originalOf: 'Tarnholt' };
    must(await addOffer(shop.tam, typed(seller, { ...original, unbound: ['Wader 1'] })));
    const both = must(await addOffer(shop.tam, typed(seller, { ...original, unbound: ['Wader 1', 'Wader 2'] })));
    const said = async (name: string) =>
      (await originalsToSettle(READER)).waiting.find((one) => one.said === name)?.offers ?? 0;
    expect([await said('Wader 1'), await said('Wader 2')]).toEqual([2, 1]);
    const model = await ownModel('W-One');
    expect(must(await settleOriginal(shop.tam, { maker: 'Tarnholt', said: 'Wader 1', modelId: model }))).toEqual({
      offers: 2,
    });
    expect(must(await showOffer(READER, both.id))).toMatchObject({ modelIds: [model], unbound: ['Wader 2'] });
    must(await settleOriginal(shop.tam, { maker: 'Tarnholt', said: 'Wader 2', modelId: null }));
    expect([await said('Wader 1'), await said('Wader 2')]).toEqual([0, 0]);
    expect(await settleOriginal(shop.tam, { maker: '', said: 'x', modelId: 999_999 })).toMatchObject({ ok: false });
  });
});

it('the origin of all that is found is changed at once and undone at once', async () => {
  const model = await ownModel('Avocet 5');
  const seller = await ownSeller(shop.tam, 'Avocet Trade');
  for (const nr of [1, 2, 3]) must(await addOffer(shop.tam, typed(seller, { title: `8GB DDR4 avocet ${nr}` })));
  const wish = { text: 'avocet', jobId: null, familyId: null };
  const to = { origin: 'original' as const, originalOf: 'Tarnholt', everyModel: false, modelIds: [model] };
  expect(await changeOrigins(shop.tam, { ...wish, ...to, seen: 2 })).toMatchObject({ ok: false, code: 'conflict' });
  expect(await changeOrigins(shop.tam, { ...wish, ...to, modelIds: [], seen: 3 })).toMatchObject({ ok: false });
  const { changed, event } = must(await changeOrigins(shop.tam, { ...wish, ...to, seen: 3 }));
  expect(changed).toBe(3);
  const job = await jobOn(model);
  expect(await lanesOf(job)).toContain('original');
  expect(must(await undoOrigins(shop.tam, { event }))).toEqual({ changed: 3 });
  const now = await many<{ origin: string }>(pool(), 'select distinct origin from offer where seller_id = $1', [
    seller,
  ]);
  expect(now).toEqual([{ origin: 'third-party' }]);
  expect(await undoOrigins(shop.tam, { event: 1 })).toMatchObject({ ok: false });
});

it('undone at once, an original waits for the machine again that nobody knew', async () => {
  const seller = await ownSeller(shop.tam, 'Dotterel Trade');
  const original = { title: '8GB DDR4 dotterel', origin: 'original', originalOf: 'Tarnholt' };
  const { id } = must(await addOffer(shop.tam, typed(seller, { ...original, unbound: ['Dotterel 9'] })));
  const wish = { text: 'dotterel', jobId: null, familyId: null, seen: 1 };
  const to = { origin: 'third-party' as const, originalOf: '', everyModel: false, modelIds: [] };
  const { event } = must(await changeOrigins(shop.tam, { ...wish, ...to }));
  expect(must(await showOffer(READER, id))).toMatchObject({ origin: 'third-party', unbound: [] });
  must(await undoOrigins(shop.tam, { event }));
  expect(must(await showOffer(READER, id))).toMatchObject({ origin: 'original', unbound: ['Dotterel 9'] });
});
