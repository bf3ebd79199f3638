import type { PlanReply, PlanRequest } from '@/worker/plan-message';
import { readMarket } from '../job/read-market';

export interface OwnWorker {
  worker: Worker;
  /** path of the market whose case it was given before the page asked; null: none */
  planned: string | null;
  /** what it answered before anybody listened */
  inbox: PlanReply[];
}

/** The number of the request that plans a market before the page asks for anything. */
export const EARLY = 0;

function start(): OwnWorker {
  const worker = new Worker(new URL('../../worker/plan-worker.ts', import.meta.url));
  const inbox: PlanReply[] = [];
  worker.onmessage = ({ data }: MessageEvent<PlanReply>) => inbox.push(data);
  return { worker, planned: null, inbox };
}

let early: OwnWorker | null = null;

/** Starts a planning worker while the page still comes to life, on the market that the page says it will need. */
export function startEarly(): void {
  if (early !== null) return;
  const own = start();
  early = own;
  const link = document.querySelector<HTMLLinkElement>('link[rel="preload"][as="fetch"]');
  const path = link === null ? null : new URL(link.href).pathname;
  if (path === null) return;
  readMarket(path).then(
    (market) => {
      own.worker.postMessage({ id: EARLY, market } satisfies PlanRequest);
      own.planned = path;
    },
    // Anyone who needs it asks again and says so.
    () => {},
  );
}

/** A planning worker that nobody else has. */
export function takeWorker(): OwnWorker {
  const own = early ?? start();
  early = null;
  return own;
}
