import type { Plan } from '../../../core/planning/search/plan';
import { pool, run } from '../../../store/database';
import { listGroups } from '../../../store/job/groups';
import { choose, must, openTestShop, plansOf, stateOf } from '../../../testing/shop';
import { asInputs, twelveReports } from '../../../testing/twelve';
import { newJob, saveIntake, takeReadings } from '../intake/intake';
import { draftOptions } from '../options/draft-options';
import { offerOfKey } from '../options/offers-for-job';
import { changePrice } from '../options/prices';
import { showSlices } from '../slices/read-slices';
import { sendQuote } from './quote';
import { writeLine } from './quote-terms';
import { renewQuote } from './renew-quote';

const shop = openTestShop();

const drafted = async (id: number) => {
  const state = await showSlices(id, ['market', 'quote', 'others'] as const);
  if (state === null) throw new Error('no job');
  return draftOptions(state).flatMap((one) => (one.ok ? [one.option] : []));
};
const choicesOf = async (id: number) => (await stateOf(id)).draft?.choices ?? [];

/** A school's twelve machines in two groups, with two options out; what the second group's first option buys. */
async function out() {
  const { id: lead } = must(await newJob(shop.teo));
  must(await saveIntake(shop.teo, lead, { customerName: 'Skerrow School', machines: 12 }));
  must(await takeReadings(shop.teo, lead, asInputs(twelveReports())));
  const other = (await listGroups(pool(), lead))[1]?.jobId ?? 0;
  const at = (gib: number) => (plan: { totalMiB: number; care: string; lane: string }) =>
    plan.totalMiB === gib * 1024 && plan.care !== 'off-book' && plan.lane === 'third-party';
  for (const [place, gib] of [
    [1, 16],
    [2, 32],
  ] as const) {
    await choose(shop.teo, lead, place, at(gib));
    await choose(shop.teo, other, place, at(gib));
  }
  must(await writeLine(shop.teo, other, 1, { key: 'labour', text: 'Fitting, two rooms', eachCents: 1234 }));
  const options = await drafted(lead);
  const seen = options.map(({ place, totalCents }) => ({ place, totalCents }));
  must(await sendQuote(shop.teo, lead, { seen }));
  return { lead, other, options };
}

test('is put on the drafts of all groups again, with what was typed over their lines', async () => {
  const { lead, other, options } = await out();
  const offer = offerOfKey(options[0]?.shop.groups?.[1]?.bought[0]?.offer ?? '');
  const cost = (await stateOf(other)).market.supplies.get(`offer-${offer}`)?.costCents ?? 0;
  must(await changePrice(shop.teo, offer, { costCents: cost + 500 }));
  // By which group it is asked is the same.
  expect(must(await renewQuote(shop.teo, other))).toEqual({ same: [1, 2], equal: [], lost: [] });
  const again = await drafted(lead);
  expect(again.map(({ place, machines }) => [place, machines])).toEqual([
    [1, 12],
    [2, 12],
  ]);
  expect(again[0]?.shop.groups?.map(({ bought }) => bought)).toMatchObject(
    options[0]?.shop.groups?.map(({ bought }) => bought.map(({ offer: key, count }) => ({ offer: key, count }))) ?? [],
  );
  expect(again[0]?.totalCents).toBeGreaterThan(options[0]?.totalCents ?? 0);
  expect((await choicesOf(other))[0]?.edits).toEqual({ labour: { text: 'Fitting, two rooms', eachCents: 1234 } });
  expect(again[0]?.lines.find(({ text }) => text === 'Fitting, two rooms')?.eachCents).toBe(1234);
  expect(await renewQuote(shop.teo, lead)).toMatchObject({
    code: 'conflict',
    sentence: expect.stringMatching(/^Group 1: The draft quote has/),
  });
});

test('an option that one group cannot have any more is none of the others', async () => {
  const { lead, other } = await out();
  // Nothing but what the first option buys is to be had.
  const first = (await stateOf(lead)).sent[0]?.snapshot.options[0]?.shop.bought ?? [];
  await run(pool(), 'update offer set stock = 0 where not id = any($1)', [first.map(({ offer }) => offerOfKey(offer))]);
  const renewed = must(await renewQuote(shop.teo, lead));
  expect(renewed).toEqual({ same: [1], equal: [], lost: [2] });
  for (const id of [lead, other]) expect((await choicesOf(id)).map(({ place }) => place)).toEqual([1]);
});

test('groups are renewed in turn: what the first takes is not there for the second', async () => {
  const { id: lead } = must(await newJob(shop.teo));
  must(await saveIntake(shop.teo, lead, { customerName: 'Skerrow School', machines: 12 }));
  must(await takeReadings(shop.teo, lead, asInputs(twelveReports())));
  const other = (await listGroups(pool(), lead))[1]?.jobId ?? 0;
  const single = (plans: readonly Plan[]) =>
    new Set(
      plans.flatMap(({ totalMiB, lane, bought }) =>
        totalMiB === 16 * 1024 && lane === 'third-party' && bought.length === 1 ? (bought[0]?.offer ?? []) : [],
      ),
    );
  const both = single(await plansOf(other));
  const shared = [...single(await plansOf(lead))].find((offer) => both.has(offer));
  if (shared === undefined) throw new Error('the groups have no offer in common');
  const ofIt = ({ totalMiB, bought }: Plan) =>
    totalMiB === 16 * 1024 && bought.length === 1 && bought[0]?.offer === shared;
  const first = await choose(shop.teo, lead, 1, ofIt);
  const second = await choose(shop.teo, other, 1, ofIt);
  const options = await drafted(lead);
  const seen = options.map(({ place, totalCents }) => ({ place, totalCents }));
  must(await sendQuote(shop.teo, lead, { seen }));
  const [packs = 0, more = 0] = [first, second].map(({ bought }) => bought[0]?.count);
  const stock = (count: number) =>
    run(pool(), 'update offer set stock = $2 where id = $1', [offerOfKey(shared), count]);
  // Enough for either of them alone.
  await stock(Math.max(packs, more));
  expect(await renewQuote(shop.teo, lead)).toMatchObject({ code: 'conflict' });
  for (const id of [lead, other]) expect(await choicesOf(id)).toEqual([]);
  await stock(packs + more);
  expect(must(await renewQuote(shop.teo, lead))).toEqual({ same: [1], equal: [], lost: [] });
});
