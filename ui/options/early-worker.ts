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

/**
 * What a page that opens on the ladder runs first of all: it starts the planner on the page's market, beside everything that
 * the page still has to load. The first number that a browser writes in a language takes it some 40 ms: they pass while the
 * page's scripts are on their way. Both paths are ours.
 *
 * @param script where the planner's worker is
 * @param market where the market of the page's job is
 * @param currency ISO 4217 code of the shop's prices
 */
export const startEarly = (script: string, market: string, currency: string): string => `(() => {
const worker = new Worker(${JSON.stringify(script)});
const inbox = [];
worker.onmessage = ({ data }) => inbox.push(data);
worker.onerror = () => inbox.push({ id: ${EARLY}, state: 'failed' });
worker.postMessage({ id: ${EARLY}, path: ${JSON.stringify(market)} });
window.earlyPlanner = { worker, planned: ${JSON.stringify(market)}, inbox };
setTimeout(() => {
  const language = document.documentElement.lang || 'en';
  new Intl.NumberFormat(language, { style: 'currency', currency: ${JSON.stringify(currency)} }).format(0);
  new Intl.PluralRules(language).select(0);
});
})()`;

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
