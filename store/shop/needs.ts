import type { SystemNeed, UseNeed } from '../../core/machine/suggest-target';
import { many, one, type Queryable, run } from '../database';

/** What the shop holds people and systems to need. */
export interface Needs {
  uses: UseNeed[];
  systems: SystemNeed[];
  floorMiB: number;
}

export async function getNeeds(db: Queryable): Promise<Needs> {
  const uses = await many<UseNeed & Record<string, unknown>>(
    db,
    'select use, need_mib as "needMiB", reason from need_of_use order by position, use',
  );
  const systems = await many<SystemNeed & Record<string, unknown>>(
    db,
    'select os, least_mib as "leastMiB", visible_mib as "visibleMiB" from need_of_os order by position, os',
  );
  const { floorMiB } = await one<{ floorMiB: number }>(db, 'select floor_mib as "floorMiB" from shop');
  return { uses, systems, floorMiB };
}

/** Puts these needs in place of the shop's. */
export async function replaceNeeds(db: Queryable, { uses, systems, floorMiB }: Needs): Promise<void> {
  await run(db, 'delete from need_of_use');
  await run(
    db,
    `insert into need_of_use (position, use, need_mib, reason)
     select position, need ->> 'use', (need ->> 'needMiB')::bigint, need ->> 'reason'
     from jsonb_array_elements($1::jsonb) with ordinality as listed (need, position)`,
    [JSON.stringify(uses)],
  );
  await run(db, 'delete from need_of_os');
  await run(
    db,
    `insert into need_of_os (position, os, least_mib, visible_mib)
     select position, need ->> 'os', (need ->> 'leastMiB')::bigint, (need ->> 'visibleMiB')::bigint
     from jsonb_array_elements($1::jsonb) with ordinality as listed (need, position)`,
    [JSON.stringify(systems)],
  );
  await run(db, 'update shop set floor_mib = $1', [floorMiB]);
}
