import { SUPPLIED_TEXTS } from '../../../core/quoting/words/shop-texts';
import { many, pool } from '../../../store/database';
import { listCounterJobs } from '../../../store/job/counter-jobs';
import { orderAll, workOf } from '../../../testing/bench';
import { READER } from '../../../testing/reader';
import {
  as,
  choose,
  loadedTrial,
  modelId,
  must,
  openTestShop,
  readTill,
  seen,
  stateOf,
  thirdParty16,
} from '../../../testing/shop';
import { approveTexts } from '../../shop/shop-texts';
import { issueInvoice } from '../invoice/invoice';
import { invoicePaper } from '../invoice/invoice-files';
import { moneyView } from '../invoice/view';
import { recordTrial } from '../limits/evidence';
import { draftOptions } from '../options/draft-options';
import { acceptSpoken } from '../quote/accept';
import { conditionSchema, putCondition } from '../quote/on-condition';
import { sendQuote } from '../quote/quote';
import { settleNotWorking, takeBackNotWorking } from './not-working';

const shop = openTestShop();
const GB = 1024;

beforeAll(async () => {
  // More than the till's maker states has been seen to work once.
  const large = { ...loadedTrial, modules: 4, slots: [], totalMiB: 128 * GB };
  must(await recordTrial(shop.teo, await modelId('Counter 4', 2018), large));
  const keys = ['total-off-book', 'module-off-book', 'if-not'] as const;
  const texts = keys.map((key) => ({ key, words: SUPPLIED_TEXTS.en[key] }));
  must(await approveTexts(await as('runa'), { language: 'en', texts }));
});

/** A till with an option off the books in its draft. */
async function offBook(): Promise<number> {
  const id = await readTill(shop.teo);
  await choose(
    shop.teo,
    id,
    1,
    ({ care, bought, totalMiB }) => care === 'off-book' && bought.length > 0 && totalMiB > 64 * GB,
  );
  return id;
}

const condition = (id: number, cents: number | null) => putCondition(shop.teo, id, 1, { cents });
const optionOf = async (id: number) => {
  const [drafted] = draftOptions(await stateOf(id));
  if (drafted?.ok !== true) throw new Error('no option');
  return drafted.option;
};

async function accepted(): Promise<number> {
  const id = await offBook();
  must(await condition(id, 4500));
  must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
  const [option] = (await stateOf(id)).sent[0]?.snapshot.options ?? [];
  must(await acceptSpoken(shop.teo, id, { place: 1, signed: 'Hedda Vane', ticked: option?.statements ?? [] }));
  return id;
}

const settle = (id: number) =>
  settleNotWorking(shop.teo, id, { outcome: 'fails-to-start', note: 'three beeps, then nothing' });

describe('an option on condition', () => {
  it('is agreed for what is off the books alone, says its amount, and has to be agreed to', async () => {
    const id = await offBook();
    must(await condition(id, 4500));
    const { ifNot, statements, totalCents } = await optionOf(id);
    expect(ifNot).toMatchObject({ eachCents: 4500, totalCents: 4500, taxBp: 2000 });
    expect(statements?.filter((text) => text.includes('€45.00'))).toHaveLength(1);
    expect(await condition(id, totalCents + 1)).toMatchObject({ code: 'bad-input' });
    must(await condition(id, null));
    expect((await optionOf(id)).ifNot).toBeUndefined();
    const plain = await readTill(shop.teo);
    await choose(shop.teo, plain, 1, thirdParty16);
    expect(await condition(plain, 4500)).toMatchObject({ code: 'conflict' });
    expect(conditionSchema.safeParse({ cents: 0 }).success).toBe(false);
  });

  it('that does not work is settled: evidence, no more parts wanted, the agreed amount alone on the invoice', async () => {
    const id = await accepted();
    expect((await workOf(id)).wanted.every(({ onCondition }) => onCondition)).toBe(true);
    expect((await workOf(id)).wanted.length).toBeGreaterThan(0);
    const trials = async () => (await stateOf(id)).trials.filter(({ outcome }) => outcome === 'fails-to-start').length;
    const before = await trials();
    must(await settle(id));
    expect(await settle(id)).toMatchObject({ code: 'conflict' });
    expect(await trials()).toBe(before + 1);
    const state = await stateOf(id);
    expect(state.work.wanted).toEqual([]);
    expect(state.standings.proof).toBe('done');
    const [listed] = (await listCounterJobs(pool(), { most: 500, after: 0 })).filter((one) => one.id === id);
    expect(listed?.proved).toBe(true);
    expect(moneyView(state)).toMatchObject({ totalCents: 4500, isSupplied: true, suppliedOn: state.today });
    const { number } = must(await issueInvoice(shop.teo, id, { suppliedOn: state.today }));
    const [invoice] = (await workOf(id)).invoices;
    expect(invoice?.snapshot).toMatchObject({
      totalCents: 4500,
      lines: [{ kind: 'fee', quantity: 1, totalCents: 4500 }],
    });
    expect((await invoicePaper(READER, id, number))?.bytes.length).toBeGreaterThan(1000);
    expect(await takeBackNotWorking(shop.teo, id)).toMatchObject({ code: 'conflict' });
  });

  it('works after all: the promise, its parts and the model’s evidence are as before', async () => {
    const id = await accepted();
    const wanted = async () => (await workOf(id)).wanted.map(({ title, quantity }) => [title, quantity]);
    const before = await wanted();
    const failed = async () =>
      (await many(pool(), `select id from trial where job_id = $1 and outcome <> 'works'`, [id])).length;
    must(await settle(id));
    expect([await wanted(), await failed()]).toEqual([[], 1]);
    must(await takeBackNotWorking(shop.teo, id));
    expect([await wanted(), await failed()]).toEqual([before, 0]);
    expect((await stateOf(id)).standings.proof).toBe('waits');
    expect(await takeBackNotWorking(shop.teo, id)).toMatchObject({ code: 'conflict' });
    expect(await orderAll(shop.teo, id)).not.toEqual([]);
  });

  it('cannot be settled where nothing of the kind was agreed', async () => {
    const id = await offBook();
    expect(await settle(id)).toMatchObject({ code: 'conflict' });
    must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
    const [option] = (await stateOf(id)).sent[0]?.snapshot.options ?? [];
    must(await acceptSpoken(shop.teo, id, { place: 1, signed: 'Hedda Vane', ticked: option?.statements ?? [] }));
    expect(await settle(id)).toMatchObject({ sentence: expect.stringContaining('Nothing was agreed') });
  });
});
