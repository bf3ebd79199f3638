import { z } from 'zod';
import { LANES } from '../core/planning/lanes';
import { pool, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import { setSteering } from '../store/jobs';
import { getShop, updateBestTolerance } from '../store/shop';
import type { Caller } from './access';
import { changeJob } from './change-job';
import { intakeSchema } from './intake';
import { done, type Result } from './result';

const { needMiB, budgetCents } = intakeSchema.shape;

/** How the ladder of a job is steered. Capacity MiB, money minor units, rate MT/s. */
export const steeringSchema = z.strictObject({
  needMiB: needMiB.unwrap(),
  budgetCents: budgetCents.unwrap(),
  freeSlots: z.number().int().min(0, 'Free slots are 0 or more.').max(64, 'At most 64 slots.'),
  leastRateMTs: z.number().int().positive('A rate is more than 0.').max(100_000, 'At most 100000 MT/s.').nullable(),
  lanesOut: z.array(z.enum(LANES)).max(LANES.length - 1, 'Leave one lane in.'),
  sellersOut: z.array(z.string().min(1).max(120)).max(200),
});

/** Remembers how the ladder is steered, so that the job opens as it was left. */
export async function saveSteering(
  caller: Caller,
  jobId: number,
  steering: z.infer<typeof steeringSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'steered',
    detail: steering,
    work: async (db, { job }) => {
      await setSteering(db, job.id, steering);
      return done(null);
    },
  });
}

export const bestRuleSchema = z.strictObject({
  toleranceBp: z.number().int().min(0, 'The tolerance is 0 or more.').max(10_000, 'At most 100 %.'),
});

/** What counts as equally cheap where the best plan of a rung is found, hundredths of a percent. */
export async function showBestRule(): Promise<{ toleranceBp: number }> {
  return { toleranceBp: (await getShop(pool())).bestToleranceBp };
}

export async function saveBestRule(
  caller: Caller,
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
