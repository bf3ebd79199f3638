// Preloaded into what `npm start` starts: its standard input is a pipe from there, which closes when the start
// ends, however hard. So nothing is left behind. A thread of it has a standard input of its own, which is none.
import { isMainThread } from 'node:worker_threads';

if (isMainThread) {
  process.stdin.on('close', () => process.exit(0));
  process.stdin.resume();
}
