import type { NewTrial } from '../../core/machine/models/model';
import { many, one, run } from '../database';
import type { Queryable } from '../queryable';

/** A trial as it is stored, with whose it is. */
export interface StoredTrial extends NewTrial {
  id: number;
  modelId: number;
  model: string;
  sister: 'board' | 'cpu' | null;
  by: string | null;
  shop: string | null;
  trusted: boolean;
}

const TRIAL_COLUMNS = `trial.id, trial.model_id as "modelId", module_mib as "moduleMiB", generation, buffering, ecc,
  rate_mts as "rateMTs", modules, slots, total_mib as "totalMiB", trial.firmware, trial.cpu, outcome, depth, trial.note,
  tried_on::text as "on", staff.name as by, other_shop.name as shop, coalesce(other_shop.trusted, true) as trusted`;

/** Trials in a model and in its sisters, its own first. */
export const TRIALS = `
with own as (select board_keys, cpu_keys from model where id = $1), sister as (
  select $1::int as id, null as sister
  union all
  select model.id, 'board' from model, own where model.board_keys && own.board_keys and model.id <> $1
  union all
  select model.id, 'cpu' from model, own
  where model.cpu_keys && own.cpu_keys and not model.board_keys && own.board_keys and model.id <> $1
)
select ${TRIAL_COLUMNS}, maker || ' ' || model.name as model, sister.sister
from sister join trial on trial.model_id = sister.id join model on model.id = sister.id
  left join staff on staff.id = entered_by left join other_shop on other_shop.id = trial.shop_id
order by sister.sister nulls first, tried_on desc, trial.id desc limit 500`;

/** Trials in this model and in its sisters: those that share a board's name, and those that share a CPU. */
export async function listTrials(db: Queryable, modelId: number): Promise<StoredTrial[]> {
  return many<StoredTrial & Record<string, unknown>>(db, TRIALS, [modelId]);
}

export async function insertTrial(
  db: Queryable,
  modelId: number,
  trial: NewTrial,
  from: { jobId: number | null; staffId: number | null },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into trial (model_id, job_id, entered_by, module_mib, generation, buffering, ecc, rate_mts, modules, slots,
       total_mib, firmware, cpu, outcome, depth, note, tried_on)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17) returning id`,
    [
      modelId,
      from.jobId,
      from.staffId,
      trial.moduleMiB,
      trial.generation,
      trial.buffering,
      trial.ecc,
      trial.rateMTs,
      trial.modules,
      trial.slots,
      trial.totalMiB,
      trial.firmware,
      trial.cpu,
      trial.outcome,
      trial.depth,
      trial.note,
      trial.on,
    ],
  );
  return id;
}

/** Takes a trial out that was entered by mistake; false where the model has none of this id. */
export async function dropTrial(db: Queryable, modelId: number, trialId: number): Promise<boolean> {
  return (await run(db, 'delete from trial where model_id = $1 and id = $2', [modelId, trialId])) > 0;
}
