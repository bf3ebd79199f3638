import { many, one, pool } from '../../store/database';
import { acceptedTill, orderAll, sentTill, workOf } from '../../testing/bench';
import { READER } from '../../testing/reader';
import { must, openTestShop, seen, stateOf } from '../../testing/shop';
import { acceptSpoken, noteFellThrough } from '../job/quote/accept';
import { sendQuote } from '../job/quote/quote';
import { answerQuote } from '../job/quote/quote-answers';
import { renewQuote } from '../job/quote/renew-quote';
import { putOnShelf } from '../market/shelf';
import { changeOrder, claimOf, orderTable, orderXml, placeOrder, showOrders } from './orders';
import { basketView } from './view';

const shop = openTestShop();
const GB = 1024;

describe('a yes that is said at the counter', () => {
  it('needs every statement agreed to, is taken once, and holds', async () => {
    const id = await sentTill(shop.teo);
    expect(await acceptSpoken(shop.teo, id, { place: 2, signed: 'Hedda Vane', ticked: [] })).toMatchObject({
      code: 'bad-input',
    });
    must(await acceptSpoken(shop.teo, id, { place: 1, signed: 'Hedda Vane', ticked: [] }));
    expect(await acceptSpoken(shop.teo, id, { place: 1, signed: 'Hedda Vane', ticked: [] })).toMatchObject({
      code: 'conflict',
    });
    expect((await workOf(id)).accepted).toMatchObject({ signed: 'Hedda Vane', option: { place: 1 } });
    const photo = await acceptSpoken(shop.teo, 5, { place: 1, signed: 'Lisbet', ticked: [] });
    expect(photo).toMatchObject({ code: 'bad-input' });
  });

  it('said at the counter while the customer presses it on the page is one yes, whoever was first', async () => {
    const id = await sentTill(shop.teo);
    const token = (await stateOf(id)).links.values().next().value?.token ?? '';
    const page = { kind: 'accept' as const, place: 1, signed: 'Hedda on the page', ticked: [] };
    const both = await Promise.all([
      acceptSpoken(shop.teo, id, { place: 1, signed: 'Hedda at the counter', ticked: [] }),
      answerQuote(token, page),
    ]);
    expect(both.map(({ ok }) => ok).sort()).toEqual([false, true]);
    expect((await stateOf(id)).answers).toHaveLength(1);
  });

  it('sets pieces of the shelf aside for good, and frees them when the job comes to nothing', async () => {
    const piece = {
      label: 'used 8 GB DDR4-2400 CL17 1Rx8 DIMM',
      serial: '',
      test: 'tested' as const,
      grade: 'A' as const,
    };
    const put = async () =>
      must(await putOnShelf(shop.teo, { ...piece, note: '', originJobId: null, worthCents: 300 })).id;
    const pieces = [await put(), await put()];
    const id = await sentTill(shop.teo, ({ lane, totalMiB }) => lane === 'used' && totalMiB === 16 * GB);
    const held = async () =>
      many<{ job: number | null; aside: boolean; until: string | null }>(
        pool(),
        `select job_id as job, set_aside_at is not null as aside, held_until::text as until from shelf_piece
         where id = any($1) and job_id is not null`,
        [pieces],
      );
    expect(await held()).toMatchObject([{ job: id, aside: false }]);
    must(await acceptSpoken(shop.teo, id, { place: 1, signed: 'Hedda Vane', ticked: [] }));
    await pool().query(
      'update shelf_piece set held_until = current_date - 9 where id = any($1) and job_id is not null',
      [pieces],
    );
    expect(await held()).toMatchObject([{ job: id, aside: true }]);
    const stock = async () =>
      (
        await one<{ sum: number }>(
          pool(),
          'select sum(stock)::int as sum from offer join shelf_piece on offer_id = offer.id where shelf_piece.id = any($1)',
          [pieces],
        )
      ).sum;
    const before = await stock();
    expect((await workOf(id)).wanted).toEqual([]);
    must(await noteFellThrough(shop.teo, id, { why: 'the till was sold' }));
    expect(await held()).toEqual([]);
    expect(await stock()).toBe(before + 1);
    must(await noteFellThrough(shop.teo, id, { why: null }));
    expect(await held()).toMatchObject([{ job: id, aside: true }]);
    // A new version promises the same piece again: it is this job's own.
    must(await renewQuote(shop.teo, id));
    must(await sendQuote(shop.teo, id, { seen: await seen(id), changeOrder: true }));
    expect(await held()).toMatchObject([{ job: id, aside: false }]);
  });
});

