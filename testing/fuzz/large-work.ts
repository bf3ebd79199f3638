import { parentPort, workerData } from 'node:worker_threads';
import { read } from '../../core/reading/read';
import { LARGE } from './large';

// Reads one input in a heap of its own, whose size the caller has bounded.
const input = LARGE[String(workerData)]?.() ?? new Uint8Array();
const from = performance.now();
const result = read(input);
parentPort?.postMessage({ answer: result.ok ? result.reading.format : result.code, ms: performance.now() - from });
