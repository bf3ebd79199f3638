import type { Claim } from '../../../core/machine/limits/limit';
import {
  boardOfSpecification,
  claimsOfTaken,
  type TakenSpecification,
  takenSpecificationSchema,
  withInside,
} from '../../../core/machine/models/taken-specification';
import type { JobSlot } from '../../../core/machine/slots/job-slot';
import type { Joined } from '../../../core/machine/slots/join-readings';
import { derivedSlots } from '../../../core/machine/slots/slots-of-job';
import type { ModelSlot, PlacedSlot } from '../../../core/machine/slots/slots-of-reading';
import { isSpecification, type SpecificationReading } from '../../../core/reading/reading';
import type { KeptReading } from '../../../store/job/readings';

/** A specification of a job with what a person took of it. */
export interface SpecificationOfJob {
  id: number;
  reading: SpecificationReading;
  taken: TakenSpecification;
  on: string;
  by: string | null;
}

/** The specifications of a job that a person took anything of, the last first; those that are set aside do not count. */
export function takenOf(readings: readonly KeptReading[]): SpecificationOfJob[] {
  return readings.flatMap(({ id, result, taken, takenBy, takenOn, setAside }) => {
    const parsed = takenSpecificationSchema.safeParse(taken);
    if (setAside || !parsed.success || takenOn === null || !isSpecification(result)) return [];
    return [{ id, reading: result, taken: parsed.data, on: takenOn, by: takenBy }];
  });
}

/** What a job's specifications claim, each in the name of its source. */
export const claimsOfSpecifications = (readings: readonly KeptReading[]): Claim[] =>
  takenOf(readings).flatMap(({ taken, on, by }) => claimsOfTaken(taken, on, by));

/**
 * The slots that follow from a job's readings and model. Where the library has no model for it, the board is the one that a
 * specification describes; what the machine was sold with is in it where no reading tells.
 */
export function slotsFollowing(
  joined: Joined,
  model: readonly ModelSlot[] | null,
  readings: readonly KeptReading[],
): PlacedSlot[] {
  const taken = takenOf(readings);
  const described = taken.find(({ reading }) => reading.about !== 'cpu' && (reading.slotCount ?? 0) > 0);
  const board =
    model !== null && model.length > 0
      ? model
      : described === undefined
        ? model
        : boardOfSpecification(described.reading);
  const placed = derivedSlots(joined, board);
  // The board of a specification is its word on the slots, not the library's.
  const own = (source: JobSlot['placeSource']): JobSlot['placeSource'] =>
    board !== model && source === 'model' ? 'specification' : source;
  const named = placed.map((one) => ({
    ...one,
    slot: { ...one.slot, placeSource: own(one.slot.placeSource), moduleSource: own(one.slot.moduleSource) },
  }));
  const sold = taken.find(({ taken: { inside } }) => inside !== null);
  return withInside(named, sold?.taken.inside ?? null, sold?.reading ?? null);
}
