/**
 * Little-endian numbers out of bytes. All of them are null where they would run past the end, so that a short
 * structure says "not told" instead of something else.
 */
export function byteAt(bytes: Uint8Array, at: number): number | null {
  return bytes[at] ?? null;
}

export function wordAt(bytes: Uint8Array, at: number): number | null {
  const low = bytes[at];
  const high = bytes[at + 1];
  return low === undefined || high === undefined ? null : low | (high << 8);
}

export function dwordAt(bytes: Uint8Array, at: number): number | null {
  const low = wordAt(bytes, at);
  const high = wordAt(bytes, at + 2);
  return low === null || high === null ? null : low + high * 0x10000;
}

/** A QWORD as a number; null past the end and above what a number holds exactly. */
export function qwordAt(bytes: Uint8Array, at: number): number | null {
  const low = dwordAt(bytes, at);
  const high = dwordAt(bytes, at + 4);
  if (low === null || high === null) return null;
  const whole = low + high * 0x100000000;
  return Number.isSafeInteger(whole) ? whole : null;
}

/** Sum of the bytes from `from` to before `to`, modulo 256. */
export function byteSum(bytes: Uint8Array, from: number, to: number): number {
  let sum = 0;
  for (let at = from; at < to; at++) sum = (sum + (bytes[at] ?? 0)) & 0xff;
  return sum;
}

/** Does an ASCII text stand at this place? */
export function standsAt(bytes: Uint8Array, at: number, text: string): boolean {
  for (let index = 0; index < text.length; index++) {
    if (bytes[at + index] !== text.charCodeAt(index)) return false;
  }
  return true;
}
