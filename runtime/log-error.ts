/** What of a cause is logged: what it is and where, and none of the values that it was about. */
export interface LoggedError {
  type: string;
  code: string | undefined;
  message: string;
  stack: string | undefined;
  cause: LoggedError | undefined;
}

const MOST_CAUSES = 5;
/** An address as mail servers repeat it in what they refuse. */
const ADDRESS = /[^\s<>"'(),:;]{1,64}@[^\s<>"'(),:;]{1,255}/g;

const plain = (text: string): string => text.replace(ADDRESS, '[address]');

/**
 * A cause as the log keeps it. Drivers and mail clients hang on their errors what was sent (a row's values, receivers, a
 * server's whole answer), which may be what a customer typed: only the kind, code, message and place are kept, and mail addresses
 * are cut out of those.
 */
export function loggedError(cause: unknown, depth = 0): LoggedError {
  const error = cause instanceof Error ? cause : new Error(String(cause));
  const { code } = error as { code?: unknown };
  return {
    type: error.name,
    code: typeof code === 'string' ? code : undefined,
    message: plain(error.message),
    stack: error.stack === undefined ? undefined : plain(error.stack),
    cause: error.cause === undefined || depth >= MOST_CAUSES ? undefined : loggedError(error.cause, depth + 1),
  };
}
