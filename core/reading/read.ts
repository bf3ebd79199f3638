import { READING_LIMIT_BYTES, type ReadResult } from './reading';
import { looksLikeSmbiosText, readSmbiosText } from './smbios-text';

/** Reads one input, recognised by its content. Never throws; linear in the input's length. */
export function read(text: string): ReadResult {
  if (text.length > READING_LIMIT_BYTES) return { ok: false, code: 'too-large' };
  if (looksLikeSmbiosText(text)) return { ok: true, reading: readSmbiosText(text) };
  return { ok: false, code: 'unknown-format' };
}

/** One sentence for each way an input cannot be read, with what was expected. */
export const READ_FAULTS: Record<'unknown-format' | 'too-large', string> = {
  'unknown-format':
    'This is no report that Fenbrik can read yet: expected is the printed text of the SMBIOS tables, with "Memory Device" blocks that name a Size and a Locator.',
  'too-large': 'This input is over 8 MiB: a memory report is far smaller, so something else was dropped.',
};
