import { z } from 'zod';
import { figureSchema, millivoltSchema, moduleMiBSchema, rateSchema, smallSchema } from '../../bounds';
import { BUFFERINGS, generationSchema } from '../../memory/module';
import { KEEPS } from '../../planning/model/case';

/** A module as far as it is known on a job. Units as in `MemoryModule`; null: not known yet. */
export const knownModuleSchema = z.strictObject({
  capacityMiB: moduleMiBSchema.nullable(),
  generation: generationSchema.nullable(),
  form: z.string().min(1).max(40).nullable(),
  buffering: z.enum(BUFFERINGS).nullable(),
  ecc: z.boolean().nullable(),
  rateMTs: rateSchema.nullable(),
  casLatency: figureSchema.nullable(),
  ranks: smallSchema.nullable(),
  voltagesMv: z.array(millivoltSchema).min(1).max(32).nullable(),
  maker: z.string().max(200).nullable(),
  part: z.string().max(200).nullable(),
  // What only an SPD or a label tells; jobs of before may lack them.
  deviceWidth: smallSchema.nullish(),
  deviceGbit: figureSchema.nullish(),
  heightMm: figureSchema.nullish(),
  serial: z.string().max(200).nullish(),
});
export type KnownModule = z.infer<typeof knownModuleSchema>;
export type ModuleField = keyof KnownModule;

export const SLOT_SOURCES = ['reading', 'model', 'typed', 'inferred', 'earlier', 'specification'] as const;

/** A slot of a job's machine: where it is, what is in it, and what may become of that. Credit in minor units. */
export const jobSlotSchema = z.strictObject({
  name: z.string().trim().min(1).max(60),
  channel: z.string().trim().min(1).max(20),
  bank: z.number().int().min(0).max(99),
  maxMiB: moduleMiBSchema.nullable(),
  soldered: z.boolean(),
  /** what the label in the lid calls it; the board's name rules */
  lidName: z.string().trim().min(1).max(60).nullish(),
  /** broken, or covered by a cooler: nothing can go in */
  blocked: z.boolean().nullish(),
  keep: z.enum(KEEPS),
  creditCents: z.number().int().nonnegative().max(1_000_000),
  module: knownModuleSchema.nullable(),
  /** who says where the slot is */
  placeSource: z.enum(SLOT_SOURCES),
  /** who says what is in it */
  moduleSource: z.enum(SLOT_SOURCES),
});
export type JobSlot = z.infer<typeof jobSlotSchema>;

/** The slots of a machine: 1 to 64 of them, each name once. */
export const jobSlotsSchema = z
  .array(jobSlotSchema)
  .max(64)
  .superRefine((slots, context) => {
    const names = slots.map((slot) => slot.name);
    names.forEach((name, index) => {
      if (names.indexOf(name) < index) {
        context.addIssue({ code: 'custom', path: [index, 'name'], message: `two slots are called "${name}"` });
      }
    });
    slots.forEach((slot, index) => {
      if (slot.soldered && slot.module === null) {
        context.addIssue({ code: 'custom', path: [index, 'module'], message: 'soldered memory needs its capacity' });
      }
      if (slot.blocked === true && slot.module !== null) {
        context.addIssue({
          code: 'custom',
          path: [index, 'module'],
          message: `${slot.name} is blocked and holds a module`,
        });
      }
    });
  });
