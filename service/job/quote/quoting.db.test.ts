import { createHash } from 'node:crypto';
import { many, one, pool } from '../../../store/database';
import {
  choose,
  must,
  openTestShop,
  original16,
  plansOf,
  readTill,
  seen,
  stateOf,
  thirdParty16,
} from '../../../testing/shop';
import { saveIntake, saveSlots } from '../intake/intake';
import { draftOptions } from '../options/draft-options';
import { changePrice } from '../options/prices';
import { choosePlan, dropPlan, openQuote, sendQuote, suggestPlan } from './quote';
import { contentCode, quoteBytes } from './quote-content';
import { quotePaper } from './quote-files';

const shop = openTestShop();
describe('the slip', () => {
  it('makes an option’s figures itself, whatever the caller says', async () => {
    const id = await readTill(shop.teo);
    const plan = await choose(shop.teo, id, 1, thirdParty16);
    const [only] = draftOptions(await stateOf(id));
    expect(only?.ok === true && only.option.totalCents).toBe(plan.priceCents);
    expect(only?.ok === true && only.option.savingCents).toBe(plan.savingCents);
  });

  it('refuses a plan that is none here', async () => {
    const id = await readTill(shop.teo);
    const unknown = await choosePlan(shop.teo, id, { place: 1, kept: ['Z9'], bought: [] });
    expect(unknown).toMatchObject({ ok: false, code: 'conflict' });
    const tooMany = await choosePlan(shop.teo, id, {
      place: 1,
      kept: [],
      bought: [{ offer: (await plansOf(id))[0]?.bought[0]?.offer ?? '', count: 60 }],
    });
    expect(tooMany).toMatchObject({ ok: false, code: 'conflict' });
    expect((await stateOf(id)).draft).toBeNull();
  });

  it('drops an option, and its being suggested with it', async () => {
    const id = await readTill(shop.teo);
    await choose(shop.teo, id, 1, thirdParty16);
    must(await suggestPlan(shop.teo, id, 1));
    expect(await suggestPlan(shop.teo, id, 2)).toMatchObject({ code: 'conflict' });
    must(await dropPlan(shop.teo, id, 1));
    expect((await stateOf(id)).draft).toMatchObject({ suggested: null, choices: [] });
  });
});

