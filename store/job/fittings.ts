import type { Tick } from '../../core/fitting/bench-state';
import type { FittingStep } from '../../core/fitting/checklist';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';
import { FAMILY } from './groups';

/** What was found to be otherwise than thought. */
export const FIND_KINDS = ['other-module', 'other-slots', 'damage', 'other'] as const;
export type FindKind = (typeof FIND_KINDS)[number];

export interface Find {
  id: number;
  step: string;
  kind: FindKind;
  note: string;
  by: string | null;
  /** ISO 8601 */
  at: string;
}

/** One time on the bench. Times ISO 8601. */
export interface Fitting {
  id: number;
  jobId: number;
  /** which of the job's equal machines, from 1 */
  machine: number;
  quoteId: number;
  place: number;
  round: number;
  modelId: number | null;
  steps: FittingStep[];
  beganAt: string;
  beganBy: string | null;
  ticks: Tick[];
  finds: Find[];
}

const ISO = `'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'`;
const iso = (column: string): string => `to_char(${column} at time zone 'UTC', ${ISO})`;

const FITTINGS = `select fitting.id, job_id as "jobId", machine, quote_id as "quoteId", place, round, model_id as "modelId", steps,
    ${iso('began_at')} as "beganAt", staff.name as "beganBy",
    (select coalesce(jsonb_agg(jsonb_build_object('step', step, 'state', state, 'reason', reason, 'by', ticker.name,
       'at', ${iso('ticked_at')}) order by tick.id), '[]')
     from fitting_tick as tick left join staff as ticker on ticker.id = ticked_by
     where fitting_id = fitting.id and undone_at is null) as ticks,
    (select coalesce(jsonb_agg(jsonb_build_object('id', find.id, 'step', step, 'kind', kind, 'note', note, 'by', finder.name,
       'at', ${iso('found_at')}) order by find.id), '[]')
     from fitting_find as find left join staff as finder on finder.id = found_by
     where fitting_id = fitting.id and taken_back_at is null) as finds
  from fitting left join staff on staff.id = began_by`;

type Row = Fitting & Record<string, unknown>;

/** Times on the bench of all groups of a job's machines, the latest first. */
export async function listFittings(db: Queryable, jobId: number): Promise<Fitting[]> {
  return many<Row>(db, `${FITTINGS} where job_id = any(${FAMILY}) order by fitting.id desc`, [jobId]);
}

/** What was done in machines of a model: steps and ticks of each time, for how long it takes. */
export async function fittingsOfModel(db: Queryable, modelId: number): Promise<Pick<Fitting, 'steps' | 'ticks'>[]> {
  return many<Row>(db, `${FITTINGS} where model_id = $1 order by fitting.id desc limit 50`, [modelId]);
}

/** What another job found to be otherwise in a machine of the same model, on the step that reads the same. */
export interface EarlierFind {
  jobId: number;
  step: string;
  /** the step as it read then */
  text: string;
  kind: FindKind;
  note: string;
}

/** What was found in machines of a model on other jobs, the latest first. */
export async function findsOfModel(db: Queryable, modelId: number, exceptJobId: number): Promise<EarlierFind[]> {
  return many<EarlierFind & Record<string, unknown>>(
    db,
    `select fitting.job_id as "jobId", find.step, own ->> 'text' as text, find.kind, find.note
     from fitting join fitting_find as find on find.fitting_id = fitting.id and taken_back_at is null
       join lateral jsonb_array_elements(fitting.steps) as own on own ->> 'key' = find.step
     where fitting.model_id = $1 and fitting.job_id <> $2 and find.kind <> 'other-module'
     order by find.id desc limit 50`,
    [modelId, exceptJobId],
  );
}

export async function insertFitting(
  db: Queryable,
  jobId: number,
  fitting: Pick<Fitting, 'machine' | 'quoteId' | 'place' | 'round' | 'modelId' | 'steps'>,
  staffId: number,
): Promise<number> {
  const { machine, quoteId, place, round, modelId, steps } = fitting;
  const { id } = await one<{ id: number }>(
    db,
    `insert into fitting (job_id, quote_id, place, round, model_id, steps, began_by, machine)
     values ($1, $2, $3, $4, $5, $6, $7, $8)
     returning id`,
    [jobId, quoteId, place, round, modelId, JSON.stringify(steps), staffId, machine],
  );
  return id;
}

/** Ticks a step; false: somebody did already, which is as well. */
export async function insertTick(
  db: Queryable,
  fittingId: number,
  tick: Pick<Tick, 'step' | 'state' | 'reason'>,
  staffId: number,
): Promise<boolean> {
  const ticked = await run(
    db,
    `insert into fitting_tick (fitting_id, step, state, reason, ticked_by) values ($1, $2, $3, $4, $5)
     on conflict (fitting_id, step) where undone_at is null do nothing`,
    [fittingId, tick.step, tick.state, tick.reason, staffId],
  );
  return ticked > 0;
}

export async function undoTick(db: Queryable, fittingId: number, step: string, staffId: number): Promise<boolean> {
  const undone = await run(
    db,
    `update fitting_tick set undone_at = now(), undone_by = $3 where fitting_id = $1 and step = $2 and undone_at is null`,
    [fittingId, step, staffId],
  );
  return undone > 0;
}