describe('parts', () => {
  it('come so many days after the day on which the job is needed, ordered today', async () => {
    const id = await acceptedTill(shop.teo);
    const partOf = async () => {
      const all = (await showOrders(READER)).baskets.flatMap((basket) => basketView(basket, false).parts);
      return all.find(({ jobId }) => jobId === id);
    };
    expect(await partOf()).toMatchObject({ neededBy: null, lateDays: 0 });
    const inDays = (days: number) =>
      one<{ day: string }>(
        pool(),
        `update job set needed_by = (now() at time zone (select time_zone from shop))::date + $2::int where id = $1
         returning needed_by as day`,
        [id, days],
      );
    const { lead } = await one<{ lead: number }>(
      pool(),
      `select coalesce(offer.lead_days, seller.lead_days) as lead from offer join seller on seller.id = seller_id
       where offer.id = $1`,
      [(await partOf())?.offerId],
    );
    const { day } = await inDays(lead - 2);
    expect(await partOf()).toMatchObject({ neededBy: day, lateDays: 2 });
    await inDays(lead);
    expect(await partOf()).toMatchObject({ lateDays: 0 });
  });

  it('are wanted over all jobs by seller, ordered once, and what was dead is wanted again', async () => {
    const [a, b] = [await acceptedTill(shop.teo), await acceptedTill(shop.teo)];
    const { baskets } = await showOrders(READER);
    const basket = baskets.find(({ parts }) => parts.some(({ jobId }) => jobId === a));
    expect(basket?.parts.filter(({ jobId }) => jobId === a || jobId === b)).toHaveLength(2);
    const [order] = await orderAll(shop.teo, a);
    expect((await workOf(a)).wanted).toEqual([]);
    const [line] = (await workOf(a)).orders[0]?.lines ?? [];
    if (order === undefined || line === undefined) throw new Error('nothing was ordered');
    const news = (what: 'arrived' | 'dead' | 'never', quantity = 1) =>
      changeOrder(shop.teo, order, { what, line: line.id, quantity, note: 'beeps twice' });
    must(await news('arrived'));
    expect(await news('arrived')).toMatchObject({ code: 'conflict' });
    must(await news('dead'));
    expect((await workOf(a)).wanted).toMatchObject([{ offerId: line.offerId, quantity: 1 }]);
    expect(await claimOf(READER, order, line.id)).toMatchObject({ faults: [{ kind: 'dead', note: 'beeps twice' }] });
    must(await changeOrder(shop.teo, order, { what: 'take-back', line: line.id }));
    expect((await workOf(a)).wanted).toEqual([]);
    expect(await changeOrder(shop.teo, order, { what: 'cancel' })).toMatchObject({ code: 'conflict' });
  });

  it('one that cannot be had any more leads back to the quote: it is sold out, and is taken again with the next best', async () => {
    const id = await acceptedTill(shop.teo);
    const [order] = await orderAll(shop.teo, id);
    const [line] = (await workOf(id)).orders[0]?.lines ?? [];
    if (order === undefined || line === undefined) throw new Error('nothing was ordered');
    expect((await stateOf(id)).drifts).toEqual([]);
    must(await changeOrder(shop.teo, order, { what: 'never', line: line.id, quantity: 1, note: '' }));
    expect((await stateOf(id)).drifts).not.toEqual([]);
    const renewed = must(await renewQuote(shop.teo, id));
    expect(renewed.equal).toEqual([1]);
    must(await changeOrder(shop.teo, order, { what: 'take-back', line: line.id }));
    expect((await stateOf(id)).drifts).toEqual([]);
  });

  it('are not ordered twice by two who order at once', async () => {
    const id = await acceptedTill(shop.teo);
    const { wanted } = await workOf(id);
    const [part] = wanted;
    if (part === undefined) throw new Error('nothing is wanted');
    const parts = [{ job: id, offer: part.offerId, quantity: part.quantity }];
    const both = await Promise.all([1, 2].map(() => placeOrder(shop.teo, { seller: part.sellerId, parts, note: '' })));
    expect(both.map(({ ok }) => ok).sort()).toEqual([false, true]);
  });

  it('an order leaves as a table and as UBL, without customers and what is charged; taken back it is wanted again', async () => {
    const id = await acceptedTill(shop.teo);
    const [order] = await orderAll(shop.teo, id);
    const csv = (await orderTable(READER, order ?? 0))?.bytes.toString() ?? '';
    const xml = (await orderXml(READER, order ?? 0))?.bytes.toString() ?? '';
    expect(csv.split('\r\n')).toHaveLength(4);
    expect(xml).toContain('urn:oasis:names:specification:ubl:schema:xsd:Order-2');
    for (const text of [csv, xml]) {
      expect(text).toContain(`job ${id}`);
      expect(text).not.toContain('Hedda');
    }
    must(await changeOrder(shop.teo, order ?? 0, { what: 'cancel' }));
    expect((await workOf(id)).wanted).not.toEqual([]);
  });
});
