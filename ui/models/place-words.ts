import type { SlotPlace } from '@/core/machine/models/model';

/** Where a slot is, as a technician says it. */
export const PLACE_WORDS = {
  open: 'places.open',
  door: 'places.door',
  shield: 'places.shield',
  keyboard: 'places.keyboard',
  deep: 'places.deep',
  soldered: 'places.soldered',
} as const satisfies Record<SlotPlace, string>;
