import type { ReadResult } from '../../core/reading/read';
import { readApart } from './read-apart';

/** What the faults of a text mean that may still be a title where a title was asked for. */
const MAYBE_TITLE = new Set(['ambiguous', 'unknown-format']);

/**
 * Reads what was put in where something to buy is asked for: a text that might be something else as well, or that has
 * several lines, is a title there if it names a module at all.
 */
export async function readOffered(input: Uint8Array): Promise<ReadResult> {
  const outcome = await readApart(input);
  const isOther = outcome.ok && outcome.reading.format === 'specification';
  if (outcome.ok ? !isOther : !MAYBE_TITLE.has(outcome.code)) return outcome;
  const title = await readApart(input, 'listing');
  const names = title.ok && (title.reading.module?.capacityMiB != null || title.reading.module?.generation != null);
  return names ? title : outcome;
}
