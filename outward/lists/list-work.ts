import { parentPort, workerData } from 'node:worker_threads';
import { type ListOrder, ListReading } from './list-reading';

/** One piece of the file, in order. */
export interface ListWork {
  bytes: Uint8Array;
  last: boolean;
}

const reading = new ListReading(workerData as ListOrder);
let before: Promise<unknown> = Promise.resolve();

parentPort?.on('message', ({ bytes, last }: ListWork) => {
  before = before.then(async () => {
    const taken = await reading.take(bytes, last);
    parentPort?.postMessage(taken, taken.ok ? [taken.piece.lines.buffer as ArrayBuffer] : []);
  });
});
