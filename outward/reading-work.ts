import { parentPort } from 'node:worker_threads';
import { read, readAs, type SaidKind } from '../core/reading/read';
import { readLibraryFile } from './library-file';

/** What the thread can do with an input. */
export const APART = {
  reading: (input: Uint8Array, as: SaidKind | null) => (as === null ? read(input) : readAs(input, as)),
  library: (input: Uint8Array) => readLibraryFile(input),
} as const;
export type ApartWork = keyof typeof APART;

/** One input to work on, with a number to tell its answer by. */
export interface ReadingOrder {
  number: number;
  work: ApartWork;
  input: Uint8Array;
  /** what a person says that it is; null: nobody says */
  as: SaidKind | null;
}

parentPort?.on('message', async ({ number, work, input, as }: ReadingOrder) => {
  parentPort?.postMessage({ number, result: await APART[work](input, as) });
});
