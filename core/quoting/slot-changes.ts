import type { JobSlot } from '../machine/slots/job-slot';
import type { Offer } from '../planning/model/case';
import type { Plan } from '../planning/search/plan';

/** What a slot holds after a plan, and what becomes of what is in it today. */
export interface SlotChange {
  slot: string;
  channel: string;
  bank: number;
  soldered: boolean;
  blocked: boolean;
  /** what the label in the lid calls it; null: as the board does */
  lidName: string | null;
  /** what may become of the module that is in it */
  keep: JobSlot['keep'];
  /** MiB; null: empty */
  now: number | null;
  nowKnown: boolean;
  /** the rate of the module that is in it is still asked */
  rateAsked: boolean;
  /** what happens to the module that is in the slot */
  leaves: 'stays' | 'out' | 'moves' | null;
  after: number | null;
  comes: 'stays' | 'new' | 'moves' | 'empty';
}

/**
 * Slot by slot what a plan changes; without a plan, today's slots as they are.
 *
 * @param offers the offers that the plan buys from
 */
export function slotChanges(slots: readonly JobSlot[], plan: Plan | null, offers: readonly Offer[]): SlotChange[] {
  const capacity = new Map(slots.map((slot) => [slot.name, slot.module?.capacityMiB ?? null]));
  const bought = new Map(offers.map((offer) => [offer.id, offer.module.capacityMiB]));
  return slots.map(({ name, channel, bank, soldered, blocked, lidName, keep, module }) => {
    const now = module?.capacityMiB ?? null;
    const seat = plan?.placement[name];
    const base = {
      slot: name,
      channel,
      bank,
      soldered,
      blocked: blocked === true,
      lidName: lidName ?? null,
      keep,
      now,
      nowKnown: module === null || now !== null,
      rateAsked: module !== null && module.rateMTs === null,
    };
    if (plan === null || soldered) {
      return {
        ...base,
        leaves: module === null ? null : 'stays',
        after: now,
        comes: module === null ? 'empty' : 'stays',
      };
    }
    const staysHere = seat !== undefined && 'kept' in seat && seat.kept === name;
    const leaves = module === null ? null : staysHere ? 'stays' : plan.kept.includes(name) ? 'moves' : 'out';
    if (seat === undefined) return { ...base, leaves, after: null, comes: 'empty' };
    if ('kept' in seat) {
      return { ...base, leaves, after: capacity.get(seat.kept) ?? null, comes: staysHere ? 'stays' : 'moves' };
    }
    return { ...base, leaves, after: bought.get(seat.offer) ?? null, comes: 'new' };
  });
}
