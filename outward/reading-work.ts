import { parentPort } from 'node:worker_threads';
import { read } from '../core/reading/read';
import { readLibraryFile } from './library-file';
import { type ListColumns, readPriceList } from './price-list-file';

/** What the thread can do with an input, and with what is said beside it. */
export const APART = {
  reading: (input: Uint8Array) => read(input),
  library: (input: Uint8Array) => readLibraryFile(input),
  'price-list': (input: Uint8Array, beside: unknown) => readPriceList(input, beside as ListColumns | null),
} as const;
export type ApartWork = keyof typeof APART;

/** One input to work on, with a number to tell its answer by. */
export interface ReadingOrder {
  number: number;
  work: ApartWork;
  input: Uint8Array;
  beside: unknown;
}

parentPort?.on('message', async ({ number, work, input, beside }: ReadingOrder) => {
  parentPort?.postMessage({ number, result: await APART[work](input, beside) });
});
