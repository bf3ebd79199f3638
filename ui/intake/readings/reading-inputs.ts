import type { SaidKind } from '@/core/reading/read';
import { MOST_READING_BYTES, MOST_READINGS } from '@/runtime/body-limits';

/** What fits into one sending, bytes. */
const LARGEST_SENDING = 30 * 1024 * 1024;

/** Text that was typed or pasted, as a file of that name; NULs, which only broken programs copy, make it no binary. */
export const textFile = (name: string, text: string): File =>
  new File([text.replaceAll('\0', '')], name, { type: 'text/plain' });

/** Files as one form. @param as what a person says that they are */
export function formOf(files: readonly File[], as?: SaidKind): FormData {
  const form = new FormData();
  if (as !== undefined) form.append('as', as);
  for (const file of files) form.append('file', file, file.name.slice(0, 200) || 'file');
  return form;
}

/** Why files cannot be sent as they are, in one sentence; null where they can. */
export function faultOfFiles(files: readonly { name: string; size: number }[]): string | null {
  const large = files.find(({ size }) => size > MOST_READING_BYTES);
  if (large !== undefined) return `${large.name} has over 8 MiB: a memory report is far smaller.`;
  if (files.length > MOST_READINGS) return `At most ${MOST_READINGS} files at once, please: these are ${files.length}.`;
  const all = files.reduce((sum, { size }) => sum + size, 0);
  return all > LARGEST_SENDING ? 'Together these have over 30 MiB: drop a few at a time.' : null;
}
