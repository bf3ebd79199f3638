import type { z } from 'zod';
import { caseSchema, type PlanCase } from './case';

/** `['machine','slots',2,'id']` as `machine.slots[2].id`; the whole document is `(document)`. */
function jsonPath(path: readonly PropertyKey[]): string {
  const text = path.map((step) => (typeof step === 'number' ? `[${step}]` : `.${String(step)}`)).join('');
  return text === '' ? '(document)' : text.replace(/^\./, '');
}

function faultLines(issue: z.core.$ZodIssue): string[] {
  if (issue.code === 'unrecognized_keys') {
    return issue.keys.map((key) => `${jsonPath([...issue.path, key])}: unknown field`);
  }
  const missing = issue.code === 'invalid_type' && issue.input === undefined;
  return [`${jsonPath(issue.path)}: ${missing ? 'missing' : issue.message}`];
}

/**
 * A planning case from parsed JSON, or its faults: one line each, with the JSON path
 * (`machine.slots[2].id: used twice`). Unknown fields are named one by one.
 */
export function parseCase(json: unknown): { ok: true; planCase: PlanCase } | { ok: false; faults: string[] } {
  const parsed = caseSchema.safeParse(json, { reportInput: true });
  return parsed.success
    ? { ok: true, planCase: parsed.data }
    : { ok: false, faults: parsed.error.issues.flatMap(faultLines) };
}
