import { one, pool } from '../store/database';

/** Does the database answer? Throws as any question to it does where it is away. */
export async function isReady(): Promise<boolean> {
  return (await one<{ ready: boolean }>(pool(), 'select true as ready')).ready;
}
