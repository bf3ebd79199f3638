import { MOST_READING_BYTES } from '@/runtime/body-limits';
import { type Moving, movingSchema } from '@/service/library/moving-in';
import { done, fault, type Result } from '@/service/result';
import type { SentParts, WholeFile } from '../../sent-files';

export const MOST_MOVED_BYTES = MOST_READING_BYTES;

/** The one file of a form, with how it is read. */
export function movingOf({ fields, files }: SentParts): Result<{ moving: Moving; file: WholeFile }> {
  const [file, ...others] = files;
  if (file === undefined || others.length > 0) return fault('bad-input', 'Send one file.');
  let columns: unknown = null;
  try {
    columns = fields.columns === undefined ? null : JSON.parse(fields.columns);
  } catch {
    return fault('bad-input', 'The columns are no JSON.');
  }
  const parsed = movingSchema.safeParse({ kind: fields.kind, columns });
  return parsed.success ? done({ moving: parsed.data, file }) : fault('bad-input', 'Say what is in the file.');
}
