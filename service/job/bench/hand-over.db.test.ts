import { HAND_OVER_STEP } from '../../../core/fitting/checklist';
import { one, pool } from '../../../store/database';
import { listGroups } from '../../../store/job/groups';
import { workOf } from '../../../testing/bench';
import { as, choose, must, openTestShop, stateOf } from '../../../testing/shop';
import { asInputs, FIVE, SEVEN, twelveReports } from '../../../testing/twelve';
import { addNewStock, newStockSchema } from '../../market/own-stock';
import { newJob, saveIntake, takeReadings } from '../intake/intake';
import { draftOptions } from '../options/draft-options';
import { acceptSpoken } from '../quote/accept';
import { sendQuote } from '../quote/quote';
import { showSlices } from '../slices/read-slices';
import { beginFitting, tickStep } from './fitting';

const shop = openTestShop();

test('each of several groups takes its own parts from stock as they are handed over', async () => {
  const stock = { label: 'Corrick 8GB DDR4-2400 CL17 DIMM 1Rx8', quantity: 40, costCents: 500 };
  const { offerId } = must(await addNewStock(await as('runa'), newStockSchema.parse(stock)));
  const { id: lead } = must(await newJob(shop.teo));
  must(await saveIntake(shop.teo, lead, { customerName: 'Skerrow School', machines: 12, partsOnly: true }));
  must(await takeReadings(shop.teo, lead, asInputs(twelveReports())));
  const other = (await listGroups(pool(), lead))[1]?.jobId ?? 0;
  const ours = (gib: number) => (plan: { totalMiB: number; bought: { offer: string }[] }) =>
    plan.totalMiB === gib * 1024 && plan.bought.every(({ offer }) => offer === `offer-${offerId}`);
  const of7 = await choose(shop.teo, lead, 1, ours(16));
  const of5 = await choose(shop.teo, other, 1, ours(16));
  const [packs7 = 0, packs5 = 0] = [of7, of5].map(({ bought }) => bought[0]?.count);
  expect([packs7 % SEVEN.length, packs5 % FIVE.length]).toEqual([0, 0]);
  const state = await showSlices(lead, ['market', 'quote', 'others'] as const);
  const [option] = state === null ? [] : draftOptions(state).flatMap((drafted) => (drafted.ok ? [drafted.option] : []));
  must(await sendQuote(shop.teo, lead, { seen: [{ place: 1, totalCents: option?.totalCents ?? 0 }] }));
  must(await acceptSpoken(shop.teo, lead, { place: 1, signed: 'Ms Orrin', ticked: option?.statements ?? [] }));
  const gone = async () => {
    const text = 'select count(*)::integer as gone from shelf_piece where job_id = $1 and gone_at is not null';
    return (await one<{ gone: number }>(pool(), text, [lead])).gone;
  };
  const begin = async (jobId: number, machine: number) => {
    const { id } = must(await beginFitting(shop.teo, jobId, { machine }));
    must(await tickStep(shop.teo, jobId, id, { what: 'done', step: 'last.parts' }));
    return id;
  };
  const hand = async (jobId: number, fitting: number, what: 'done' | 'undo' = 'done') =>
    must(await tickStep(shop.teo, jobId, fitting, { what, step: HAND_OVER_STEP }));
  const first = await begin(lead, 1);
  await hand(lead, first);
  expect(await gone()).toBe(packs7 / SEVEN.length);
  await hand(lead, first, 'undo');
  expect(await gone()).toBe(0);
  const rest = [...SEVEN.map((_, nr) => [lead, nr + 1] as const), ...FIVE.map((_, nr) => [other, nr + 1] as const)];
  const begun: { jobId: number; fitting: number }[] = [];
  for (const [jobId, machine] of rest) begun.push({ jobId, fitting: await begin(jobId, machine) });
  for (const { jobId, fitting } of begun) await hand(jobId, fitting);
  expect(await gone()).toBe(packs7 + packs5);
  expect((await workOf(other)).fittings).toHaveLength(12);
  expect((await stateOf(lead)).standings.fitting).toBe('done');
});
