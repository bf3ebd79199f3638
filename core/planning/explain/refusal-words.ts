import type { OfferRefusal } from '../rules/refuse-offer';

/** Why an offer cannot go into this machine, as a technician reads it. */
export const REFUSAL_WORDS: Record<OfferRefusal, string> = {
  generation: 'another generation',
  form: 'another form',
  kind: 'a kind this machine does not take',
  voltage: 'a voltage this machine does not supply',
  'module-failed': 'a size seen not to work here',
  'module-size': 'larger than any module known to work',
  height: 'too tall',
  density: 'chips too dense for the controller',
  width: 'chips of a width it does not take',
  rate: 'slower than the board can run',
};
