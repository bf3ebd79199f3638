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
}
export type Result<T> = { ok: true; value: T } | Fault;

export const done = <T>(value: T): Result<T> => ({ ok: true, value });
export const fault = (code: FaultCode, sentence: string): Fault => ({ ok: false, code, sentence });
