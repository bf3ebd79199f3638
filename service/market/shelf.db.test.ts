import { one, pool, run } from '../../store/database';
import { READER } from '../../testing/reader';
import { must, openTestShop, readTill, stateOf } from '../../testing/shop';
import { saveIntake } from '../job/intake/intake';
import { agreeLimits } from '../job/limits/limits';
import { draftOptions } from '../job/options/draft-options';
import { choosePlan, sendQuote } from '../job/quote/quote';
import { countForToday } from './sellers';
import { putOnShelf, showShelf, takeOffShelf } from './shelf';

const shop = openTestShop();
const LABEL = 'Corrick 16GB 2Rx8 DDR4-2666 CL19 DIMM';
const PIECE = {
  label: LABEL,
  serial: '',
  test: 'tested',
  grade: 'A',
  note: '',
  originJobId: null,
  worthCents: null,
} as const;

const titled = async (id: number) => (await showShelf(READER)).find((piece) => piece.id === id);
const free = async (offerId: number) =>
  (await one<{ stock: number }>(pool(), 'select stock from offer where id = $1', [offerId])).stock;

/** A job with a plan that buys this shelf offer on its slip. */
async function jobWith(offerId: number): Promise<number> {
  const job = await readTill(shop.teo);
  must(await saveIntake(shop.teo, job, { customerName: 'Ada' }));
  must(await agreeLimits(shop.teo, job, true));
  const { slots } = await stateOf(job);
  const kept = slots.filter(({ module }) => module !== null).map(({ name }) => name);
  must(await choosePlan(shop.teo, job, { place: 1, kept, bought: [{ offer: `offer-${offerId}`, count: 1 }] }));
  return job;
}
const send = async (job: number) => {
  const options = draftOptions(await stateOf(job)).flatMap((option) => (option.ok ? [option.option] : []));
  return sendQuote(shop.teo, job, { seen: options.map(({ place, totalCents }) => ({ place, totalCents })) });
};
const putOne = async (more: object = {}) => {
  const { id } = must(await putOnShelf(shop.teo, { ...PIECE, worthCents: 900, ...more }));
  const piece = await titled(id);
  if (piece === undefined) throw new Error('not on the shelf');
  return piece;
};

describe('a piece', () => {
  it('is put on the shelf with its test, grade, serial and job, worth what the rule says', async () => {
    const job = await readTill(shop.teo);
    const { id, sentence } = must(
      await putOnShelf(shop.teo, { ...PIECE, serial: 'SN-1', note: 'scratch', originJobId: job }),
    );
    const piece = await titled(id);
    expect(piece).toMatchObject({
      grade: 'A',
      test: 'tested',
      serial: 'SN-1',
      note: 'scratch',
      originJobId: job,
      promisedTo: null,
    });
    expect(piece?.title).toContain('16 GB DDR4-2666 CL19 DIMM, used, tested, grade A');
    expect(sentence).toBe(`In stock, worth €${((piece?.costCents ?? 0) / 100).toFixed(2)} to us.`);
    const { id: worse } = must(await putOnShelf(shop.teo, { ...PIECE, grade: 'C', test: 'untested' }));
    // 30 % of new and 60 % of that, beside 60 % of new.
    expect((await titled(worse))?.costCents).toBeCloseTo((piece?.costCents ?? 0) * 0.3, -1);
  });

  it.each([
    [{ label: '16 GB' }, 'does not say enough'],
    [{ originJobId: 999_999 }, 'There is no job 999999'],
    [{ label: 'Corrick 64GB DDR2-667 CL5 DIMM' }, 'No seller has 64 GB modules of this kind new'],
  ])('is refused in a sentence: %j', async (more, sentence) => {
    expect(await putOnShelf(shop.teo, { ...PIECE, ...more })).toMatchObject({
      ok: false,
      sentence: expect.stringContaining(sentence),
    });
  });

  it('is on the shelf once, by its serial, also when it is gone', async () => {
    const { id } = await putOne({ serial: 'SN-2' });
    expect(await putOnShelf(shop.teo, { ...PIECE, serial: 'SN-2' })).toMatchObject({ code: 'conflict' });
    must(await takeOffShelf(shop.teo, id));
    expect(await titled(id)).toBeUndefined();
    expect(await takeOffShelf(shop.teo, id)).toMatchObject({ code: 'conflict' });
    expect(await putOnShelf(shop.teo, { ...PIECE, serial: 'SN-2' })).toMatchObject({ code: 'conflict' });
  });

  it('is never sold twice: what one quote promises no other can, until its day is over', async () => {
    const piece = await putOne();
    const [first, second] = [await jobWith(piece.offerId), await jobWith(piece.offerId)];
    must(await send(first));
    expect(await free(piece.offerId)).toBe(0);
    expect(await titled(piece.id)).toMatchObject({ promisedTo: first });
    expect(await send(second)).toMatchObject({ code: 'conflict' });
    expect(await takeOffShelf(shop.teo, piece.id)).toMatchObject({ code: 'conflict' });
    // The job itself still plans with it, and may send again.
    must(
      await choosePlan(shop.teo, first, {
        place: 1,
        kept: [],
        bought: [{ offer: `offer-${piece.offerId}`, count: 1 }],
      }),
    );
    must(await send(first));

    // As when a day goes by: nobody touches the piece, so only the day's first count can free it.
    await run(pool(), 'alter table shelf_piece disable trigger shelf_piece_is_stock');
    await run(pool(), 'update shelf_piece set held_until = current_date - 1 where id = $1', [piece.id]);
    await run(pool(), 'alter table shelf_piece enable trigger shelf_piece_is_stock');
    expect(await free(piece.offerId)).toBe(0);
    await run(pool(), 'update shop set counted_on = null');
    await countForToday();
    expect(await free(piece.offerId)).toBe(1);
    must(await send(second));
    expect(await titled(piece.id)).toMatchObject({ promisedTo: second });
  });

  it('of two quotes sent at one time goes to one', async () => {
    const piece = await putOne();
    const jobs = [await jobWith(piece.offerId), await jobWith(piece.offerId), await jobWith(piece.offerId)];
    const sent = await Promise.all(jobs.map(send));
    expect(sent.filter(({ ok }) => ok)).toHaveLength(1);
    expect(await free(piece.offerId)).toBe(0);
  });
});
