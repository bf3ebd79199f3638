import { daysFrom } from '../../../core/day-count';
import { caseOfJob } from '../../../core/machine/case-of-job';
import { widestBounds } from '../../../core/machine/limits/widest-bounds';
import { makerKey } from '../../../core/maker-key';
import type { Offer } from '../../../core/planning/model/case';
import { asksOf } from '../../../core/quoting/typed-asks';
import { takenByOthers } from '../../../store/job/groups';
import type { Queryable } from '../../../store/queryable';
import { caseName } from '../job-names';
import { marketFor, offerOfKey } from '../options/offers-for-job';
import type { Pieces } from './pieces';
import type { LimitsSlice, MarketSlice } from './slice';

/** Offers with what the other groups' chosen plans leave of them. */
function leftOf(offers: readonly Offer[], taken: ReadonlyMap<string, number>): Offer[] {
  return offers.map((offer) => {
    const packs = taken.get(offer.id) ?? 0;
    return packs === 0 || offer.stock == null ? offer : { ...offer, stock: Math.max(0, offer.stock - packs) };
  });
}

export async function marketSlice(
  db: Queryable,
  pieces: Pieces,
  limitsOf: () => Promise<LimitsSlice>,
): Promise<MarketSlice> {
  const [{ limits, claims }, job, shop, model, slots, pricing, labour, draft, current, today, groups] =
    await Promise.all([
      limitsOf(),
      pieces.job(),
      pieces.shop(),
      pieces.model(),
      pieces.slots(),
      pieces.pricing(),
      pieces.labour(),
      pieces.draft(),
      pieces.current(),
      pieces.today(),
      pieces.groups(),
    ]);
  const plans = [...(draft?.choices ?? []), ...(current?.snapshot.options ?? []).map((option) => option.shop)];
  const isOneOfSeveral = groups.length > 1;
  const market = await marketFor(db, { markUp: shop, pricing }, limits, {
    ...widestBounds(claims, slots),
    modelId: job.modelId,
    makerKey: makerKey(model?.maker ?? job.machineMaker),
    sockets: job.machines * slots.filter(({ soldered }) => !soldered).length,
    jobId: job.leadId ?? job.id,
    chosen: [...plans.flatMap(({ bought }) => bought.map(({ offer }) => offerOfKey(offer))), ...job.askedOffers],
    wanted: job.steering,
    inDays: job.neededBy === null ? null : daysFrom(today, job.neededBy),
  });
  const jobCase = caseOfJob({
    name: caseName(job),
    currency: shop.currency,
    slots,
    limits,
    offers: isOneOfSeveral ? leftOf(market.offers, await takenByOthers(db, job.id)) : market.offers,
    labourCents: labour.cents,
    machines: job.machines,
    goal: {},
  });
  const todayMiB = slots.reduce((sum, { module }) => sum + (module?.capacityMiB ?? 0), 0);
  const typed = { totalMiB: job.makerTotalMiB, cents: job.makerCents };
  return { market, jobCase, factoryOptions: asksOf(model?.factoryOptions ?? [], typed, todayMiB) };
}
