import { many, run } from '../database';
import type { Queryable } from '../queryable';

/** Notes parts as tested, by the list that says so. */
export async function putTestedParts(
  db: Queryable,
  modelId: number,
  parts: readonly { list: string; part: string }[],
): Promise<void> {
  await run(
    db,
    `insert into tested_part (model_id, list_name, part_key, part)
     select distinct on (list, key) $1, list, key, part
     from (
       select part ->> 'list' as list, left(regexp_replace(upper(part ->> 'part'), '[^A-Z0-9]', '', 'g'), 60) as key,
         part ->> 'part' as part
       from jsonb_array_elements($2::jsonb) as part
     ) as listed
     on conflict do nothing`,
    [modelId, JSON.stringify(parts)],
  );
}

/** Parts that lists name as tested in this model, each by its key with the lists' names. */
export async function listTestedParts(
  db: Queryable,
  modelId: number,
): Promise<{ list: string; part: string; key: string }[]> {
  return many<{ list: string; part: string; key: string }>(
    db,
    'select list_name as list, part, part_key as key from tested_part where model_id = $1 order by list_name, part',
    [modelId],
  );
}
