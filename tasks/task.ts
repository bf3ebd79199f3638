import type { TaskKind, TaskPayloads } from '../service/background';

/** How a turn at a task stands. */
export interface Turn {
  /** it is not tried again on its own */
  isLast: boolean;
}

/** What does the tasks of one kind: throws where one is not done and has to be tried again. */
export type Task<Kind extends TaskKind> = (payload: TaskPayloads[Kind], turn: Turn) => Promise<void>;
