import { runMigrations } from 'graphile-worker';
import { many, maybeOne, one, run } from '../database';
import type { Queryable } from '../queryable';

/** What each kind of task is told. */
export interface TaskPayloads {
  'ask-due-feeds': Record<string, never>;
  'ask-feed': { sellerId: number };
  'send-mail': Record<string, never>;
  'remind-customers': Record<string, never>;
  'read-list': { id: number };
  'work-on-list': { id: number; what: 'applying' | 'undoing'; wanted: object; by: number | null };
  'take-from-folder': Record<string, never>;
  'count-for-today': Record<string, never>;
}
export type TaskKind = keyof TaskPayloads;
/** Kinds that are about nothing in particular: they come round. */
export type RoundKind = Exclude<TaskKind, 'ask-feed' | 'read-list' | 'work-on-list'>;

interface TaskRule {
  /** tasks of one queue are done one after the other, whichever process does them */
  queue: string | null;
  /** how often it is tried, each time after a longer wait (2.7 s, 7 s, 20 s, 55 s), before it counts as failed */
  attempts: number;
}

export const TASK_RULES: Record<TaskKind, TaskRule> = {
  'ask-due-feeds': { queue: 'feeds', attempts: 1 },
  'ask-feed': { queue: null, attempts: 3 },
  'send-mail': { queue: 'mail', attempts: 1 },
  'remind-customers': { queue: 'reminders', attempts: 1 },
  'read-list': { queue: 'lists', attempts: 4 },
  'work-on-list': { queue: 'lists', attempts: 4 },
  'take-from-folder': { queue: 'folder', attempts: 1 },
  'count-for-today': { queue: 'count', attempts: 1 },
};

/** What the queue knows a task by: one that waits is replaced by its like, and not done twice. */
const keyOf = (kind: TaskKind, about: number | null): string => (about === null ? kind : `${kind}:${about}`);

const HAS_FAILED = 'locked_at is null and attempts >= max_attempts';

interface When {
  /** which of its kind it is; null: there is one of its kind */
  about: number | null;
  /** not before so many milliseconds from now; one that waits already keeps its earlier time */
  afterMs?: number;
}

/** Puts a task into the queue, within the transaction that it follows from: both are kept, or neither. */
export async function addTask<Kind extends TaskKind>(
  db: Queryable,
  kind: Kind,
  payload: TaskPayloads[Kind],
  { about, afterMs }: When,
): Promise<void> {
  const { queue, attempts } = TASK_RULES[kind];
  // Its like that failed is done again by this one.
  await run(
    db,
    `select graphile_worker.complete_jobs(array(select id from graphile_worker.jobs where key = $1 and ${HAS_FAILED}))`,
    [keyOf(kind, about)],
  );
  await run(
    db,
    `select graphile_worker.add_job($1, $2::json, queue_name => $3, max_attempts => $4, job_key => $5,
       run_at => now() + make_interval(secs => $6), job_key_mode => $7)`,
    [
      kind,
      JSON.stringify(payload),
      queue,
      attempts,
      keyOf(kind, about),
      (afterMs ?? 0) / 1000,
      afterMs === undefined ? 'replace' : 'preserve_run_at',
    ],
  );
}

export interface QueueNumbers {
  waiting: number;
  running: number;
  failed: number;
  /** how long the first of those that could be done has waited, seconds */
  lateSeconds: number;
}

export async function queueNumbers(db: Queryable): Promise<QueueNumbers> {
  return one<QueueNumbers & Record<string, unknown>>(
    db,
    `select count(*) filter (where locked_at is null and attempts < max_attempts)::int as waiting,
       count(*) filter (where locked_at is not null)::int as running,
       count(*) filter (where ${HAS_FAILED})::int as failed,
       coalesce(extract(epoch from now() - min(run_at) filter (where locked_at is null and attempts < max_attempts
         and run_at <= now())), 0)::int as "lateSeconds"
     from graphile_worker.jobs`,
  );
}

/** A task that was tried as often as it may be and is not done. */
export interface FailedTask {
  id: number;
  kind: string;
  /** which of its kind it is */
  about: number | null;
  attempts: number;
  cause: string;
  /** when it was last tried */
  at: Date;
}

