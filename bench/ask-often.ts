import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from '../scripts/setup.mjs';

export interface Load {
  perSecond: number;
  /** milliseconds */
  p50: number;
  p99: number;
  /** answers that are no 2xx, and connections that broke */
  faults: number;
}

/** Asks for a path as often as it is answered, from a process that has one core to itself (autocannon). */
export async function askOften(
  url: string,
  { connections, seconds, cookie = null }: { connections: number; seconds: number; cookie?: string | null },
): Promise<Load> {
  const bin = join(ROOT, 'node_modules', 'autocannon', 'autocannon.js');
  const headers = cookie === null ? [] : ['-H', `cookie=${cookie}`];
  const args = ['-j', '-c', String(connections), '-d', String(seconds), ...headers, url];
  const child = spawn('taskset', ['-c', '1', process.execPath, bin, ...args], { stdio: ['ignore', 'pipe', 'ignore'] });
  let told = '';
  child.stdout.on('data', (piece: Buffer) => {
    told += piece.toString();
  });
  await new Promise((resolve) => child.once('exit', resolve));
  const { requests, latency, non2xx, errors } = JSON.parse(told);
  return { perSecond: requests.average, p50: latency.p50, p99: latency.p99, faults: non2xx + errors };
}
