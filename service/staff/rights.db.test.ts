import { many, one, pool } from '../../store/database';
import { acceptedTill, fitted, fittedReport, orderAll, workOf } from '../../testing/bench';
import { READER } from '../../testing/reader';
import { as, choose, must, openTestShop, readTill, seen, stateOf, thirdParty16 } from '../../testing/shop';
import { modulesOut, settleOldModule } from '../job/bench/old-modules';
import { takeProof } from '../job/proof/proof';
import { followUp, signTheProof } from '../job/proof/sign-proof';
import { customerScreen } from '../job/quote/customer-screen';
import { openQuote, releaseOption, sendQuote } from '../job/quote/quote';
import { answerQuote } from '../job/quote/quote-answers';
import { writeLine, writeTerms } from '../job/quote/quote-terms';
import { renewQuote } from '../job/quote/renew-quote';
import { jobView } from '../job/view';
import { askMarket, askMarketSchema, seenMarket } from '../market/market';
import { takePart } from '../market/new-part';
import { changeOrder, showOrder, showOrders } from '../orders/orders';
import { basketView, orderView } from '../orders/view';
import { saveRoleRule } from '../shop/role-rule';
import { type Caller, mayDo, type Right } from './access';

const shop = openTestShop();
let edda: Caller<Right>;
let runa: Caller<Right>;
beforeAll(async () => {
  [edda, runa] = [await as('edda'), await as('runa')];
});

const count = async (table: 'shelf_piece' | 'trial' | 'seller'): Promise<number> =>
  (await one<{ count: number }>(pool(), `select count(*)::int as count from ${table}`)).count;

describe('the counter role may not do elsewhere what it may not do', () => {
  it('put a piece on the shelf through an old module', async () => {
    const id = await acceptedTill(shop.teo, ({ lane, reuse }) => lane === 'third-party' && reuse === 'replace');
    const { accepted } = await workOf(id);
    const slot = accepted === null ? '' : (modulesOut(accepted)[0]?.slot ?? '');
    const piece = {
      label: 'used 8 GB DDR4-2400 CL17 1Rx8 DIMM',
      serial: '',
      test: 'read',
      grade: 'B',
      note: '',
    } as const;
    const pieces = await count('shelf_piece');
    const put = (caller: Caller<Right>) =>
      settleOldModule(caller, id, { fate: 'shelf', slot, piece: { ...piece, worthCents: 300 } });
    expect(await put(edda)).toMatchObject({ ok: false, code: 'forbidden' });
    expect(await count('shelf_piece')).toBe(pieces);
    must(await put(shop.teo));
    expect(await count('shelf_piece')).toBe(pieces + 1);
  });

  it('write a trial through a follow-up, which is noted all the same', async () => {
    const id = await acceptedTill(shop.teo);
    await fitted(shop.teo, id);
    must(await takeProof(shop.teo, id, await fittedReport(id)));
    const proof = (await workOf(id)).proofs[0]?.id ?? 0;
    const sign = { proof, verdict: 'kept', remark: '', depth: 'total-read', loadedMinutes: null } as const;
    must(await signTheProof(shop.teo, id, sign));
    const trials = await count('trial');
    must(await followUp(edda, id, { proof, works: true, note: '' }));
    expect(await count('trial')).toBe(trials);
    expect((await workOf(id)).proofs[0]?.followUps).toHaveLength(1);
    must(await followUp(shop.teo, id, { proof, works: true, note: '' }));
    expect(await count('trial')).toBe(trials + 1);
  });

  it('take an offer off the market through order news, nor an order back', async () => {
    const id = await acceptedTill(shop.teo);
    const [order = 0] = await orderAll(shop.teo, id);
    const line = (await showOrder(READER, order))?.order.lines[0];
    const stock = async () =>
      (await one<{ stock: number | null }>(pool(), 'select stock from offer where id = $1', [line?.offerId])).stock;
    const before = await stock();
    const news = { line: line?.id ?? 0, quantity: 1, note: '' };
    expect(await changeOrder(edda, order, { what: 'cancel' })).toMatchObject({ code: 'forbidden' });
    expect(await changeOrder(edda, order, { what: 'never', ...news })).toMatchObject({ code: 'forbidden' });
    expect(await stock()).toBe(before);
    expect((await showOrder(READER, order))?.order.lines[0]?.news).toEqual([]);
    must(await changeOrder(shop.teo, order, { what: 'never', ...news }));
    expect(await stock()).toBe(0);
    expect(await changeOrder(edda, order, { what: 'take-back', line: news.line })).toMatchObject({ code: 'forbidden' });
    expect(await stock()).toBe(0);
  });

  it('make a seller through a part', async () => {
    const id = await readTill(shop.teo);
    const part = (seller: string) => ({
      name: 'page.html',
      input: new TextEncoder().encode(
        `<!doctype html><title>Shop</title><script type="application/ld+json">${JSON.stringify({
          '@context': 'https://schema.org',
          '@type': 'Product',
          name: 'Corrick 16GB DDR4-2400 CL17 DIMM',
          offers: { '@type': 'Offer', price: '31.90', priceCurrency: 'EUR', seller: { name: seller } },
        })}</script>`,
      ),
    });
    const sellers = await count('seller');
    const refused = await takePart(edda, id, part('Brackwater Bits'));
    expect(refused).toMatchObject({ ok: false });
    expect(!refused.ok && refused.sentence).toContain('Brackwater Bits is not one of our sellers');
    expect(await count('seller')).toBe(sellers);
    must(await takePart(shop.teo, id, part('Brackwater Bits')));
    expect(await count('seller')).toBe(sellers + 1);
    must(await takePart(edda, id, part('Brackwater Bits')));
  });
});

