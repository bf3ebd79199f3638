import pino from 'pino';
import { cutSecrets } from './cut-secrets';

/** What operators read. Nothing a customer typed goes in here, and every line has its secrets cut out. */
export const log = pino(
  { name: 'fenbrik', level: process.env.LOG_LEVEL ?? 'info' },
  { write: (line: string) => void process.stdout.write(cutSecrets(line)) },
);
