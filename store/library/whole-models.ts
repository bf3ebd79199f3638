import type { FullModel } from '../../core/machine/models/model';
import { many, one, run } from '../database';
import type { Queryable } from '../queryable';
import { MODEL_COLUMNS } from './models';
import { putTestedParts } from './tested-parts';

const FIELDS = `maker, family, name, kind, year_from, year_to, note, model_ids, board_ids, product_strings, serial_prefixes,
  cpus, firmware, factory_options, factory_max_mib, opening`;

const valuesOf = (model: FullModel): unknown[] => [
  model.maker,
  model.family,
  model.name,
  model.kind,
  model.yearFrom,
  model.yearTo,
  model.note,
  model.modelIds,
  model.boardIds,
  model.productStrings.map((text) => text.toLowerCase()),
  model.serialPrefixes,
  JSON.stringify(model.cpus),
  model.firmware,
  JSON.stringify(model.factoryOptions),
  model.factoryMaxMiB,
  JSON.stringify(model.opening),
];

async function insertParts(db: Queryable, id: number, model: FullModel, staffId: number | null): Promise<void> {
  await run(
    db,
    `insert into model_slot (model_id, position, name, channel, bank, max_mib, lid_name, place, latch, soldered)
     select $1, position, slot ->> 'name', slot ->> 'channel', (slot ->> 'bank')::int, (slot ->> 'maxMiB')::bigint,
       slot ->> 'lidName', slot ->> 'place', slot ->> 'latch', nullif(slot -> 'soldered', 'null')
     from jsonb_array_elements($2::jsonb) with ordinality as listed (slot, position)`,
    [id, JSON.stringify(model.slots)],
  );
  await run(
    db,
    `insert into claim (model_id, limit_name, value, source_kind, source_name, note, noted_on, entered_by)
     select $1, claim ->> 'limit', claim -> 'value', claim #>> '{source,kind}', claim #>> '{source,name}',
       claim #>> '{source,note}', coalesce((claim #>> '{source,on}')::date, current_date), $3
     from jsonb_array_elements($2::jsonb) with ordinality as listed (claim, position) order by position
     on conflict (model_id, limit_name, source_kind, source_name) do update
       set value = excluded.value, note = excluded.note, noted_on = excluded.noted_on, entered_by = excluded.entered_by
       where (claim.value, claim.note, claim.noted_on) is distinct from (excluded.value, excluded.note, excluded.noted_on)`,
    [id, JSON.stringify(model.claims), staffId],
  );
  if (model.testedParts.length > 0) await putTestedParts(db, id, model.testedParts);
  await run(
    db,
    `insert into trial (model_id, entered_by, module_mib, generation, buffering, ecc, rate_mts, modules, slots, total_mib,
       firmware, cpu, outcome, depth, note, tried_on)
     select $1, $3, new.* from (
       select (trial ->> 'moduleMiB')::bigint, trial ->> 'generation', trial ->> 'buffering', (trial ->> 'ecc')::boolean,
         (trial ->> 'rateMTs')::int, (trial ->> 'modules')::int,
         array(select jsonb_array_elements_text(trial -> 'slots')), (trial ->> 'totalMiB')::bigint, trial ->> 'firmware',
         trial ->> 'cpu', trial ->> 'outcome', trial ->> 'depth', trial ->> 'note', (trial ->> 'on')::date
       from jsonb_array_elements($2::jsonb) as trial
       except
       select module_mib, generation, buffering, ecc, rate_mts, modules, slots, total_mib, firmware, cpu, outcome, depth,
         note, tried_on
       from trial where model_id = $1
     ) as new`,
    [id, JSON.stringify(model.trials), staffId],
  );
}

/** A model with everything that stands on it, new in the library. */
export async function insertModel(db: Queryable, model: FullModel, staffId: number | null = null): Promise<number> {
  const numbers = valuesOf(model).map((_, index) => `$${index + 1}`);
  const { id } = await one<{ id: number }>(
    db,
    `insert into model (${FIELDS}) values (${numbers.join(', ')}) returning id`,
    valuesOf(model),
  );
  await insertParts(db, id, model, staffId);
  return id;
}

/**
 * Writes a model again, with everything that stands on it. Claims that it no longer has are gone, those that it has just
 * so keep who entered them; trials are only added.
 */
export async function replaceModel(db: Queryable, id: number, model: FullModel, staffId: number): Promise<void> {
  const values = valuesOf(model);
  const numbers = values.map((_, index) => `$${index + 2}`);
  await run(db, `update model set (${FIELDS}) = row(${numbers.join(', ')}) where id = $1`, [id, ...values]);
  await run(db, 'delete from model_slot where model_id = $1', [id]);
  await run(
    db,
    `delete from claim where model_id = $1 and not exists (
       select from jsonb_array_elements($2::jsonb) as kept
       where kept ->> 'limit' = limit_name and kept #>> '{source,kind}' = source_kind
         and kept #>> '{source,name}' = source_name)`,
    [id, JSON.stringify(model.claims)],
  );
  await insertParts(db, id, model, staffId);
}

/** Models with everything that stands on them, each part as one value, in the order of the ids. */
export const WHOLE_MODELS = `
select ${MODEL_COLUMNS},
  coalesce((select jsonb_agg(jsonb_build_object('name', name, 'channel', channel, 'bank', bank, 'maxMiB', max_mib,
      'lidName', lid_name, 'place', place, 'latch', latch, 'soldered', soldered) order by position)
    from model_slot where model_id = model.id), '[]') as slots,
  coalesce((select jsonb_agg(jsonb_build_object('limit', limit_name, 'value', value, 'source', jsonb_build_object(
      'kind', source_kind, 'name', source_name, 'note', claim.note, 'on', noted_on::text)) order by claim.id)
    from claim where model_id = model.id and ($2 or shop_id is null)), '[]') as claims,
  coalesce((select jsonb_agg(jsonb_build_object('moduleMiB', module_mib, 'generation', generation,
      'buffering', buffering, 'ecc', ecc, 'rateMTs', rate_mts, 'modules', modules, 'slots', slots, 'totalMiB', total_mib,
      'firmware', trial.firmware, 'cpu', trial.cpu, 'outcome', outcome, 'depth', depth, 'note', trial.note,
      'on', tried_on::text) order by tried_on desc, trial.id desc)
    from trial where model_id = model.id and ($2 or shop_id is null)), '[]') as trials,
  coalesce((select jsonb_agg(jsonb_build_object('list', list_name, 'part', part) order by list_name, part)
    from tested_part where model_id = model.id), '[]') as "testedParts"
from model join unnest($1::int[]) with ordinality as wanted (id, place) on wanted.id = model.id order by wanted.place`;

/**
 * Models whole, as files of models hold them, in the order of the ids.
 *
 * @param withOthers what other shops said of them too; a shop hands on only what it knows itself
 */
export async function readModels(db: Queryable, ids: readonly number[], withOthers = true): Promise<FullModel[]> {
  const rows = await many<FullModel & { id: number } & Record<string, unknown>>(db, WHOLE_MODELS, [ids, withOthers]);
  return rows.map(({ id: _, ...model }) => model);
}

/** A model whole; null where there is none. */
export async function readModel(db: Queryable, id: number): Promise<FullModel | null> {
  return (await readModels(db, [id]))[0] ?? null;
}

/** Ids of all models, in the order of their names. */
export async function listModelIds(db: Queryable): Promise<number[]> {
  return (await many<{ id: number }>(db, 'select id from model order by maker, name, year_from')).map(({ id }) => id);
}
