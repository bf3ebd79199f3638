import { answer } from '../core/planning/answer';
import { explainOffer } from '../core/planning/explain/explain-offer';
import { remediesFor, withRemedy } from '../core/planning/explain/remedies';
import { UNSTEERED } from '../core/planning/steering';
import { must, openTestShop, readTill, stateOf } from '../scripts/test-shop';
import { many, pool } from '../store/database';
import { saveBestRule, saveSteering, showBestRule, steeringSchema } from './steering';

const shop = openTestShop();

test('a job remembers how its ladder was steered', async () => {
  const id = await readTill(shop.teo);
  const steering = steeringSchema.parse({
    ...{ needMiB: 16384, budgetCents: 9000, freeSlots: 1, leastRateMTs: 2400, lanesOut: ['used'] },
    sellersOut: ['Quayside Components'],
  });
  must(await saveSteering(shop.teo, id, steering));
  const { job } = await stateOf(id);
  expect({ ...job.steering, needMiB: job.needMiB, budgetCents: job.budgetCents }).toEqual(steering);
  must(await saveSteering(shop.teo, id, { ...UNSTEERED, lanesOut: [], sellersOut: [] }));
  expect((await stateOf(id)).job).toMatchObject({ needMiB: null, budgetCents: null, steering: { freeSlots: 0 } });
});

test.each([
  [{ needMiB: 0 }, 'The target must be more than 0.'],
  [{ budgetCents: -1 }, 'The budget must be more than 0.'],
  [{ freeSlots: 65 }, 'At most 64 slots.'],
  [{ lanesOut: ['mixed', 'none', 'original', 'third-party', 'used'] }, 'Leave one lane in.'],
  [{ leastRateMTs: 0 }, 'A rate is more than 0.'],
])('%j is refused in one sentence', (wrong, sentence) => {
  const parsed = steeringSchema.safeParse({ ...UNSTEERED, ...wrong });
  expect(parsed.error?.issues[0]?.message).toBe(sentence);
});

test('what counts as equally cheap is the shop’s', async () => {
  expect(await showBestRule()).toEqual({ toleranceBp: 500 });
  must(await saveBestRule(shop.teo, { toleranceBp: 250 }));
  expect(await showBestRule()).toEqual({ toleranceBp: 250 });
  expect((await stateOf(await readTill(shop.teo))).shop.bestToleranceBp).toBe(250);
});

test('in every job of the demo shop, whatever is said to bring an offer onto the ladder does so', async () => {
  const jobs = await many<{ id: number }>(pool(), 'select id from job order by id limit 8');
  let tried = 0;
  for (const { id } of jobs) {
    const { jobCase } = await stateOf(id);
    if (!jobCase.ok || jobCase.planCase.machine.slots.length > 4) continue;
    const { planCase } = jobCase;
    const shown = new Set(answer(planCase).plans.flatMap(({ bought }) => bought.map(({ offer }) => offer)));
    // Every fifth: each takes a dozen plannings.
    const missing = planCase.offers.filter((offer, nr) => !shown.has(offer.id) && nr % 5 === 0);
    for (const { id: offer } of missing) {
      const explained = explainOffer(planCase, offer);
      if (explained === null) continue;
      for (const remedy of remediesFor(planCase, offer, explained)) {
        const { plans } = answer(withRemedy(planCase, offer, remedy));
        expect(plans.some(({ bought }) => bought.some((one) => one.offer === offer))).toBe(true);
        tried++;
      }
    }
  }
  expect(tried).toBeGreaterThan(5);
}, 120_000);
