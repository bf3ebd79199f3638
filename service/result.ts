/** What a person can cause and is told in one sentence. */
export const FAULT_CODES = [
  'signed-out',
  'forbidden',
  'not-found',
  'bad-input',
  'conflict',
  'too-many',
  'busy',
] as const;
export type FaultCode = (typeof FAULT_CODES)[number];

export interface Fault {
  ok: false;
  code: FaultCode;
  sentence: string;
  /** the value of what was sent that it is about: its name, with those it is within before it, `terms.taxBp` */
  at?: string;
  /** what somebody else wrote meanwhile, by the names of what the caller wanted to write */
  theirs?: Record<string, unknown>;
}
export type Result<T> = { ok: true; value: T } | Fault;

export const done = <T>(value: T): Result<T> => ({ ok: true, value });
export const fault = (code: FaultCode, sentence: string): Fault => ({ ok: false, code, sentence });

/** Somebody else wrote the same meanwhile: nothing is written, and the caller is told what they wrote. */
export const writtenMeanwhile = (theirs: Record<string, unknown>): Fault => ({
  ok: false,
  code: 'conflict',
  sentence: 'Somebody else changed this meanwhile. Choose which value stays.',
  theirs,
});
