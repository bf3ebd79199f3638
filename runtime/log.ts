import pino from 'pino';
import { cutSecrets } from './cut-secrets';
import { logLevel } from './environment';
import { loggedError } from './log-error';
import { contextId } from './request-context';

/**
 * What operators read. Nothing a customer typed goes in here, and every line has its secrets cut out; it names the request or
 * task that it belongs to.
 */
export const log = pino(
  {
    name: 'fenbrik',
    level: logLevel(),
    serializers: { err: (cause: unknown) => loggedError(cause) },
    mixin: () => {
      const requestId = contextId();
      return requestId === null ? {} : { requestId };
    },
  },
  { write: (line: string) => void process.stdout.write(cutSecrets(line)) },
);

/**
 * Notes that something went wrong which the work goes on without.
 *
 * @param doing what was being done, in words that hold nothing a customer typed
 */
export function logCaught(cause: unknown, doing: string, detail: object = {}): void {
  log.warn({ ...detail, err: cause }, `${doing} failed`);
}

/** For `promise.catch`: notes why it failed and gives what the work goes on with. */
export const caughtAs =
  <T>(doing: string, instead: T, detail: object = {}) =>
  (cause: unknown): T => {
    logCaught(cause, doing, detail);
    return instead;
  };
