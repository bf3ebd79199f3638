import type { Trial } from '../../../core/machine/limits/evidence';
import type { ModelSlot } from '../../../core/machine/slots/slots-of-reading';
import { listClaims, type StoredClaim } from '../../../store/job/claims';
import { listFittings } from '../../../store/job/fittings';
import { listGroups } from '../../../store/job/groups';
import { listSlots } from '../../../store/job/job-slots';
import { getJob, listDecisions } from '../../../store/job/jobs';
import { answersOfJob } from '../../../store/job/quote-answers';
import { getDraft, listSent } from '../../../store/job/quotes';
import { listReadings } from '../../../store/job/readings';
import { getModel, listModelSlots, type Model } from '../../../store/library/models';
import { listTrials } from '../../../store/library/trials';
import { listWanted } from '../../../store/orders/orders';
import type { Queryable } from '../../../store/queryable';
import { getNeeds } from '../../../store/shop/needs';
import { getShop, shopDay } from '../../../store/shop/shop';
import { joinKept } from '../job-names';
import { labourOf, pricingRule } from '../quote/job-pricing';

/** Nothing else can be read of a job that is not there. */
export class NoJob extends Error {}

/** Reads something when it is first asked for, and never again. */
export const once = <T>(read: () => Promise<T>): (() => Promise<T>) => {
  let kept: Promise<T> | undefined;
  return () => {
    kept ??= read();
    return kept;
  };
};

/**
 * What several slices of a job are made of. A piece is asked for when the first slice needs it, and once. Asked through a reader that
 * gathers, what hangs on nothing but the job's number is one statement, and what hangs on that another.
 */
export function readPieces(db: Queryable, id: number) {
  const job = once(async () => {
    const found = await getJob(db, id);
    if (found === null) throw new NoJob();
    return found;
  });
  const ofModel = <T>(read: (modelId: number) => Promise<T>, none: T) =>
    once(async () => {
      const { modelId } = await job();
      return modelId === null ? none : read(modelId);
    });
  const shop = once(() => getShop(db));
  const readings = once(() => listReadings(db, id));
  const sent = once(() => listSent(db, id));
  const model = ofModel<Model | null>((modelId) => getModel(db, modelId), null);
  const pricing = once(async () => {
    const [house, one] = await Promise.all([shop(), job()]);
    return pricingRule(house, one.customer.taxExempt);
  });
  return {
    job,
    shop,
    /** the day where the shop is */
    today: once(() => shopDay(db)),
    readings,
    sent,
    model,
    pricing,
    groups: once(() => listGroups(db, id)),
    modelSlots: ofModel<ModelSlot[] | null>((modelId) => listModelSlots(db, modelId), null),
    claims: ofModel<StoredClaim[]>((modelId) => listClaims(db, modelId), []),
    trials: ofModel<Trial[]>((modelId) => listTrials(db, modelId), []),
    decisions: once(() => listDecisions(db, id)),
    slots: once(() => listSlots(db, id)),
    needs: once(() => getNeeds(db)),
    draft: once(() => getDraft(db, id)),
    answers: once(() => answersOfJob(db, id)),
    fittings: once(() => listFittings(db, id)),
    wanted: once(() => listWanted(db, id)),
    joined: once(async () => joinKept(await readings())),
    /** the quote that is out */
    current: once(async () => (await sent()).find(({ state }) => state === 'sent') ?? null),
    labour: once(async () => {
      const [house, kind, rule] = await Promise.all([shop(), model(), pricing()]);
      return labourOf(house, kind, rule);
    }),
  };
}

export type Pieces = ReturnType<typeof readPieces>;
