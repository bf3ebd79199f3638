import { SUPPLIED_TEXTS } from '../../core/quoting/words/shop-texts';
import { many, pool } from '../../store/database';
import { listOwnStock } from '../../store/market/own-stock';
import { choose, must, openTestShop, plansOf, readTill, seen, stateOf } from '../../testing/shop';
import { draftOptions } from '../job/options/draft-options';
import { acceptSpoken } from '../job/quote/accept';
import { openQuote, sendQuote } from '../job/quote/quote';
import { ownPartSchema, takeOwnPart } from './own-part';

const shop = openTestShop();
const LABEL = 'Kestrelite 16GB DDR4-2666 CL19 DIMM 288-pin';

const take = (id: number, more: object = {}) =>
  takeOwnPart(shop.teo, id, ownPartSchema.parse({ label: LABEL, count: 1, ...more }));

describe('a part that the customer brings', () => {
  it('is planned with at no price, for its job alone, and is no stock of ours', async () => {
    const id = await readTill(shop.teo);
    const before = await listOwnStock(pool());
    const { offer } = must(await take(id));
    const { market } = await stateOf(id);
    expect(market.offers.find((one) => one.id === offer)).toMatchObject({ priceCents: 0, stock: 1 });
    expect(market.supplies.get(offer)).toMatchObject({ costCents: 0, seller: 'Customer', leadDays: null });
    const buying = (await plansOf(id)).filter(({ bought }) => bought.some((one) => one.offer === offer));
    expect(buying.length).toBeGreaterThan(0);
    expect(buying.every(({ bought }) => bought.every((one) => one.offer !== offer || one.count === 1))).toBe(true);
    const other = await readTill(shop.teo);
    expect((await stateOf(other)).market.offers.some((one) => one.id === offer)).toBe(false);
    expect(await listOwnStock(pool())).toEqual(before);
    const pieces = await many(pool(), 'select id from shelf_piece where offer_id = $1', [Number(offer.slice(6))]);
    expect(pieces).toEqual([]);
  });

  it('is quoted with its fitting only, saves nothing, and says for what nobody answers', async () => {
    const id = await readTill(shop.teo);
    const { offer } = must(await take(id));
    await choose(shop.teo, id, 1, ({ bought }) => bought.length === 1 && bought[0]?.offer === offer);
    const [drafted] = draftOptions(await stateOf(id));
    if (drafted?.ok !== true) throw new Error('no option');
    const { option } = drafted;
    const [part, ...rest] = option.lines;
    expect(part).toMatchObject({ kind: 'part', totalCents: 0, about: 'your own part' });
    expect(rest.every(({ kind }) => kind === 'labour')).toBe(true);
    expect(option.totalCents).toBe(rest.reduce((sum, { totalCents }) => sum + totalCents, 0));
    expect([option.savingCents, option.maker, option.shop.costCents]).toEqual([null, undefined, 0]);
    expect(option.statements).toContain(SUPPLIED_TEXTS.en['own-part']);
    const { token } = must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
    expect((await openQuote(token))?.quote.options[0]?.lines[0]?.about).toBe('your own part');
    must(await acceptSpoken(shop.teo, id, { place: 1, signed: 'Hedda Vane', ticked: option.statements ?? [] }));
    const { work, drifts } = await stateOf(id);
    expect([work.wanted, drifts]).toEqual([[], []]);
  });

  it('needs a label that says what it is', async () => {
    const id = await readTill(shop.teo);
    expect(await take(id, { label: 'some memory' })).toMatchObject({ code: 'bad-input' });
    expect(ownPartSchema.safeParse({ label: LABEL, count: 0 }).success).toBe(false);
  });
});
