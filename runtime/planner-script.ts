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
