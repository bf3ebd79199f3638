import { SUPPLIED_TEXTS, TEXT_KEYS } from '../../core/quoting/words/shop-texts';
import { pool, transaction } from '../../store/database';
import { listWanted } from '../../store/orders/orders';
import { openOwnShop, ownModel, ownSeller } from '../../testing/own-shop';
import { READER } from '../../testing/reader';
import { must, plansOf, stateOf } from '../../testing/shop';
import { newJob, pickModel, saveIntake, saveSlots } from '../job/intake/intake';
import { agreeLimits } from '../job/limits/limits';
import { draftOptions } from '../job/options/draft-options';
import { acceptSpoken } from '../job/quote/accept';
import { choosePlan, sendQuote } from '../job/quote/quote';
import { approveTexts } from '../shop/shop-texts';
import { addOffer, newOfferSchema } from './offers';
import { addNewStock, changeStock, newStockSchema, showOwnStock } from './own-stock';
import { settlePieces, showShelf } from './shelf';

const shop = openOwnShop();

const LABEL = 'Corrick 8GB DDR4-2666 CL19 SO-DIMM';
const MODULE = {
  generation: 'DDR4' as const,
  form: 'SO-DIMM',
  buffering: 'unbuffered' as const,
  ecc: false,
  capacityMiB: 8192,
  rateMTs: 2666,
  casLatency: 19,
  ranks: null,
  voltagesMv: [1200],
  maker: null,
  part: null,
};

const add = (more: object = {}) =>
  addNewStock(shop.tam, newStockSchema.parse({ label: LABEL, quantity: 3, costCents: 2_000, ...more }));
const stockOf = async (offerId: number) => (await showOwnStock(READER)).find((row) => row.offerId === offerId);

async function jobOn(modelId: number): Promise<number> {
  const { id } = must(await newJob(shop.tam));
  must(await saveIntake(shop.tam, id, { customerName: 'Hedda Vane', needMiB: 16_384 }));
  must(await pickModel(shop.tam, id, modelId));
  const { slots, job } = await stateOf(id);
  const filled = slots.map((slot, nr) => ({
    ...slot,
    module: nr === 0 ? MODULE : null,
    moduleSource: 'typed' as const,
  }));
  must(await saveSlots(shop.tam, id, { version: job.slotsVersion, slots: filled }));
  must(await agreeLimits(shop.tam, id, true));
  return id;
}

beforeAll(async () => {
  const texts = TEXT_KEYS.map((key) => ({ key, words: SUPPLIED_TEXTS.en[key] }));
  must(await approveTexts(shop.wren, { language: 'en', texts }));
});

describe('new modules in stock', () => {
  it('are offered first at an equal price, promised by a sent quote, set aside by a yes, and counted down when fitted', async () => {
    const { offerId } = must(await add({ place: 'drawer 3', leastStock: 3 }));
    const seller = await ownSeller(shop.tam, 'Stock Rival');
    const rival = { sellerId: seller, title: LABEL, modules: 1, module: MODULE, origin: 'third-party' };
    const { id: other } = must(
      await addOffer(shop.tam, newOfferSchema.parse({ offer: rival, price: { costCents: 2_000 } })),
    );
    const job = await jobOn(await ownModel('Stock 1'));
    const plan = (await plansOf(job)).find(({ totalMiB, reuse }) => totalMiB === 16_384 && reuse === 'add');
    expect(plan?.bought).toEqual([{ offer: `offer-${offerId}`, count: 1 }]);
    expect(other).not.toBe(offerId);
    must(await choosePlan(shop.tam, job, { place: 1, kept: plan?.kept ?? [], bought: plan?.bought ?? [] }));
    const options = draftOptions(await stateOf(job)).flatMap((one) => (one.ok ? [one.option] : []));
    must(await sendQuote(shop.tam, job, { seen: options.map(({ place, totalCents }) => ({ place, totalCents })) }));
    expect(await stockOf(offerId)).toMatchObject({ free: 2, promised: 1, place: 'drawer 3', leastStock: 3 });
    const ticked = options[0]?.statements ?? [];
    must(await acceptSpoken(shop.tam, job, { place: 1, signed: 'Hedda Vane', ticked }));
    expect(await stockOf(offerId)).toMatchObject({ free: 2, promised: 1 });
    // It lies here: nothing is ordered for it.
    expect(await listWanted(pool(), job)).toEqual([]);
    await transaction((db) => settlePieces(db, job, (options[0] ?? null) as (typeof options)[number]));
    expect(await stockOf(offerId)).toMatchObject({ free: 2, promised: 0 });
    // They are no used pieces of the shelf.
    expect(await showShelf(READER)).toEqual([]);
  });

  it('are added to, taken away as far as they are free, and moved', async () => {
    const { offerId } = must(await add({ label: 'Vellamo 16GB DDR4-3200 CL22 SO-DIMM' }));
    must(await changeStock(shop.tam, offerId, { what: 'add', quantity: 4, costCents: 2_150 }));
    expect(await stockOf(offerId)).toMatchObject({ free: 7, costCents: 2_150 });
    expect(await changeStock(shop.tam, offerId, { what: 'take', quantity: 8, why: '' })).toMatchObject({
      ok: false,
      sentence: 'Only 7 are free; the others are promised to jobs.',
    });
    must(await changeStock(shop.tam, offerId, { what: 'take', quantity: 7, why: 'lent' }));
    must(await changeStock(shop.tam, offerId, { what: 'rule', place: 'safe', leastStock: 2 }));
    expect(await stockOf(offerId)).toMatchObject({ free: 0, place: 'safe', leastStock: 2 });
    expect(await changeStock(shop.tam, 999_999, { what: 'add', quantity: 1, costCents: null })).toMatchObject({
      ok: false,
    });
  });

  it('that are a maker’s own are for its machines alone', async () => {
    const [own, stranger] = [await ownModel('Stock 2', { maker: 'Osprey' }), await ownModel('Stock 3')];
    const original = { origin: 'original', originalOf: 'Osprey', everyModel: true, costCents: 100 };
    const { offerId } = must(await add(original));
    const buys = async (job: number) =>
      (await plansOf(job)).some(({ bought }) => bought.some(({ offer }) => offer === `offer-${offerId}`));
    expect(await buys(await jobOn(own))).toBe(true);
    expect(await buys(await jobOn(stranger))).toBe(false);
    expect(await add({ origin: 'original' })).toMatchObject({ ok: false, sentence: 'Enter whose original it is.' });
    expect(await add({ label: '16 GB' })).toMatchObject({ ok: false });
  });

  it.each([
    [{ quantity: 0 }, 'At least one.'],
    [{ quantity: 501 }, 'At most 500 at once.'],
    [{ costCents: 0 }, 'A price is above 0.'],
    [{ leastStock: 0 }, 'A minimum is at least 1.'],
  ])('are refused in a sentence: %j', (more, sentence) => {
    const read = newStockSchema.safeParse({ label: LABEL, quantity: 3, costCents: 2_000, ...more });
    expect(read.error?.issues[0]?.message).toBe(sentence);
  });
});
