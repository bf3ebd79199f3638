import type { SaidKind } from '@/core/reading/read';
import { MOST_READING_BYTES, MOST_READINGS } from '@/runtime/body-limits';
import type { StaffWords } from '@/words/staff-words';

/** What fits into one sending, bytes. */
const LARGEST_SENDING = 30 * 1024 * 1024;

/** Text that was typed or pasted, as a file of that name; NULs, which only broken programs copy, make it no binary. */
export const textFile = (name: string, text: string): File =>
  new File([text.replaceAll('\0', '')], name, { type: 'text/plain' });

/** Files as one form. @param as what a person says that they are */
export function readingForm(files: readonly File[], as?: SaidKind): FormData {
  const form = new FormData();
  if (as !== undefined) form.append('as', as);
  for (const file of files) form.append('file', file, file.name.slice(0, 200) || 'file');
  return form;
}

/** Why files cannot be sent as they are, in one sentence; null where they can. */
export function faultOfFiles(t: StaffWords<'intake'>, files: readonly { name: string; size: number }[]): string | null {
  const large = files.find(({ size }) => size > MOST_READING_BYTES);
  if (large !== undefined) return t('files.tooLarge', { name: large.name });
  if (files.length > MOST_READINGS) return t('files.tooMany', { MOST_READINGS, files: files.length });
  const all = files.reduce((sum, { size }) => sum + size, 0);
  return all > LARGEST_SENDING ? t('files.together') : null;
}
