import { existsSync, readdirSync } from 'node:fs';
import { isProduction } from './environment';
import { ownFile } from './programs';

/** What the build calls the planner's worker, with a mark of its content. */
const PLANNER = /^planner-[\w-]+\.js$/;

let path: string | null | undefined;

/** Where browsers find the planner's worker as the build made it; null: it runs from its source. */
export function plannerScript(): string | null {
  if (path !== undefined) return path;
  const folder = ownFile('.next/static');
  const name = isProduction() && existsSync(folder) ? readdirSync(folder).find((one) => PLANNER.test(one)) : undefined;
  path = name === undefined ? null : `/_next/static/${name}`;
  return path;
}

/**
 * What a page that opens on the ladder runs first of all: it starts the planner on the page's market, beside everything that
 * the page still has to load. The first number that a browser writes in a language takes it some 40 ms: they pass while the
 * page's scripts are on their way. All that stands in it is ours.
 *
 * @param script where the planner's worker is
 * @param market where the market of the page's job is
 * @param currency ISO 4217 code of the shop's prices
 * @param id the number that the worker's answer has
 */
export const startPlanner = (script: string, market: string, currency: string, id: number): string => `(() => {
const worker = new Worker(${JSON.stringify(script)});
const inbox = [];
worker.onmessage = ({ data }) => inbox.push(data);
worker.onerror = () => inbox.push({ id: ${id}, state: 'failed' });
worker.postMessage({ id: ${id}, path: ${JSON.stringify(market)} });
window.earlyPlanner = { worker, planned: ${JSON.stringify(market)}, inbox };
setTimeout(() => {
  const language = document.documentElement.lang || 'en';
  new Intl.NumberFormat(language, { style: 'currency', currency: ${JSON.stringify(currency)} }).format(0);
  new Intl.PluralRules(language).select(0);
});
})()`;
