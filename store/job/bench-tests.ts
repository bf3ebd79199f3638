import type { MemoryModule } from '../../core/memory/module';
import type { BenchRun } from '../../core/proving/bench-test';
import { many, maybeOne, one, run } from '../database';
import { OFFER_COLUMNS } from '../market/offers';
import { holdPieces } from '../market/shelf';
import type { Queryable } from '../queryable';

export interface StoredRun extends BenchRun {
  id: number;
  by: string | null;
  /** ISO 8601 */
  at: string;
  trialId: number | null;
}

/** Modules from stock that are tried in a job's machine. Capacities MiB, times ISO 8601, days `YYYY-MM-DD`. */
export interface BenchTest {
  id: number;
  offerId: number;
  title: string;
  modules: number;
  slots: string[];
  moduleMiB: number;
  solderedMiB: number;
  heldUntil: string;
  beganBy: string | null;
  beganAt: string;
  ended: 'done' | 'given-up' | null;
  runs: StoredRun[];
}

const iso = (column: string) => `to_char(${column} at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`;

/** A job's tests, the latest first. */
export async function listBenchTests(db: Queryable, jobId: number): Promise<BenchTest[]> {
  return many<BenchTest & Record<string, unknown>>(
    db,
    `select test.id, offer_id as "offerId", offer.title, test.modules, slots, module_mib as "moduleMiB",
       soldered_mib as "solderedMiB", held_until::text as "heldUntil", starter.name as "beganBy",
       ${iso('began_at')} as "beganAt", ended,
       (select coalesce(jsonb_agg(jsonb_build_object('id', one.id, 'modules', one.modules, 'starts', starts,
          'seenMiB', seen_mib, 'signs', signs, 'loadedMinutes', loaded_minutes, 'trialId', trial_id, 'by', noter.name,
          'at', ${iso('noted_at')}) order by one.id), '[]')
        from bench_run as one left join staff as noter on noter.id = noted_by where test_id = test.id) as runs
     from bench_test as test join offer on offer.id = offer_id left join staff as starter on starter.id = began_by
     where test.job_id = $1 order by test.id desc`,
    [jobId],
  );
}

/** A kind of module in stock that can be tried, and how many of it are free. */
export interface FreeStock {
  offerId: number;
  title: string;
  free: number;
  module: MemoryModule;
}

/** Modules in stock of some generations and a form, of which any are free; the largest first. */
export async function listFreeStock(
  db: Queryable,
  { generations, form }: { generations: readonly string[]; form: string },
): Promise<FreeStock[]> {
  return many<FreeStock & Record<string, unknown>>(
    db,
    `select id as "offerId", title, stock as free, module from (${OFFER_COLUMNS}
       where offer.seller_id is null and withdrawn_at is null and not own_part and stock > 0 and offer.modules = 1
         and spec.module ->> 'generation' = any($1) and spec.module ->> 'form' = $2) as listed
     order by (module ->> 'capacityMiB')::bigint desc, id limit 200`,
    [[...generations], form],
  );
}

/** Begins a test; null: one is open. */
export async function insertBenchTest(
  db: Queryable,
  jobId: number,
  test: Pick<BenchTest, 'offerId' | 'modules' | 'slots' | 'moduleMiB' | 'solderedMiB' | 'heldUntil'>,
  staffId: number,
): Promise<number | null> {
  const row = await maybeOne<{ id: number }>(
    db,
    `insert into bench_test (job_id, offer_id, modules, slots, module_mib, soldered_mib, held_until, began_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (job_id) where ended is null do nothing returning id`,
    [jobId, test.offerId, test.modules, test.slots, test.moduleMiB, test.solderedMiB, test.heldUntil, staffId],
  );
  return row?.id ?? null;
}

/** Holds free pieces of an offer for a test; false where there are fewer. */
export async function holdForTest(
  db: Queryable,
  test: { jobId: number; testId: number; offerId: number; modules: number; until: string },
): Promise<boolean> {
  const { jobId, testId, offerId, modules, until } = test;
  if (!(await holdPieces(db, { jobId, offerId, count: modules, until }))) return false;
  // Those that are promised to the job in a quote were held to another day, or before.
  const held = await run(
    db,
    `update shelf_piece set test_id = $3 where id in (
       select id from shelf_piece
       where job_id = $1 and offer_id = $2 and held_until = $4 and gone_at is null and set_aside_at is null and test_id is null
       order by id desc limit $5)`,
    [jobId, offerId, testId, until, modules],
  );
  return held === modules;
}

/** Lets go of what was held for a test. */
export async function releaseTested(db: Queryable, testId: number): Promise<void> {
  await run(
    db,
    // What an accepted option took meanwhile, or another job once the test's days were over, stays with it.
    `update shelf_piece set test_id = null, job_id = case when is_theirs then shelf_piece.job_id end,
       held_until = case when is_theirs then shelf_piece.held_until end
     from (select piece.id, set_aside_at is not null or piece.job_id is distinct from test.job_id as is_theirs
       from shelf_piece as piece join bench_test as test on test.id = test_id where test.id = $1 and gone_at is null) as held
     where shelf_piece.id = held.id`,
    [testId],
  );
}

export async function insertBenchRun(
  db: Queryable,
  testId: number,
  done: BenchRun & { trialId: number | null },
  staffId: number,
): Promise<void> {
  await one(
    db,
    `insert into bench_run (test_id, modules, starts, seen_mib, signs, loaded_minutes, trial_id, noted_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8) returning id`,
    [testId, done.modules, done.starts, done.seenMiB, done.signs, done.loadedMinutes, done.trialId, staffId],
  );
}

/** Takes a run back, with what it became in the library. */
export async function dropBenchRun(db: Queryable, { id, trialId }: Pick<StoredRun, 'id' | 'trialId'>): Promise<void> {
  await run(db, 'delete from bench_run where id = $1', [id]);
  if (trialId !== null) await run(db, 'delete from trial where id = $1', [trialId]);
}

export async function endBenchTest(
  db: Queryable,
  testId: number,
  ended: 'done' | 'given-up',
  staffId: number,
): Promise<void> {
  await run(db, 'update bench_test set ended = $2, ended_at = now(), ended_by = $3 where id = $1', [
    ...[testId, ended, staffId],
  ]);
}

export async function reopenBenchTest(db: Queryable, testId: number): Promise<void> {
  await run(db, 'update bench_test set ended = null, ended_at = null, ended_by = null where id = $1', [testId]);
}