export async function insertFind(
  db: Queryable,
  fittingId: number,
  find: Pick<Find, 'step' | 'kind' | 'note'>,
  staffId: number,
): Promise<void> {
  await run(db, 'insert into fitting_find (fitting_id, step, kind, note, found_by) values ($1, $2, $3, $4, $5)', [
    ...[fittingId, find.step, find.kind, find.note, staffId],
  ]);
}

export async function takeFindBack(db: Queryable, fittingId: number, id: number): Promise<boolean> {
  const taken = await run(
    db,
    'update fitting_find set taken_back_at = now() where fitting_id = $1 and id = $2 and taken_back_at is null',
    [fittingId, id],
  );
  return taken > 0;
}

/** A search for why a machine does not start. Times ISO 8601. */
export interface FaultSearch {
  id: number;
  fittingId: number | null;
  sign: string;
  beeps: string;
  beganAt: string;
  beganBy: string | null;
  ended: string | null;
  about: string;
  endedAt: string | null;
  endedBy: string | null;
  /** in the order of testing */
  tests: { id: number; test: string; outcome: string; by: string | null; at: string }[];
}

/** A job's searches, the latest first. */
export async function listSearches(db: Queryable, jobId: number): Promise<FaultSearch[]> {
  return many<FaultSearch & Record<string, unknown>>(
    db,
    `select fault_search.id, fitting_id as "fittingId", sign, beeps, ${iso('began_at')} as "beganAt", starter.name as "beganBy",
       ended, about, ${iso('ended_at')} as "endedAt", ender.name as "endedBy",
       (select coalesce(jsonb_agg(jsonb_build_object('id', tried.id, 'test', tried.test, 'outcome', outcome, 'by', tester.name,
          'at', ${iso('noted_at')}) order by tried.id), '[]')
        from fault_test as tried left join staff as tester on tester.id = noted_by
        where search_id = fault_search.id and taken_back_at is null) as tests
     from fault_search left join staff as starter on starter.id = began_by left join staff as ender on ender.id = ended_by
     where job_id = $1 order by fault_search.id desc`,
    [jobId],
  );
}

/** Begins a search; null: one is open. */
export async function insertSearch(
  db: Queryable,
  jobId: number,
  search: { fittingId: number | null; sign: string; beeps: string },
  staffId: number,
): Promise<number | null> {
  const row = await maybeOne<{ id: number }>(
    db,
    `insert into fault_search (job_id, fitting_id, sign, beeps, began_by) values ($1, $2, $3, $4, $5)
     on conflict (job_id) where ended is null do nothing returning id`,
    [jobId, search.fittingId, search.sign, search.beeps, staffId],
  );
  return row?.id ?? null;
}

export async function insertTest(
  db: Queryable,
  searchId: number,
  tested: { test: string; outcome: string },
  staffId: number,
): Promise<void> {
  await run(db, 'insert into fault_test (search_id, test, outcome, noted_by) values ($1, $2, $3, $4)', [
    ...[searchId, tested.test, tested.outcome, staffId],
  ]);
}

/** Takes back what was noted last. */
export async function takeTestBack(db: Queryable, searchId: number): Promise<boolean> {
  const taken = await run(
    db,
    `update fault_test set taken_back_at = now()
     where id = (select max(id) from fault_test where search_id = $1 and taken_back_at is null)`,
    [searchId],
  );
  return taken > 0;
}

export async function endSearch(
  db: Queryable,
  searchId: number,
  { ended, about, staffId }: { ended: string; about: string; staffId: number },
): Promise<void> {
  await run(db, 'update fault_search set ended = $2, about = $3, ended_at = now(), ended_by = $4 where id = $1', [
    ...[searchId, ended, about, staffId],
  ]);
}

export async function reopenSearch(db: Queryable, searchId: number): Promise<void> {
  await run(db, `update fault_search set ended = null, about = '', ended_at = null, ended_by = null where id = $1`, [
    searchId,
  ]);
}

/** What a maker's machines beep, and what it means. */
export interface BeepCode {
  id: number;
  maker: string;
  pattern: string;
  means: string;
}

/** Those of one maker; null: all. */
export async function listBeeps(db: Queryable, maker: string | null): Promise<BeepCode[]> {
  return many<BeepCode & Record<string, unknown>>(
    db,
    `select id, maker, pattern, means from beep_code where $1::text is null or lower(maker) = lower($1)
     order by lower(maker), lower(pattern)`,
    [maker],
  );
}

export async function putBeep(
  db: Queryable,
  { maker, pattern, means }: Omit<BeepCode, 'id'>,
  staffId: number,
): Promise<void> {
  await run(
    db,
    `insert into beep_code (maker, pattern, means, noted_by) values ($1, $2, $3, $4)
     on conflict (lower(maker), lower(pattern)) do update set means = excluded.means, noted_by = excluded.noted_by`,
    [maker, pattern, means, staffId],
  );
}

export async function dropBeep(db: Queryable, id: number): Promise<boolean> {
  return (await run(db, 'delete from beep_code where id = $1', [id])) > 0;
}
