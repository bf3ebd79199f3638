import { AsyncLocalStorage } from 'node:async_hooks';

/** What everything that is done for one request, or for one task beside them, is known by in logs and in the database. */
export interface WorkContext {
  /** letters, digits and hyphens: it stands within statements */
  id: string;
}

const PLACE = Symbol.for('fenbrik.work-context');

/** The gate and the framework have each their own copy of a module: there is one storage. */
function storage(): AsyncLocalStorage<WorkContext> {
  const all = globalThis as { [PLACE]?: AsyncLocalStorage<WorkContext> };
  all[PLACE] ??= new AsyncLocalStorage();
  return all[PLACE];
}

const READABLE = /^[\w-]{1,64}$/;

/** Does work under an id, with all that it starts. An id that cannot stand in a statement is none. */
export const withContext = <T>(id: string, work: () => T): T =>
  READABLE.test(id) ? storage().run({ id }, work) : work();

/** What the work that asks is known by; null: it belongs to no request and no task. */
export const contextId = (): string | null => storage().getStore()?.id ?? null;
