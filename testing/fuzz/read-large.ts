import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { LARGE, LARGEST } from './large';

const MIB = 1024 * 1024;
/** What the reading of the largest input may allocate: 20 times its size, and 16 MiB. */
const HEAP_MIB = (20 * LARGEST) / MIB + 16;

export interface LargeReading {
  name: string;
  answer: string;
  ms: number;
}

/** Reads one of the largest inputs in a heap that holds no more than a reading may take; rejects where that is too small. */
async function readLarge(name: string): Promise<LargeReading> {
  const worker = new Worker(join(process.cwd(), 'testing', 'fuzz', 'large-worker.mjs'), {
    workerData: name,
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: HEAP_MIB, maxYoungGenerationSizeMb: 16 },
  });
  return new Promise((resolve, reject) => {
    worker.once('message', (answer: Omit<LargeReading, 'name'>) => resolve({ name, ...answer }));
    worker.once('error', (cause) => reject(new Error(`${name}: ${String(cause)}`)));
  });
}

/** Reads all of them, one after the other. */
export async function readAllLarge(): Promise<LargeReading[]> {
  const readings: LargeReading[] = [];
  for (const name of Object.keys(LARGE)) readings.push(await readLarge(name));
  return readings;
}