/** The last of the tasks that failed. */
export async function failedTasks(db: Queryable, most: number): Promise<FailedTask[]> {
  return many<FailedTask & Record<string, unknown>>(
    db,
    `select id, task_identifier as kind, substring(key from ':([0-9]+)$')::int as about, attempts,
       coalesce(left(last_error, 2000), 'The process ended while it was at it.') as cause, updated_at as at
     from graphile_worker.jobs where ${HAS_FAILED} order by updated_at desc limit $1`,
    [most],
  );
}

/** A task that failed; null: it is none, or not any more. */
export async function getFailed(db: Queryable, id: number): Promise<Pick<FailedTask, 'kind' | 'about'> | null> {
  return maybeOne<Pick<FailedTask, 'kind' | 'about'> & Record<string, unknown>>(
    db,
    `select task_identifier as kind, substring(key from ':([0-9]+)$')::int as about
     from graphile_worker.jobs where id = $1 and ${HAS_FAILED}`,
    [id],
  );
}

/** Has a task that failed tried again from the beginning. */
export async function retryTask(db: Queryable, id: number): Promise<void> {
  await run(db, 'select graphile_worker.reschedule_jobs(array[$1::bigint], run_at => now(), attempts => 0)', [id]);
}

/** Takes a task that failed out of the queue. */
export async function discardTask(db: Queryable, id: number): Promise<void> {
  await run(db, 'select graphile_worker.complete_jobs(array[$1::bigint])', [id]);
}

/** Of rounds that failed the last one tells enough: the others go, and all of them once one went well. */
export async function clearRounds(db: Queryable, kind: string, keep: number | null): Promise<void> {
  if (!(kind in TASK_RULES) || TASK_RULES[kind as TaskKind].attempts > 1) return;
  await run(
    db,
    `select graphile_worker.complete_jobs(array(select id from graphile_worker.jobs
       where task_identifier = $1 and id is distinct from $2 and ${HAS_FAILED}))`,
    [kind, keep],
  );
}

/** How the last task of a kind went. */
export interface TaskRun {
  kind: string;
  succeededAt: Date | null;
  failedAt: Date | null;
}

export async function listTaskRuns(db: Queryable): Promise<TaskRun[]> {
  return many<TaskRun & Record<string, unknown>>(
    db,
    'select kind, succeeded_at as "succeededAt", failed_at as "failedAt" from task_run order by kind',
  );
}

/** Notes when the last task of a kind went well, or failed: the queue forgets the one, and the owner may discard the other. */
export async function noteTaskRun(db: Queryable, kind: string, isDone: boolean): Promise<void> {
  const column = isDone ? 'succeeded_at' : 'failed_at';
  await run(
    db,
    `insert into task_run (kind, ${column}) values ($1, now()) on conflict (kind) do update set ${column} = now()`,
    [kind],
  );
}

/** Workers of any process that hold a task for longer than these seconds. */
export async function workersAtWork(db: Queryable, seconds: number): Promise<string[]> {
  const rows = await many<{ worker: string }>(
    db,
    `select distinct locked_by as worker from graphile_worker.jobs
     where locked_by is not null and locked_at < now() - make_interval(secs => $1)`,
    [seconds],
  );
  return rows.map(({ worker }) => worker);
}

/** The class of advisory locks that living workers hold. */
const LIVES = 18;

/** While this session holds it, the worker counts as alive. */
export async function holdWorker(db: Queryable, worker: string): Promise<void> {
  await run(db, 'select pg_advisory_lock_shared($1, hashtext($2))', [LIVES, worker]);
}

/** Which of these workers nobody holds any more: their processes have ended. */
export async function deadOf(db: Queryable, workers: readonly string[]): Promise<string[]> {
  const rows = await many<{ worker: string }>(
    db,
    `select worker from unnest($2::text[]) as worker
     where not exists (select from pg_locks where locktype = 'advisory' and objsubid = 2 and classid = $1
       and objid = (hashtext(worker)::bigint & 4294967295)::oid
       and database = (select oid from pg_database where datname = current_database()))`,
    [LIVES, workers],
  );
  return rows.map(({ worker }) => worker);
}

/** Gives tasks of workers that have ended to the person who asks next. */
export async function unlockWorkers(db: Queryable, workers: readonly string[]): Promise<void> {
  await run(db, 'select graphile_worker.force_unlock_workers($1)', [workers]);
}

/** Brings the queue's own tables up to date, as their owner. */
export async function migrateQueue(ownerUrl: string): Promise<void> {
  await runMigrations({ connectionString: ownerUrl });
}
