import { z } from 'zod';
import { log } from '../runtime/log';
import { pool, transaction } from '../store/database';
import { noteEvent } from '../store/events';
import { getPriceList, setToRead } from '../store/market/price-lists';
import { LiveWorkers } from '../store/queue/live-workers';
import {
  addTask,
  clearRounds,
  discardTask,
  failedTasks,
  getFailed,
  listTaskRuns,
  noteTaskRun,
  type QueueNumbers,
  queueNumbers,
  type RoundKind,
  retryTask,
  TASK_RULES,
  type TaskKind,
} from '../store/queue/queue';
import { columnsOf } from './market/read-list';
import { done, fault, type Result } from './result';
import type { Caller } from './staff/access';

export type { RoundKind, TaskKind, TaskPayloads } from '../store/queue/queue';

/** Says which workers of this process live, and finds those of processes that have ended. */
export const liveWorkers = (databaseUrl: string): LiveWorkers => new LiveWorkers(databaseUrl);

/** Notes how a task went, for anyone who looks at how the work beside requests does. */
export async function noteTask(kind: string, id: number, isDone: boolean): Promise<void> {
  await noteTaskRun(pool(), kind, isDone);
  await clearRounds(pool(), kind, isDone ? null : id);
}

/** So many failed tasks are shown. */
const MOST_SHOWN = 50;

export interface FailedView {
  id: number;
  kind: string;
  about: number | null;
  attempts: number;
  cause: string;
  at: string;
}

export interface BackgroundView {
  numbers: QueueNumbers;
  failed: FailedView[];
  /** every kind, with when it last went well and last failed */
  runs: { kind: TaskKind; succeededAt: string | null; failedAt: string | null }[];
}

/** How the work beside requests does. */
export async function showBackground(_: Caller<'shop.settings'>): Promise<BackgroundView> {
  const runs = new Map((await listTaskRuns(pool())).map((one) => [one.kind, one]));
  return {
    numbers: await queueNumbers(pool()),
    failed: (await failedTasks(pool(), MOST_SHOWN)).map(({ at, ...task }) => ({ ...task, at: at.toISOString() })),
    runs: (Object.keys(TASK_RULES) as TaskKind[]).map((kind) => ({
      kind,
      succeededAt: runs.get(kind)?.succeededAt?.toISOString() ?? null,
      failedAt: runs.get(kind)?.failedAt?.toISOString() ?? null,
    })),
  };
}

export const failedTaskSchema = z.strictObject({ act: z.enum(['retry', 'discard']) });

/** Has a task that failed tried again, or takes it out of the queue. */
export async function endFailed(
  caller: Caller<'shop.settings'>,
  id: number,
  { act }: z.infer<typeof failedTaskSchema>,
): Promise<Result<null>> {
  return transaction(async (db) => {
    const task = await getFailed(db, id);
    if (task === null) return fault('not-found', 'This task is not among those that failed any more.');
    // A list that could not be read says so: one that is tried again is to be read once more.
    const list = task.kind === 'read-list' && task.about !== null ? await getPriceList(db, task.about) : null;
    if (act === 'retry' && list?.state === 'failed') await setToRead(db, list.id, columnsOf(list));
    await (act === 'retry' ? retryTask : discardTask)(db, id);
    await noteEvent(db, { jobId: null, staffId: caller.id, kind: `task-${act}`, detail: task });
    log.info({ task: task.kind, about: task.about, act }, 'a failed task was decided on');
    return done(null);
  });
}

/** How tasks of a kind are done: in which queue, and how often one is tried. */
export const ruleOf = (kind: TaskKind): (typeof TASK_RULES)[TaskKind] => TASK_RULES[kind];

/** Has tasks that come round on their own done at once, as a start wants it. */
export async function queueRound(kinds: readonly RoundKind[]): Promise<void> {
  for (const kind of kinds) await addTask(pool(), kind, {}, { about: null });
}
