import type { PlanReply } from '@/worker/plan-message';

export interface OwnWorker {
  worker: Worker;
  /** path of the market whose case it was given before the page asked; null: none */
  planned: string | null;
  /** what it answered before anybody listened */
  inbox: PlanReply[];
}

/** The number of the request that plans a market before the page asks for anything. */
export const EARLY = 0;

declare global {
  interface Window {
    /** the worker that the page started before its scripts came; null: it was taken */
    earlyPlanner?: OwnWorker | null;
  }
}

/** Where the page says the planner's script is, on an element of its own. */
export const PLANNER_AT = 'data-planner';

/** A new planning worker. */
export function planWorker(): Worker {
  const script = document.querySelector(`[${PLANNER_AT}]`)?.getAttribute(PLANNER_AT) ?? null;
  return script === null ? new Worker(new URL('../../worker/plan-worker.ts', import.meta.url)) : new Worker(script);
}

function start(): OwnWorker {
  const worker = planWorker();
  const inbox: PlanReply[] = [];
  worker.onmessage = ({ data }: MessageEvent<PlanReply>) => inbox.push(data);
  return { worker, planned: null, inbox };
}

/** A planning worker that nobody else has. */
export function takeWorker(): OwnWorker {
  const own = window.earlyPlanner ?? start();
  window.earlyPlanner = null;
  return own;
}