describe('the lowest margin', () => {
  const cheap = async () => {
    const id = await readTill(shop.teo);
    const plan = await choose(shop.teo, id, 1, thirdParty16);
    const key = `part:${plan.bought[0]?.offer}`;
    must(await writeLine(shop.teo, id, 1, { key, text: null, eachCents: 1 }));
    return id;
  };
  const send = async (caller: Caller<Right>, id: number) => sendQuote(caller, id, { seen: await seen(id) });

  it('holds for everybody but an owner, whoever typed the price', async () => {
    const id = await cheap();
    for (const caller of [edda, shop.teo]) {
      const refused = await send(caller, id);
      expect(refused).toMatchObject({ ok: false, code: 'conflict' });
      expect(!refused.ok && refused.sentence).toContain('below the shop’s lowest margin');
    }
    expect((await stateOf(id)).sent).toEqual([]);
    must(await send(runa, id));
  });

  it('is let go by an owner at one price, and at no other', async () => {
    const id = await cheap();
    const [option] = await seen(id);
    if (option === undefined) throw new Error('no option');
    expect(await releaseOption(runa, id, { ...option, totalCents: option.totalCents + 1 })).toMatchObject({
      code: 'conflict',
    });
    must(await releaseOption(runa, id, option));
    const { draft, terms } = await stateOf(id);
    expect(draft?.released).toEqual([option]);
    must(
      await writeTerms(edda, id, {
        terms: { ...terms, discount: { kind: 'amount', cents: 100, reason: 'a regular' } },
        seen: null,
      }),
    );
    expect(await send(edda, id)).toMatchObject({ ok: false, code: 'conflict' });
    must(await writeTerms(edda, id, { terms, seen: null }));
    must(await send(edda, id));
  });

  it('is what an owner sets', async () => {
    const id = await readTill(shop.teo);
    await choose(shop.teo, id, 1, thirdParty16);
    must(await saveRoleRule(runa, { counterSeesCost: false, lowestMarginBp: 10_000 }));
    expect(await send(shop.teo, id)).toMatchObject({ ok: false, code: 'conflict' });
    must(await saveRoleRule(runa, { counterSeesCost: false, lowestMarginBp: 0 }));
    must(await send(shop.teo, id));
  });
});

