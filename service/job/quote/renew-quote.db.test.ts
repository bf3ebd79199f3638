import type { Plan } from '../../../core/planning/search/plan';
import { pool, run } from '../../../store/database';
import { orderAll } from '../../../testing/bench';
import { choose, must, openTestShop, original16, readTill, seen, stateOf, thirdParty16 } from '../../../testing/shop';
import { changeOrder } from '../../orders/orders';
import { draftOptions } from '../options/draft-options';
import { offerOfKey } from '../options/offers-for-job';
import { changePrice } from '../options/prices';
import { noteFellThrough } from './accept';
import { openQuote, sendQuote } from './quote';
import { answerQuote } from './quote-answers';
import { renewQuote } from './renew-quote';

const shop = openTestShop();

/** A job whose quote is out, with the offer that its first option buys. */
async function out() {
  const job = await readTill(shop.teo);
  const plan = await choose(shop.teo, job, 1, thirdParty16);
  await choose(shop.teo, job, 2, original16);
  const { token } = must(await sendQuote(shop.teo, job, { seen: await seen(job) }));
  return { job, plan, token, offer: offerOfKey(plan.bought[0]?.offer ?? '') };
}
const optionsOf = async (job: number) =>
  draftOptions(await stateOf(job)).flatMap((one) => (one.ok ? [one.option] : []));
const sellOut = (offer: number) => run(pool(), 'update offer set stock = 0 where id = $1', [offer]);
const costOf = async (job: number, plan: Plan) =>
  (await stateOf(job)).market.supplies.get(plan.bought[0]?.offer ?? '')?.costCents ?? 0;

describe('a quote that is out', () => {
  it('keeps its prices when an offer moves; the job says by how much and what that leaves', async () => {
    const { job, plan, token, offer } = await out();
    expect((await stateOf(job)).drifts).toEqual([]);
    const before = await openQuote(token);
    const cost = await costOf(job, plan);
    must(await changePrice(shop.teo, offer, { costCents: cost + 250 }));
    const { drifts } = await stateOf(job);
    const count = plan.bought[0]?.count ?? 0;
    expect(drifts).toMatchObject([
      { place: 1, parts: [{ what: 'dearer', wasCents: cost, nowCents: cost + 250, count }] },
    ]);
    const [drift] = drifts;
    expect((drift?.leftCents ?? 0) - (drift?.leavesCents ?? 0)).toBe(250 * count);
    expect(await openQuote(token)).toEqual(before);
  });

  it('is renewed at today’s prices and sent as a new version, which replaces it', async () => {
    const { job, plan, token, offer } = await out();
    const [first] = (await stateOf(job)).sent[0]?.snapshot.options ?? [];
    must(await changePrice(shop.teo, offer, { costCents: (await costOf(job, plan)) + 1_000 }));
    expect(must(await renewQuote(shop.teo, job))).toEqual({ same: [1, 2], equal: [], lost: [] });
    const [again] = await optionsOf(job);
    expect(again?.shop.bought.map((one) => one.offer)).toEqual(first?.shop.bought.map((one) => one.offer));
    expect(again?.totalCents).toBeGreaterThan(first?.totalCents ?? 0);
    // Until it is sent the former holds.
    expect((await openQuote(token))?.standing).toBe('open');
    must(await sendQuote(shop.teo, job, { seen: await seen(job) }));
    expect((await openQuote(token))?.standing).toBe('replaced');
    expect((await stateOf(job)).drifts).toEqual([]);
  });

  it('whose part is sold out is renewed with the next best equal plan', async () => {
    const { job, plan, offer } = await out();
    await sellOut(offer);
    expect((await stateOf(job)).drifts).toMatchObject([{ place: 1, leavesCents: null, parts: [{ what: 'sold-out' }] }]);
    expect(must(await renewQuote(shop.teo, job))).toEqual({ same: [2], equal: [1], lost: [] });
    const [again] = await optionsOf(job);
    expect(again).toMatchObject({ totalMiB: plan.totalMiB, lane: plan.lane });
    expect(again?.rateMTs).toBeGreaterThanOrEqual(plan.rateMTs);
    expect(again?.shop.bought.map((one) => offerOfKey(one.offer))).not.toContain(offer);
  });

  it('of which nothing equal is left says so, and nothing is put on the slip', async () => {
    const { job } = await out();
    await run(pool(), "update offer set stock = 0 where origin in ('third-party', 'original')");
    expect(await renewQuote(shop.teo, job)).toMatchObject({ ok: false, code: 'conflict' });
    expect((await stateOf(job)).draft).toBeNull();
    await run(pool(), "update offer set stock = null where origin in ('third-party', 'original')");
  });

  it('is not renewed over what is on the slip already, nor where none is out', async () => {
    const { job } = await out();
    await choose(shop.teo, job, 3, thirdParty16);
    expect(await renewQuote(shop.teo, job)).toMatchObject({
      code: 'conflict',
      sentence: expect.stringContaining('draft quote'),
    });
    expect(await renewQuote(shop.teo, await readTill(shop.teo))).toMatchObject({ code: 'conflict' });
  });

  it('that was accepted tells what moved of what is still to be ordered, and nothing once that is ordered', async () => {
    const { job, token, offer } = await out();
    const [, other] = (await stateOf(job)).sent[0]?.snapshot.options ?? [];
    must(await answerQuote(token, { kind: 'accept', place: 1, signed: 'Hedda Vane', ticked: [] }));
    await sellOut(offerOfKey(other?.shop.bought[0]?.offer ?? ''));
    expect((await stateOf(job)).drifts).toEqual([]);
    const before = (await stateOf(job)).work.wanted.find(({ offerId }) => offerId === offer)?.eachCents ?? 0;
    must(await changePrice(shop.teo, offer, { costCents: before + 300 }));
    expect((await stateOf(job)).drifts).toMatchObject([{ place: 1, parts: [{ what: 'dearer' }] }]);
    const orders = await orderAll(shop.teo, job);
    expect((await stateOf(job)).drifts).toEqual([]);
    for (const order of orders) must(await changeOrder(shop.teo, order, { what: 'cancel' }));
    expect((await stateOf(job)).drifts).toMatchObject([{ place: 1 }]);
    must(await noteFellThrough(shop.teo, job, { why: 'the till was sold' }));
    expect((await stateOf(job)).drifts).toEqual([]);
  });
});
