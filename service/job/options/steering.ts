import { z } from 'zod';
import { changedFields, overwritten } from '../../../core/overwritten';
import {
  MOST_CAS,
  MOST_HEIGHT_MM,
  MOST_MAKER_NAME,
  MOST_MAKERS,
  MOST_SELLERS,
} from '../../../core/planning/filters/offer-filters';
import type { Steering } from '../../../core/planning/filters/steering';
import { LANES } from '../../../core/planning/model/lanes';
import { pool, transaction } from '../../../store/database';
import { noteEvent } from '../../../store/events';
import { setSteering } from '../../../store/job/jobs';
import { getShop, updateBestTolerance } from '../../../store/shop/shop';
import { done, type Result, writtenMeanwhile } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { intakeSchema } from '../intake/intake';

const { needMiB, budgetCents } = intakeSchema.shape;

/** How the ladder of a job is steered. Capacity MiB, money minor units, rate MT/s. */
export const steeringSchema = z.strictObject({
  needMiB: needMiB.unwrap(),
  budgetCents: budgetCents.unwrap(),
  freeSlots: z.number().int().min(0, 'Free slots are 0 or more.').max(64, 'At most 64 slots.'),
  leastRateMTs: z.number().int().positive('A rate is more than 0.').max(100_000, 'At most 100000 MT/s.').nullable(),
  lanesOut: z.array(z.enum(LANES)).max(LANES.length - 1, 'Leave at least one origin in.'),
  sellersOut: z.array(z.string().min(1).max(120)).max(MOST_SELLERS),
  makers: z.array(z.string().min(1).max(MOST_MAKER_NAME)).max(MOST_MAKERS, `At most ${MOST_MAKERS} makers.`),
  mostCas: z.number().positive('A CL is more than 0.').max(MOST_CAS, `A CL is at most ${MOST_CAS}.`).nullable(),
  mostHeightMm: z
    .number()
    .positive('A height is more than 0.')
    .max(MOST_HEIGHT_MM, `A height is at most ${MOST_HEIGHT_MM} mm.`)
    .nullable(),
  leastRating: z.number().int().min(100, 'Stars are 1 to 5.').max(500, 'Stars are 1 to 5.').nullable(),
  inStock: z.boolean(),
  inTime: z.boolean(),
});

/** How the ladder is steered, and how it was when the person who steers saw it last. */
export const steerSchema = z.strictObject({ next: steeringSchema, seen: steeringSchema });

/**
 * Remembers how the ladder is steered, so that the job opens as it was left. Only what the writer changed is written; where
 * somebody else changed the same meanwhile, nothing is.
 *
 * @param seen how it was when the writer saw it last; null: whatever is there is written over
 * @returns how it is steered now
 */
export async function saveSteering(
  caller: Caller<'jobs.write'>,
  jobId: number,
  next: Steering,
  seen: Steering | null = null,
): Promise<Result<Steering>> {
  return changeJob(caller, jobId, {
    kind: 'steered',
    detail: next,
    needs: [],
    work: async (db, { job }) => {
      const now: Steering = { ...job.steering, needMiB: job.needMiB, budgetCents: job.budgetCents };
      const changed = seen === null ? next : changedFields<Steering>(seen, next);
      const theirs = seen === null ? null : overwritten({ ...now }, { ...seen }, changed);
      if (theirs !== null) return writtenMeanwhile(theirs);
      const steering = { ...now, ...changed };
      await setSteering(db, job.id, steering);
      return done(steering);
    },
  });
}

export const bestRuleSchema = z.strictObject({
  toleranceBp: z.number().int().min(0, 'The tolerance is 0 or more.').max(10_000, 'At most 100 %.'),
});

/** What counts as equally cheap where the best plan of a rung is found, hundredths of a percent. */
export async function showBestRule(_: Caller<'shop.settings'>): Promise<{ toleranceBp: number }> {
  return { toleranceBp: (await getShop(pool())).bestToleranceBp };
}

export async function saveBestRule(
  caller: Caller<'shop.settings'>,
  { toleranceBp }: z.infer<typeof bestRuleSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const { bestToleranceBp } = await getShop(db);
    await updateBestTolerance(db, toleranceBp);
    const detail = { from: bestToleranceBp, to: toleranceBp };
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'best-rule-changed', detail });
    return done(null);
  });
}
