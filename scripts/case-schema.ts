import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { caseJsonSchema } from '../core/planning/model/case';
import { ROOT } from './setup.mjs';

/** Writes the schema of planning cases where the documents have it. */
writeFileSync(join(ROOT, 'docs', 'case-1.schema.json'), `${JSON.stringify(caseJsonSchema(), null, 2)}\n`);
