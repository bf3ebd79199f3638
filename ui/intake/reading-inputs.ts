/** What is sent to be read: text as it stands, a file's bytes as base64. */
export type ReadingInput = { name: string; text: string } | { name: string; base64: string };

/** The largest input that is read, bytes; and what fits into one sending. */
export const LARGEST_INPUT = 8 * 1024 * 1024;
const LARGEST_SENDING = 12 * 1024 * 1024;
const MOST_AT_ONCE = 20;

/** Bytes turned to letters at a time: a call takes no more arguments than some tens of thousands. */
const CHUNK = 0x8000;

function base64Of(bytes: Uint8Array): string {
  let letters = '';
  for (let at = 0; at < bytes.length; at += CHUNK) letters += String.fromCharCode(...bytes.subarray(at, at + CHUNK));
  return btoa(letters);
}

/** A file as it is sent. */
export async function inputOfFile(file: File): Promise<{ name: string; base64: string }> {
  return { name: file.name.slice(0, 200) || 'file', base64: base64Of(new Uint8Array(await file.arrayBuffer())) };
}

/** Why files cannot be sent as they are, in one sentence; null where they can. */
export function faultOfFiles(files: readonly { name: string; size: number }[]): string | null {
  const large = files.find(({ size }) => size > LARGEST_INPUT);
  if (large !== undefined) return `${large.name} has over 8 MiB: a memory report is far smaller.`;
  if (files.length > MOST_AT_ONCE) return `At most ${MOST_AT_ONCE} files at once, please: these are ${files.length}.`;
  const all = files.reduce((sum, { size }) => sum + size, 0);
  return all > LARGEST_SENDING ? 'Together these have over 12 MiB: drop a few at a time.' : null;
}
