import { EventEmitter } from 'node:events';
import { Logger, parseCronItems, type Runner, run, type TaskList, type WorkerEvents } from 'graphile-worker';
import { log, logCaught } from '../runtime/log';
import { withContext } from '../runtime/request-context';
import { liveWorkers, noteTask, queueRound, ruleOf, type TaskKind } from '../service/background';
import { queueUnread } from '../service/market/read-list';
import type { Task } from './task';
import { EVERY_MINUTE, TASKS } from './task-list';

/** So many tasks are done at once by one process. */
const AT_ONCE = 4;
/** A task that another process puts into the queue is heard of at once; one whose time comes is found within this, milliseconds. */
const LOOK_MS = 1_000;
/** Waits before the queue is come back to after it failed whole, since the database was away: each is twice the one before. */
const FIRST_PAUSE_MS = 1_000;
const LONGEST_PAUSE_MS = 30_000;

/** The queue's own words go to our log; what it tells of every task is for who looks closely. */
const logger = new Logger(() => (level, message) => {
  if (level === 'error') log.error({ of: 'queue' }, message);
  else if (level === 'warning') log.warn({ of: 'queue' }, message);
  else log.debug({ of: 'queue' }, message);
});

/** Every kind of task as the queue calls it: known in logs and statements by the task's number. */
const taskList = (): TaskList =>
  Object.fromEntries(
    Object.entries(TASKS).map(([kind, work]) => [
      kind,
      (payload, { job }) =>
        withContext(`task-${kind}-${job.id}`, () =>
          (work as Task<TaskKind>)(payload as never, { isLast: job.attempts >= job.max_attempts }),
        ),
    ]),
  );

const rounds = () =>
  parseCronItems(
    EVERY_MINUTE.map((task) => ({
      task,
      match: '* * * * *',
      identifier: task,
      options: {
        backfillPeriod: 0,
        maxAttempts: ruleOf(task).attempts,
        queueName: ruleOf(task).queue ?? task,
        jobKey: task,
        jobKeyMode: 'replace',
      },
    })),
  );

/** What is told of each task: to the log, and to the person who looks at how the work does. */
function listen(events: WorkerEvents): void {
  const noted = (kind: string, id: string, isDone: boolean): void =>
    void noteTask(kind, Number(id), isDone).catch((failed) =>
      logCaught(failed, 'noting how a task went', { task: kind }),
    );
  events.on('job:success', ({ job }) => noted(job.task_identifier, job.id, true));
  events.on('job:error', ({ job, error }) => {
    const { id, task_identifier: task, attempts, max_attempts: most, key } = job;
    log.error({ err: error, task, key, requestId: `task-${task}-${id}`, attempts, most }, 'a task failed');
    noted(task, id, false);
  });
}

export interface Tasks {
  /** ends when what is being done is done, or is given back to the queue */
  stop: () => Promise<void>;
}

/**
 * Does tasks from the queue for as long as the process lives. Where the database goes away it comes back to it on its own. Of
 * several processes each task is done by one.
 */
export async function startTasks(databaseUrl: string): Promise<Tasks> {
  let stopped = false;
  let runner: Runner | null = null;
  const live = liveWorkers(databaseUrl);

  async function runOnce(): Promise<void> {
    const events = new EventEmitter() as WorkerEvents;
    events.on('worker:create', ({ worker }) => {
      live.add(worker.workerId).catch((cause) => logCaught(cause, 'saying that a worker lives'));
    });
    listen(events);
    runner = await run({
      connectionString: databaseUrl,
      maxPoolSize: AT_ONCE + 1,
      concurrency: AT_ONCE,
      pollInterval: LOOK_MS,
      noHandleSignals: true,
      logger,
      events,
      taskList: taskList(),
      parsedCronItems: rounds(),
    });
    const { promise } = runner;
    await Promise.all([promise, begin().catch((cause) => logCaught(cause, 'putting the first tasks into the queue'))]);
  }

  /** What a start finds left to be done does not wait for its minute. */
  async function begin(): Promise<void> {
    await queueRound(EVERY_MINUTE);
    const unread = await queueUnread();
    if (unread > 0) log.info({ lists: unread }, 'price lists whose reading a crash ended are read anew');
  }

  async function keepRunning(): Promise<void> {
    for (let pauseMs = FIRST_PAUSE_MS; !stopped; pauseMs = Math.min(LONGEST_PAUSE_MS, pauseMs * 2)) {
      const from = Date.now();
      await runOnce().catch((cause) => logCaught(cause, 'doing tasks from the queue'));
      if (stopped) return;
      await live.forgetAll().catch((cause) => logCaught(cause, 'forgetting workers that have ended'));
      // What ran for a while had come up well.
      if (Date.now() - from > LONGEST_PAUSE_MS) pauseMs = FIRST_PAUSE_MS;
      log.warn({ pauseMs }, 'the queue of tasks is come back to');
      await new Promise((resolve) => setTimeout(resolve, pauseMs).unref());
    }
  }

  await live.start();
  const running = keepRunning();
  return {
    stop: async () => {
      if (stopped) return;
      stopped = true;
      await runner?.stop().catch((cause) => logCaught(cause, 'ending the work beside requests'));
      await live.end();
      await Promise.race([running, new Promise((resolve) => setTimeout(resolve, LOOK_MS).unref())]);
    },
  };
}
