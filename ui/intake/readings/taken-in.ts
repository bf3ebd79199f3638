import type { SaidKind } from '@/core/reading/read';

/** What an input was read as, or why it was not. */
export type ShownRecognised =
  | { name: string; ok: true; line: string; warnings: string[] }
  | { name: string; ok: false; sentence: string; either: { as: SaidKind; line: string }[] };

/** What came of inputs that were taken in together. */
export interface ShownTakenIn {
  inputs: ShownRecognised[];
  model: string | null;
}
