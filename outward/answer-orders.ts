import { parentPort } from 'node:worker_threads';
import type { Order } from './work-thread';

/** What a thread can do, by name. What it throws ends the thread, and anyone who waits is told. */
// biome-ignore lint/suspicious/noExplicitAny: each work has parameters of its own
export type Works = Readonly<Record<string, (...given: any[]) => unknown>>;

/** Answers the orders of a `WorkThread`, one after the other. */
export function answerOrders(works: Works): void {
  parentPort?.on('message', async ({ number, work, given }: Order) => {
    parentPort?.postMessage({ number, result: await works[work]?.(...given) });
  });
}
