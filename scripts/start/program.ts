import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from '../setup.mjs';

/** Starts a Node program of ours in its own group, so that Ctrl-C reaches it only through us, and it ends with us. */
export function program(args: string[], env: Record<string, string>): ChildProcess {
  const preload = pathToFileURL(join(ROOT, 'scripts', 'end-with-parent.mjs')).href;
  return spawn(process.execPath, ['--import', preload, ...args], {
    cwd: ROOT,
    detached: true,
    stdio: ['pipe', 'inherit', 'inherit'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production', ...env },
  });
}
