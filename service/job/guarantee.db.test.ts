import { many, pool, run } from '../../store/database';
import { acceptedTill, fitted, fittedReport, orderAll, workOf } from '../../testing/bench';
import { READER } from '../../testing/reader';
import { choose, must, openTestShop, plansOf, seen, stateOf } from '../../testing/shop';
import { find } from './find';
import { putGuarantee } from './guarantee';
import { newJob } from './intake/intake';
import { draftOptions } from './options/draft-options';
import { takeProof } from './proof/proof';
import { signTheProof } from './proof/sign-proof';
import { acceptSpoken } from './quote/accept';
import { sendQuote } from './quote/quote';

const shop = openTestShop();

/** A till that was fitted and proved, with a guarantee on its parts. */
async function provedTill(serial: string, months = 24): Promise<number> {
  await run(pool(), 'update shop set guarantee_parts_months = $1, guarantee_work_months = 0', [months]);
  const id = await acceptedTill(shop.teo);
  await orderAll(shop.teo, id);
  await fitted(shop.teo, id);
  must(await takeProof(shop.teo, id, await fittedReport(id, { newSerial: serial })));
  const proof = (await workOf(id)).proofs[0]?.id ?? 0;
  must(
    await signTheProof(shop.teo, id, { proof, verdict: 'kept', remark: '', depth: 'total-read', loadedMinutes: null }),
  );
  return id;
}

const optionOf = async (id: number) => {
  const [drafted] = draftOptions(await stateOf(id));
  if (drafted?.ok !== true) throw new Error('no option');
  return drafted.option;
};

describe('a guarantee', () => {
  it('is found by the serial of a module that was fitted', async () => {
    const id = await provedTill('77AB12CD');
    const kept = await many<{ serial: string }>(pool(), 'select serial from fitted_module where job_id = $1', [id]);
    expect(kept).toEqual([{ serial: '77AB12CD' }]);
    const { jobs } = await find(READER, { text: ' 77ab12cd ', jobId: 0 });
    expect(jobs).toMatchObject([{ id, by: 'module' }]);
    expect(jobs[0]?.partsUntil).not.toBeNull();
    expect(jobs[0]?.orders.length).toBeGreaterThan(0);
  });

  it('becomes a free job of the same machine, quoted at nothing, that goes the whole way', async () => {
    const id = await provedTill('77AB12CE');
    const { id: next } = must(await newJob(shop.teo));
    must(await putGuarantee(shop.teo, next, { of: id }));
    const state = await stateOf(next);
    expect(state.job).toMatchObject({ guaranteeOf: id, machineName: 'Counter 4', customer: { name: 'Hedda Vane' } });
    expect(state.earlier[0]).toMatchObject({ id, by: 'guarantee' });
    // The machine as it was handed over, not as it came in.
    const { accepted } = await workOf(id);
    expect(state.slots.map(({ name, module }) => [name, module?.capacityMiB ?? null]).sort()).toEqual(
      accepted?.option.after.map(({ slot, capacityMiB }) => [slot, capacityMiB]).sort(),
    );
    await choose(shop.teo, next, 1, ({ bought }) => bought.length > 0);
    const option = await optionOf(next);
    expect(option.totalCents).toBe(0);
    expect(option.lines.at(-1)).toMatchObject({ kind: 'discount', text: expect.stringContaining('under guarantee') });
    must(await sendQuote(shop.teo, next, { seen: await seen(next) }));
    const [sent] = (await stateOf(next)).sent;
    const ticked = sent?.snapshot.options[0]?.statements ?? [];
    must(await acceptSpoken(shop.teo, next, { place: 1, signed: 'Hedda Vane', ticked }));
    expect(await putGuarantee(shop.teo, next, { of: null })).toMatchObject({ code: 'conflict' });
    await fitted(shop.teo, next);
    expect((await stateOf(next)).standings.fitting).toBe('done');
  });

  it('is none that is over, of a job that fitted nothing, or of itself; what ends it costs again', async () => {
    const id = await provedTill('77AB12CF');
    const { id: next } = must(await newJob(shop.teo));
    const of = (job: number | null) => putGuarantee(shop.teo, next, { of: job });
    expect(await of(next)).toMatchObject({ code: 'not-found' });
    expect(await of(999_999)).toMatchObject({ code: 'not-found' });
    const { id: blank } = must(await newJob(shop.teo));
    expect(await of(blank)).toMatchObject({ code: 'conflict' });
    must(await of(id));
    const plan = (await plansOf(next)).find(({ bought }) => bought.length > 0);
    expect(plan?.priceCents).toBeGreaterThan(0);
    await choose(shop.teo, next, 1, ({ bought }) => bought.length > 0);
    must(await of(null));
    expect((await optionOf(next)).totalCents).toBeGreaterThan(0);
    const without = await provedTill('77AB12D0', 0);
    expect(await of(without)).toMatchObject({ sentence: expect.stringContaining('under guarantee today') });
  });
});
