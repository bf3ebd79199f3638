import { many, pool, run } from '../../../store/database';
import { READER } from '../../../testing/reader';
import { choose, must, openTestShop, readTill, seen, stateOf } from '../../../testing/shop';
import { addNewStock, newStockSchema } from '../../market/own-stock';
import { endJob } from '../job-ends';
import { sendQuote } from '../quote/quote';
import { benchTestSchema, changeBenchTest, showBenchTests } from './bench-test';

const shop = openTestShop();
const GB = 1024;

/** Two modules in stock that are larger than anybody vouches for. */
async function largeInStock(): Promise<number> {
  const typed = newStockSchema.parse({
    label: '64GB DDR4-3200 2Rx4 UDIMM CL22 288-pin',
    quantity: 2,
    costCents: 9000,
  });
  return must(await addNewStock(shop.teo, typed)).offerId;
}

const act = (id: number, input: object) => changeBenchTest(shop.teo, id, benchTestSchema.parse(input));
const stockOf = async (offerId: number) =>
  (await many<{ stock: number }>(pool(), 'select stock from offer where id = $1', [offerId]))[0]?.stock;
const testsOf = async (id: number) => {
  const found = await showBenchTests(READER, id);
  if (found === null) throw new Error('no such job');
  return found;
};

describe('a test before anything is promised', () => {
  it('holds the modules, goes from one to all, and lifts what is proven for the ladder and the draft', async () => {
    const id = await readTill(shop.teo);
    const offer = await largeInStock();
    const before = await stateOf(id);
    const refused = () => before.limits.moduleMiB?.value;
    expect(refused()).toBeLessThan(64 * GB);
    const { choices, sentence, tests } = await testsOf(id);
    expect([sentence, tests]).toEqual([null, []]);
    expect(choices.find(({ offerId }) => offerId === offer)).toMatchObject({ moduleMiB: 64 * GB, most: 2 });

    expect(await act(id, { what: 'begin', offer, modules: 3 })).toMatchObject({ code: 'conflict' });
    must(await act(id, { what: 'begin', offer, modules: 2 }));
    expect(await stockOf(offer)).toBe(0);
    expect(await act(id, { what: 'begin', offer, modules: 2 })).toMatchObject({ ok: false });
    // Nobody else gets them while they lie in this machine.
    const other = await readTill(shop.teo);
    expect((await testsOf(other)).choices.some(({ offerId }) => offerId === offer)).toBe(false);

    expect((await testsOf(id)).tests).toMatchObject([{ next: 1, of: 2, slots: ['A2', 'B2'] }]);
    must(await act(id, { what: 'run', run: { starts: true, seenMiB: 64 * GB } }));
    expect((await testsOf(id)).tests).toMatchObject([{ next: 2, runs: [{ modules: 1, outcome: 'works' }] }]);
    must(await act(id, { what: 'run', run: { starts: true, seenMiB: 128 * GB, loadedMinutes: 30 } }));
    expect((await testsOf(id)).tests).toMatchObject([{ next: null, ended: 'done' }]);
    expect(await stockOf(offer)).toBe(2);
    const { limits, trials } = await stateOf(id);
    expect(limits.provenTotalMiB?.value).toBe(128 * GB);
    expect(limits.provenModuleMiB?.value).toBe(64 * GB);
    expect(trials.slice(0, 2)).toMatchObject([
      { modules: 2, depth: 'loaded', outcome: 'works' },
      { modules: 1, depth: 'total-read', outcome: 'works' },
    ]);
    // What could not be planned can be put on the quote now, off the books.
    const plan = await choose(shop.teo, id, 1, ({ totalMiB, bought }) => totalMiB >= 64 * GB && bought.length > 0);
    expect(plan.care).toBe('off-book');
  });

  it('ends with the first run that fails, which speaks against the size until it is taken back', async () => {
    const id = await readTill(shop.teo);
    const offer = await largeInStock();
    must(await act(id, { what: 'begin', offer, modules: 2 }));
    must(await act(id, { what: 'run', run: { starts: false, signs: '3 long beeps' } }));
    const failed = async () => (await stateOf(id)).trials.filter(({ outcome }) => outcome === 'fails-to-start').length;
    expect((await testsOf(id)).tests).toMatchObject([{ ended: 'done', runs: [{ outcome: 'fails-to-start' }] }]);
    expect(await failed()).toBe(1);
    expect(await stockOf(offer)).toBe(2);
    expect(await act(id, { what: 'run', run: { starts: true } })).toMatchObject({ code: 'conflict' });
    // Noted by mistake: it goes on, with the modules in the machine again.
    must(await act(id, { what: 'undo' }));
    expect((await testsOf(id)).tests).toMatchObject([{ ended: null, next: 1, runs: [] }]);
    expect([await failed(), await stockOf(offer)]).toEqual([0, 0]);
    expect(await act(id, { what: 'undo' })).toMatchObject({ code: 'conflict' });
    must(await act(id, { what: 'give-up' }));
    expect(await stockOf(offer)).toBe(2);
  });

  it('keeps a quote in while it runs, and ends with its job', async () => {
    const id = await readTill(shop.teo);
    const offer = await largeInStock();
    await choose(shop.teo, id, 1, ({ totalMiB }) => totalMiB === 16 * GB);
    must(await act(id, { what: 'begin', offer, modules: 1 }));
    const send = async () => sendQuote(shop.teo, id, { seen: await seen(id) });
    expect(await send()).toMatchObject({ code: 'conflict', sentence: expect.stringContaining('1 × 64 GB') });
    must(await act(id, { what: 'give-up' }));
    must(await send());
    const next = await readTill(shop.teo);
    must(await act(next, { what: 'begin', offer, modules: 2 }));
    must(await endJob(shop.teo, next, { as: 'declined', why: 'too dear' }));
    expect(await stockOf(offer)).toBe(2);
    expect((await testsOf(next)).tests).toMatchObject([{ ended: 'given-up' }]);
  });

  it('leaves to another job what it took once the test’s days were over', async () => {
    const id = await readTill(shop.teo);
    const offer = await largeInStock();
    must(await act(id, { what: 'begin', offer, modules: 2 }));
    await run(pool(), `update shelf_piece set held_until = current_date - 1 where offer_id = $1`, [offer]);
    const other = await readTill(shop.teo);
    must(await act(other, { what: 'begin', offer, modules: 1 }));
    must(await act(id, { what: 'give-up' }));
    const jobs = await many<{ job: number | null }>(
      pool(),
      'select job_id as job from shelf_piece where offer_id = $1 order by job_id',
      [offer],
    );
    expect(jobs).toEqual([{ job: other }, { job: null }]);
    must(await act(other, { what: 'give-up' }));
    expect(await stockOf(offer)).toBe(2);
  });

  it('takes no run that cannot be', () => {
    const runOf = (more: object) => benchTestSchema.safeParse({ what: 'run', run: { starts: true, ...more } }).success;
    expect([runOf({}), runOf({ seenMiB: 8192 }), runOf({ loadedMinutes: 5 })]).toEqual([true, true, true]);
    expect([runOf({ seenMiB: 0 }), runOf({ loadedMinutes: 0 }), runOf({ signs: 'x'.repeat(301) })]).toEqual([
      ...[false, false, false],
    ]);
    expect(runOf({ starts: false, seenMiB: 8192 })).toBe(false);
  });
});
