import type { z } from 'zod';

/** `['machine','slots',2,'id']` as `machine.slots[2].id`; the whole document is `(document)`. */
function jsonPath(path: readonly PropertyKey[]): string {
  const text = path.map((step) => (typeof step === 'number' ? `[${step}]` : `.${String(step)}`)).join('');
  return text === '' ? '(document)' : text.replace(/^\./, '');
}

/**
 * One line a fault, with its JSON path: `machine.slots[2].id: used twice`. Unknown fields are named one by one.
 */
export function faultLines(error: z.ZodError): string[] {
  return error.issues.flatMap((issue) =>
    issue.code === 'unrecognized_keys'
      ? issue.keys.map((key) => `${jsonPath([...issue.path, key])}: unknown field`)
      : [`${jsonPath(issue.path)}: ${issue.message}`],
  );
}
