import { HAND_OVER_STEP } from '../../../core/fitting/checklist';
import { customerView } from '../../../core/quoting/customer-view';
import { one, pool } from '../../../store/database';
import { fittingsOfModel } from '../../../store/job/fittings';
import { fitted, fittedReport, workOf } from '../../../testing/bench';
import { choose, must, openTestShop, readTill, seen, stateOf, thirdParty16 } from '../../../testing/shop';
import { tickStep } from '../bench/fitting';
import { modulesOut } from '../bench/old-modules';
import { saveIntake } from '../intake/intake';
import { draftOptions } from '../options/draft-options';
import { ladderCase } from '../options/view';
import { takeProof } from '../proof/proof';
import { signTheProof } from '../proof/sign-proof';
import { acceptSpoken } from './accept';
import { fitOption } from './fit-option';
import { sendQuote } from './quote';
import { renewQuote } from './renew-quote';

const shop = openTestShop();

/** What an option of the draft comes to. */
async function optionOf(id: number, place = 1) {
  const option = draftOptions(await stateOf(id)).find((each) => each.place === place);
  if (option?.ok !== true) throw new Error('there is no such option');
  return option.option;
}

test('an option is fitted here or taken home: price, words and consent follow, and it can be turned back', async () => {
  const id = await readTill(shop.teo);
  await choose(shop.teo, id, 1, thirdParty16);
  const before = await optionOf(id);
  const work = before.lines.filter(({ kind }) => kind === 'labour' || kind === 'credit');
  expect(work.length).toBeGreaterThan(0);
  must(await fitOption(shop.teo, id, 1, { partsOnly: true }));
  const home = await optionOf(id);
  expect(home.partsOnly).toBe(true);
  expect(home.lines.map(({ kind }) => kind)).toEqual(home.lines.map(() => 'part'));
  expect(home.totalCents).toBe(before.totalCents - work.reduce((sum, { totalCents }) => sum + totalCents, 0));
  expect(home.statements?.join()).toContain('You fit the parts yourself.');
  expect(before.statements?.join() ?? '').not.toContain('You fit the parts yourself.');
  must(await fitOption(shop.teo, id, 1, { partsOnly: false }));
  expect(await optionOf(id)).toEqual(before);
  expect(await fitOption(shop.teo, id, 3, { partsOnly: true })).toMatchObject({ code: 'conflict' });
});

test('a job of parts alone plans without work, and an option of it may be fitted all the same', async () => {
  const id = await readTill(shop.teo);
  const fittedCase = ladderCase(await stateOf(id));
  must(await saveIntake(shop.teo, id, { partsOnly: true }));
  const state = await stateOf(id);
  const planCase = ladderCase(state);
  expect(fittedCase?.labourCents).toBeGreaterThan(0);
  expect(planCase?.labourCents).toBeUndefined();
  expect(planCase?.offers).toEqual(fittedCase?.offers);
  await choose(shop.teo, id, 1, thirdParty16);
  await choose(shop.teo, id, 2, thirdParty16);
  must(await fitOption(shop.teo, id, 2, { partsOnly: false }));
  expect((await optionOf(id, 1)).partsOnly).toBe(true);
  const second = await optionOf(id, 2);
  expect(second.partsOnly).toBeUndefined();
  expect(second.lines.some(({ kind }) => kind === 'labour')).toBe(true);
  const sent = must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
  expect(sent).toBeDefined();
  const [quote] = (await stateOf(id)).sent;
  if (quote === undefined) throw new Error('nothing was sent');
  const view = customerView(quote.snapshot);
  expect(view.options.map(({ partsOnly }) => partsOnly)).toEqual([true, undefined]);
  // Renewed, each stays what it is.
  const renewed = must(await renewQuote(shop.teo, id));
  expect(renewed).toEqual({ same: [1, 2], equal: [], lost: [] });
  expect((await optionOf(id, 1)).partsOnly).toBe(true);
  expect((await optionOf(id, 2)).partsOnly).toBeUndefined();
});

test('parts that are taken home are handed over, leave the stock, and are proved by the report that comes', async () => {
  const id = await readTill(shop.teo);
  // A used piece of ours, which is counted.
  await choose(shop.teo, id, 1, ({ lane, totalMiB }) => lane === 'used' && totalMiB === 16 * 1024);
  must(await fitOption(shop.teo, id, 1, { partsOnly: true }));
  must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
  const [option] = (await stateOf(id)).sent[0]?.snapshot.options ?? [];
  const spoken = { place: 1, signed: 'Hedda Vane' };
  expect(await acceptSpoken(shop.teo, id, { ...spoken, ticked: [] })).toMatchObject({ code: 'bad-input' });
  must(await acceptSpoken(shop.teo, id, { ...spoken, ticked: option?.statements ?? [] }));
  const gone = () =>
    one<{ count: number }>(
      pool(),
      'select count(*)::integer as count from shelf_piece where job_id = $1 and gone_at is not null',
      [id],
    );
  expect((await gone()).count).toBe(0);
  const { accepted } = await workOf(id);
  expect(accepted && modulesOut(accepted)).toEqual([]);
  await fitted(shop.teo, id);
  expect((await workOf(id)).fittings[0]?.steps.map(({ key }) => key)).toEqual(['last.parts', HAND_OVER_STEP]);
  expect((await gone()).count).toBeGreaterThan(0);
  // Undone, the pieces are the job's again; handed over once more, they are gone once.
  const handed = (await gone()).count;
  const [fitting] = (await workOf(id)).fittings;
  const step = { step: HAND_OVER_STEP };
  must(await tickStep(shop.teo, id, fitting?.id ?? 0, { what: 'undo', ...step }));
  expect((await gone()).count).toBe(0);
  expect(
    (await one<{ held: number }>(pool(), 'select count(*)::integer as held from shelf_piece where job_id = $1', [id]))
      .held,
  ).toBe(handed);
  must(await tickStep(shop.teo, id, fitting?.id ?? 0, { what: 'done', ...step }));
  expect((await gone()).count).toBe(handed);
  // What a hand-over took is no measure of work on the model.
  const modelId = (await stateOf(id)).job.modelId;
  expect(modelId).not.toBeNull();
  expect((await fittingsOfModel(pool(), modelId ?? 0)).every(({ steps }) => steps.length > 2)).toBe(true);
  expect((await stateOf(id)).standings).toMatchObject({ fitting: 'done', proof: 'decide' });
  expect(must(await takeProof(shop.teo, id, await fittedReport(id)))).toMatchObject({ held: true });
  const [proof] = (await workOf(id)).proofs;
  expect(proof?.verdict).toBe('kept');
  const sign = { proof: proof?.id ?? 0, remark: '', loadedMinutes: null, depth: 'total-read' as const };
  must(await signTheProof(shop.teo, id, { ...sign, verdict: 'kept' }));
  expect((await stateOf(id)).standings.proof).toBe('done');
});
