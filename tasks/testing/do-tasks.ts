import { startTasks } from '../run-tasks';

/* A process that does tasks from the queue of DATABASE_URL and nothing else, until it is ended: for tests of several. */
const tasks = await startTasks(process.env.DATABASE_URL ?? '');
process.stdout.write('at work\n');
process.once('SIGTERM', () => void tasks.stop().then(() => process.exit(0)));
