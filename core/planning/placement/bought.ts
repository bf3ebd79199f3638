import type { Make } from './makes';

/** Modules that are bought with one offer. */
export interface Bought {
  /** place in the case's offers */
  offer: number;
  modules: number;
  make: Make;
}
