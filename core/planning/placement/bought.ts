import type { ModuleClass } from './module-classes';

/** Modules that are bought with one offer. */
export interface Bought {
  /** place in the case's offers */
  offer: number;
  modules: number;
  moduleClass: ModuleClass;
}