describe('sending', () => {
  it('freezes the figures under the next number, behind a link, without the shop’s side', async () => {
    const id = await readTill(shop.teo);
    await choose(shop.teo, id, 1, thirdParty16);
    await choose(shop.teo, id, 2, original16);
    must(await suggestPlan(shop.teo, id, 1));
    const sent = must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
    expect(sent.number).toMatch(/^20\d\d-\d{4}$/);
    const opened = await openQuote(sent.token);
    expect(opened).toMatchObject({
      standing: 'open',
      answer: null,
      quote: { number: sent.number, suggested: 1, customer: { name: 'Hedda Vane' } },
    });
    expect(JSON.stringify(opened)).not.toMatch(/costCents|marginCents/);
    const paper = await quotePaper(sent.token);
    expect(paper?.name).toBe(`quote-${sent.number}.pdf`);
    const { draft, standings } = await stateOf(id);
    expect(draft).toBeNull();
    expect(standings.quote).toBe('done');
  });

  it('needs a name, an option, a total above 0, and totals that somebody has seen', async () => {
    const id = await readTill(shop.teo);
    expect(await sendQuote(shop.teo, id, { seen: [{ place: 1, totalCents: 1 }] })).toMatchObject({
      sentence: 'Add an option to the draft quote first.',
    });
    await choose(shop.teo, id, 1, (plan) => plan.reuse === 'replace' && plan.lane === 'third-party');
    must(await saveIntake(shop.teo, id, { customerName: '' }));
    expect(await sendQuote(shop.teo, id, { seen: await seen(id) })).toMatchObject({
      sentence: expect.stringContaining('customer’s name'),
    });
    must(await saveIntake(shop.teo, id, { customerName: 'Hedda Vane' }));
    const totals = await seen(id);
    expect(
      await sendQuote(shop.teo, id, { seen: totals.map((one) => ({ ...one, totalCents: one.totalCents - 1 })) }),
    ).toMatchObject({ code: 'conflict' });
    const { slots, job } = await stateOf(id);
    const generous = slots.map((slot) => (slot.name === 'A2' ? { ...slot, creditCents: 900_000 } : slot));
    must(await saveSlots(shop.teo, id, { version: job.slotsVersion, slots: generous }));
    expect(await sendQuote(shop.teo, id, { seen: await seen(id) })).toMatchObject({
      sentence: expect.stringContaining('comes to nothing or less'),
    });
    const numbers = await many(pool(), 'select number from quote where job_id = $1 and number is not null', [id]);
    expect(numbers).toEqual([]);
  });

  it('once more makes a new version and leaves the old one readable as it was', async () => {
    const id = await readTill(shop.teo);
    const plan = await choose(shop.teo, id, 1, thirdParty16);
    const first = must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
    const before = (await openQuote(first.token))?.quote;
    const offerId = Number(plan.bought[0]?.offer.replace('offer-', ''));
    const { costCents } = await one<{ costCents: number }>(
      pool(),
      'select cost_cents as "costCents" from offer_price where offer_id = $1 order by at desc, id desc limit 1',
      [offerId],
    );
    must(await changePrice(shop.teo, offerId, { costCents: costCents + 5000 }));
    must(await choosePlan(shop.teo, id, { place: 1, kept: plan.kept, bought: plan.bought }));
    const second = must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
    expect(await openQuote(first.token)).toMatchObject({ quote: before, standing: 'replaced', answer: null });
    const after = (await openQuote(second.token))?.quote;
    expect(after?.options[0]?.totalCents).toBeGreaterThan(before?.options[0]?.totalCents ?? 0);
    expect((await stateOf(id)).sent.map((quote) => [quote.version, quote.state])).toEqual([
      [2, 'sent'],
      [1, 'replaced'],
    ]);
    must(await changePrice(shop.teo, offerId, { costCents }));
  });

  it('numbers ten quotes sent at once without a gap', async () => {
    const ids: number[] = [];
    for (let count = 0; count < 10; count++) {
      const id = await readTill(shop.teo);
      await choose(shop.teo, id, 1, thirdParty16);
      ids.push(id);
    }
    const totals = await Promise.all(ids.map(seen));
    const last = await one<{ last: number }>(pool(), 'select last from quote_number');
    const sent = await Promise.all(ids.map((id, index) => sendQuote(shop.teo, id, { seen: totals[index] ?? [] })));
    const numbers = sent.map((result) => Number(must(result).number.slice(5))).sort((a, b) => a - b);
    expect(numbers).toEqual(Array.from({ length: 10 }, (_, index) => last.last + 1 + index));
  }, 60_000);

  it('says when its day is over, in the shop’s place, and stays readable', async () => {
    const id = await readTill(shop.teo);
    await choose(shop.teo, id, 1, thirdParty16);
    const { token } = must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
    const before = await openQuote(token);
    expect(before?.standing).toBe('open');
    // The days cannot be waited for: the same quote, a month old, in a database whose trigger sleeps for a moment.
    await pool().query('alter table quote disable trigger quote_is_kept');
    await pool().query('update quote set valid_until = current_date - 2 where job_id = $1', [id]);
    await pool().query('alter table quote enable trigger quote_is_kept');
    expect(await openQuote(token)).toEqual({ ...before, standing: 'lapsed' });
  });

  it('opens nothing for any other token', async () => {
    for (const token of ['', 'x', 'A'.repeat(43), `${'A'.repeat(42)}%`, "' or 1=1"])
      expect(await openQuote(token)).toBeNull();
  });
});

test('each sent version has a code of its content, which its data and its paper bear out', async () => {
  const id = await readTill(shop.teo);
  await choose(shop.teo, id, 1, thirdParty16);
  const { token } = must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
  const opened = await openQuote(token);
  if (opened === null) throw new Error('nothing behind the link');
  const bytes = quoteBytes(opened.quote);
  expect(createHash('sha256').update(bytes).digest('hex')).toBe(opened.code);
  expect(JSON.parse(bytes.toString('utf8'))).toEqual(opened.quote);
  // The database has its own order of members: the code does not depend on it.
  expect((await openQuote(token))?.code).toBe(opened.code);
  expect(contentCode({ ...opened.quote, validUntil: '2099-01-01' })).not.toBe(opened.code);
  expect(bytes.toString('utf8')).not.toMatch(/costCents|marginCents|seller/);
});
