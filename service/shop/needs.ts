import { z } from 'zod';
import { pool, transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { getNeeds, type Needs, replaceNeeds } from '../../store/shop/needs';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

const size = z.number().int().positive('A need is more than 0.').max(67_108_864, 'At most 64 TB.');

export const needsSchema = z.strictObject({
  uses: z
    .array(
      z.strictObject({
        use: z.string().trim().min(1, 'A use needs a name.').max(60),
        needMiB: size,
        reason: z.string().trim().max(200),
      }),
    )
    .max(30, 'At most 30 uses.'),
  systems: z
    .array(
      z.strictObject({
        os: z.string().trim().min(1, 'A system needs a name.').max(80),
        leastMiB: size,
        visibleMiB: size.nullable(),
      }),
    )
    .max(30, 'At most 30 systems.'),
  floorMiB: size,
});

const twice = (names: readonly string[]): string | undefined =>
  names.find((name, index) => names.indexOf(name) < index);

export async function showNeeds(_: Caller<'shop.settings'>): Promise<Needs> {
  return getNeeds(pool());
}

/** Puts a new table of needs in place of the shop's. */
export async function saveNeeds(
  caller: Caller<'shop.settings'>,
  needs: z.infer<typeof needsSchema>,
): Promise<Result<null>> {
  const double = twice(needs.uses.map(({ use }) => use)) ?? twice(needs.systems.map(({ os }) => os));
  if (double !== undefined) return fault('bad-input', `"${double}" stands in it twice.`);
  return transaction(async (db) => {
    await replaceNeeds(db, needs);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: 'needs-changed', detail: needs });
    return done(null);
  });
}
