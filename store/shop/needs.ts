import type { SystemNeed, UseNeed } from '../../core/machine/suggest-target';
import { one, run } from '../database';
import type { Queryable } from '../queryable';

/** What the shop holds people and systems to need. */
export interface Needs {
  uses: UseNeed[];
  systems: SystemNeed[];
  floorMiB: number;
}

export async function getNeeds(db: Queryable): Promise<Needs> {
  return one<Needs & Record<string, unknown>>(
    db,
    `select floor_mib as "floorMiB",
       (select coalesce(json_agg(json_build_object('use', use, 'needMiB', need_mib, 'reason', reason) order by position, use), '[]')
        from need_of_use) as uses,
       (select coalesce(json_agg(json_build_object('os', os, 'leastMiB', least_mib, 'visibleMiB', visible_mib) order by position, os), '[]')
        from need_of_os) as systems
     from shop`,
  );
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
