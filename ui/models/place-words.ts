import type { SlotPlace } from '@/core/machine/models/model';

/** Where a slot is, as a technician says it. */
export const PLACE_WORDS: Record<SlotPlace, string> = {
  open: 'in the open',
  door: 'behind a door',
  shield: 'under a shield',
  keyboard: 'under the keyboard',
  deep: 'deep inside',
  soldered: 'soldered',
};
