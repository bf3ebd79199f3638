import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { caseSchema, type PlanCase } from '../core/planning/model/case';
import { ROOT } from '../scripts/setup.mjs';

const FOLDER = join(ROOT, 'core', 'planning', 'cases');

/** The worked cases, by name. */
export const WORKED_CASES: [string, PlanCase][] = readdirSync(FOLDER)
  .filter((file) => file.endsWith('.case.json'))
  .map((file) => [
    file.replace('.case.json', ''),
    caseSchema.parse(JSON.parse(readFileSync(join(FOLDER, file), 'utf8'))),
  ]);
