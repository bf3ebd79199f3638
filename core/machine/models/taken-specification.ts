import { z } from 'zod';
import { machineMiBSchema } from '../../bounds';
import type { Generation } from '../../memory/generation';
import { isModuleCapacity } from '../../reading/listing/listing-capacity';
import type { SpecificationReading } from '../../reading/reading';
import { asClaim, type Claim, LIMIT_NAMES, LIMIT_SCHEMAS, type LimitName } from '../limits/limit';
import type { KnownModule } from '../slots/job-slot';
import type { ModelSlot, PlacedSlot } from '../slots/slots-of-reading';
import { NOTHING_KNOWN } from './nothing-known';

/** Who a specification can be of. */
export const SPECIFICATION_SOURCES = ['maker-page', 'board-manual', 'cpu-page', 'lid-label'] as const;
export type SpecificationSource = (typeof SPECIFICATION_SOURCES)[number];

const claimSchema = z
  .strictObject({
    limit: z.enum(LIMIT_NAMES as [LimitName, ...LimitName[]], { error: 'There is no such limit.' }),
    value: z.unknown(),
    /** the words of the text that it came from */
    quote: z.string().trim().max(400),
  })
  .refine(({ limit, value }) => LIMIT_SCHEMAS[limit].safeParse(value).success, {
    error: 'This value cannot be: a limit is more than 0, and lists are not empty.',
  });

/** What a person took of a specification: whose it is, the claims with their words, and what is in the machine now. */
export const takenSpecificationSchema = z.strictObject({
  source: z.strictObject({
    kind: z.enum(SPECIFICATION_SOURCES, { error: 'Say where the specification is from.' }),
    name: z.string().trim().min(1, 'Say where the specification is from.').max(200),
  }),
  claims: z.array(claimSchema).max(40),
  /** modules that the machine holds, as it was sold; null: nobody says */
  inside: z
    .strictObject({ capacityMiB: machineMiBSchema, modules: z.number().int().min(1).max(64) })
    .refine(({ capacityMiB, modules }) => Number.isInteger(capacityMiB / modules), {
      error: 'The memory does not divide into so many modules.',
    })
    .nullable(),
});
export type TakenSpecification = z.infer<typeof takenSpecificationSchema>;

/** Claims that were taken of a specification, in its source's name, each with the words it came from. */
export function claimsOfTaken({ source, claims }: TakenSpecification, on: string, by: string | null): Claim[] {
  return claims.flatMap(({ limit, value, quote }) => {
    const claim = asClaim(limit, value, { ...source, on, by, ...(quote === '' ? {} : { note: quote }) });
    return claim === null ? [] : [claim];
  });
}

/** Where a text most likely is from: a CPU's data, a board's manual, a label of few words, else the maker's page. */
export function likelySource({ about, name }: SpecificationReading, input: string): TakenSpecification['source'] {
  const called = name === null ? '' : [name.maker, name.model].filter((word) => word !== null).join(' ');
  const of = called === '' ? '' : ` for ${called}`;
  if (about === 'cpu') return { kind: 'cpu-page', name: `CPU data${of}` };
  if (about === 'board') return { kind: 'board-manual', name: `Board manual${of}` };
  if (/\b(?:lid|label|cover|deckel|aufkleber|etiquette|etiqueta|etichetta)\b/i.test(input.slice(0, 200)))
    return { kind: 'lid-label', name: 'Label in the lid' };
  return { kind: 'maker-page', name: `Maker’s page${of}` };
}

/** How many channels so many slots usually lie in, where the text does not say: two, and one of a single slot. */
function channelsFor({ slotCount, channels }: SpecificationReading): number {
  const slots = slotCount ?? 0;
  if (channels !== null && channels > 0) return Math.min(channels, Math.max(1, slots));
  return slots < 2 ? 1 : slots % 2 === 0 ? 2 : slots;
}

const LETTERS = 'ABCDEFGHIJKLMNOP';

const onlyGeneration = ({ claims }: SpecificationReading): Generation | null => {
  const claim = claims.find(({ limit }) => limit === 'generations');
  return claim?.limit === 'generations' && claim.value.length === 1 ? (claim.value[0] ?? null) : null;
};

const formOf = ({ claims }: SpecificationReading): string | null => {
  const claim = claims.find(({ limit }) => limit === 'form');
  return claim?.limit === 'form' ? claim.value : null;
};

const moduleOf = (reading: SpecificationReading, capacityMiB: number): KnownModule => ({
  ...NOTHING_KNOWN,
  capacityMiB,
  generation: onlyGeneration(reading),
});

/** The most slots that are laid out: a board of more is a rack of boards. */
const MOST_SLOTS = 64;

/** Slots that a specification counts, the first of every channel first, and what is soldered beside them. */
export function boardOfSpecification(reading: SpecificationReading): ModelSlot[] {
  const { slotCount, soldered, standardMemory } = reading;
  const count = Math.min(slotCount ?? 0, MOST_SLOTS);
  const channels = channelsFor(reading);
  const perChannel = Math.ceil(count / channels);
  const slots = Array.from({ length: count }, (_, index): ModelSlot => {
    const channel = LETTERS[index % channels] ?? 'A';
    const bank = Math.floor(index / channels) + 1;
    return { name: perChannel === 1 ? channel : `${channel}${bank}`, channel, bank, maxMiB: null, soldered: null };
  });
  // The smallest configuration is what is soldered at least.
  const least = Math.min(...standardMemory.map(({ capacityMiB }) => capacityMiB));
  if (soldered !== true || !Number.isFinite(least)) return slots;
  const built: ModelSlot = {
    name: 'Soldered',
    channel: 'A',
    bank: 0,
    maxMiB: null,
    soldered: moduleOf(reading, least),
  };
  return [built, ...slots];
}

/** A way in which a machine may have been sold: its memory in so many modules. Capacity MiB. */
export interface Inside {
  capacityMiB: number;
  modules: number;
}

/** Ways in which what a machine is sold with may lie in its slots, the likeliest first. */
export function insidesOf({ standardMemory, slotCount, soldered }: SpecificationReading): Inside[] {
  if (soldered === true || slotCount === null || slotCount === 0) return [];
  return standardMemory.flatMap(({ capacityMiB, modules }) => {
    const counts = modules === null ? [1, 2, 4] : [modules];
    return counts
      .filter((count) => count <= slotCount && isModuleCapacity(capacityMiB / count))
      .map((count) => ({ capacityMiB, modules: count }));
  });
}

/** Slots with the modules that a machine was sold with in the first of them, where no reading tells what is in any. */
export function withInside(
  placed: readonly PlacedSlot[],
  inside: Inside | null,
  reading: SpecificationReading | null,
): PlacedSlot[] {
  if (
    inside === null ||
    reading === null ||
    placed.some(({ read, slot }) => read !== null || (slot.module !== null && !slot.soldered))
  )
    return [...placed];
  let left = inside.modules;
  const module = { ...moduleOf(reading, inside.capacityMiB / inside.modules), form: formOf(reading) };
  return placed.map((one) => {
    if (left === 0 || one.slot.soldered || one.slot.blocked === true) return one;
    left--;
    return { ...one, slot: { ...one.slot, module, moduleSource: 'specification' } };
  });
}
