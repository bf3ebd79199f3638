import type { OptionDrift } from './drift';

/** What moved behind an option, with what its parts are called. */
export interface NamedDrift extends OptionDrift {
  titles: Record<string, string>;
}