describe('what things cost', () => {
  /** A job whose costs are told from everything else. */
  const marked = async () => {
    const id = await acceptedTill(shop.teo);
    await choose(shop.teo, id, 1, thirdParty16);
    const state = await stateOf(id);
    const option = state.sent[0]?.snapshot.options[0];
    const { costCents = 0, marginCents = 0, bought = [] } = option?.shop ?? {};
    return { id, state, secrets: [...new Set([costCents, marginCents, ...bought.map((one) => one.costCents)])] };
  };
  const holds = (data: unknown, cents: number) => new RegExp(`[:,\\[]${cents}[,}\\]]`).test(JSON.stringify(data));

  it('is in no data of a job’s page for the counter, unless an owner says so', async () => {
    const { state, secrets } = await marked();
    const forTeo = jobView(state, shop.teo);
    const forEdda = jobView(state, edda);
    const stations = ({ slip, sent, drifts, work }: typeof forEdda) => ({ slip, sent, drifts, work });
    for (const cents of secrets) {
      expect([cents, holds(stations(forTeo), cents)]).toEqual([cents, true]);
      expect([cents, holds(stations(forEdda), cents)]).toEqual([cents, false]);
    }
    expect(JSON.stringify(stations(forEdda))).not.toMatch(/costCents":\d|marginCents|wasCents|leftCents/);
    must(await saveRoleRule(runa, { counterSeesCost: true, lowestMarginBp: 0 }));
    const told = await as('edda');
    expect(mayDo(told, 'costs.read')).toBe(true);
    expect(secrets.every((cents) => holds(stations(jobView(state, told)), cents))).toBe(true);
    must(await saveRoleRule(runa, { counterSeesCost: false, lowestMarginBp: 0 }));
    expect(mayDo(await as('edda'), 'costs.read')).toBe(false);
  });

  it('is in nothing of the screen that is turned to the customer', async () => {
    const { id, secrets } = await marked();
    const screen = await customerScreen(READER, id);
    expect(screen?.options).toHaveLength(1);
    for (const cents of secrets) expect([cents, holds(screen, cents)]).toEqual([cents, false]);
    expect(JSON.stringify(screen)).not.toMatch(/"shop"|seller|costCents|supplies|margin/i);
    expect(JSON.stringify(screen)).toContain(String(screen?.options[0]?.totalCents));
  });

  it('is in no offer and no order that the counter is shown', async () => {
    const market = must(await askMarket(READER, askMarketSchema.parse({ text: '16GB DDR4' })));
    const offers = seenMarket(market, false);
    expect(offers.rows.length).toBeGreaterThan(0);
    for (const [nr, row] of offers.rows.entries()) {
      expect(row).toMatchObject({ costCents: null, history: [], sellCents: market.rows[nr]?.sellCents });
    }
    await acceptedTill(shop.teo);
    const { baskets, orders } = await showOrders(READER);
    const shown = [...baskets.map((one) => basketView(one, false)), ...orders.map((one) => orderView(one, false))];
    expect(shown.length).toBeGreaterThan(0);
    expect(JSON.stringify(shown)).not.toMatch(/(each|quoted|printed)Cents":\d/);
    expect(JSON.stringify(baskets.map((one) => basketView(one, true)))).toMatch(/eachCents":\d/);
  });
});

describe('an accepted quote', () => {
  it('is changed by a change order only, which says so to both, and keeps its yes on its own page', async () => {
    const id = await acceptedTill(shop.teo);
    const before = (await stateOf(id)).links.values().next().value?.token ?? '';
    must(await renewQuote(shop.teo, id));
    const refused = await sendQuote(shop.teo, id, { seen: await seen(id) });
    expect(refused).toMatchObject({ ok: false, code: 'conflict' });
    expect(!refused.ok && refused.sentence).toMatch(/^Option 1 of \d+-\d+ is accepted: send this as a change order\.$/);
    expect((await openQuote(before))?.standing).toBe('accepted');

    const { token } = must(await sendQuote(shop.teo, id, { seen: await seen(id), changeOrder: true }));
    const old = await openQuote(before);
    expect(old).toMatchObject({ standing: 'replaced', answer: { kind: 'accepted', signed: 'Hedda Vane' } });
    const changed = await openQuote(token);
    expect(changed).toMatchObject({ standing: 'open', answer: null });
    expect(changed?.quote.changes).toMatchObject({ number: old?.quote.number, place: 1 });
    // Until the customer says yes again, nothing of it is wanted.
    expect((await workOf(id)).accepted).toBeNull();
    must(
      await answerQuote(token, {
        kind: 'accept',
        place: 1,
        signed: 'Hedda Vane',
        ticked: changed?.quote.options[0]?.statements ?? [],
      }),
    );
    expect((await workOf(id)).accepted?.quote.number).toBe(changed?.quote.number);
    const kinds = await many<{ kind: string }>(pool(), 'select kind from event where job_id = $1', [id]);
    expect(kinds.map(({ kind }) => kind)).toContain('change-order-sent');
  });

  it('is no change order where nothing is accepted', async () => {
    const id = await readTill(shop.teo);
    await choose(shop.teo, id, 1, thirdParty16);
    expect(await sendQuote(shop.teo, id, { seen: await seen(id), changeOrder: true })).toMatchObject({
      code: 'conflict',
    });
  });
});
