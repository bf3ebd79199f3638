import { WORKED_CASES } from '../../../testing/worked-cases';
import { answer } from '../search/answer';
import { machinesOf } from './machines';
import { withoutFitting } from './parts-only';

test.each(WORKED_CASES)('%s: without fitting a plan costs what its parts do', (_, planCase) => {
  const offers = new Map(planCase.offers.map((offer) => [offer.id, offer]));
  const { plans } = answer(withoutFitting({ ...planCase, goal: null }));
  for (const { bought, priceCents } of plans) {
    const parts = bought.reduce((sum, { offer, count }) => sum + count * (offers.get(offer)?.priceCents ?? 0), 0);
    expect(priceCents).toBe(parts);
  }
  // Where nothing is credited, the same work less on each is no other ladder.
  if (planCase.installed.some(({ creditCents }) => (creditCents ?? 0) > 0)) return;
  const fitted = answer({ ...planCase, goal: null }).plans;
  const work = machinesOf(planCase) * (planCase.labourCents ?? 0);
  expect(plans.map(({ kept, bought, priceCents }) => [kept, bought, priceCents + work])).toEqual(
    fitted.map(({ kept, bought, priceCents }) => [kept, bought, priceCents]),
  );
});
