import { z } from 'zod';
import { GENERATIONS } from './generation';

/** Buffering kinds; they never mix in one machine (JEDEC 21-C 4.20). */
export const BUFFERINGS = ['unbuffered', 'registered', 'load-reduced', 'fully-buffered'] as const;
export type Buffering = (typeof BUFFERINGS)[number];

export const generationSchema = z.enum(GENERATIONS);
export const kindSchema = z.strictObject({ buffering: z.enum(BUFFERINGS), ecc: z.boolean() });
export type Kind = z.infer<typeof kindSchema>;

const whole = z.number().int().positive().max(Number.MAX_SAFE_INTEGER);

/** An overclock profile stored in a module: rate in MT/s, CL in clock cycles, voltage in mV. */
export const profileSchema = z.strictObject({
  rateMTs: whole,
  casLatency: z.number().positive().nullish(),
  voltageMv: whole.nullish(),
});

/**
 * A memory module as the planner needs it. Capacity in MiB, rates in MT/s (the standard ones, not a profile's),
 * CL in clock cycles, voltages in mV it can run at, height in mm, device density in Gbit. A missing or null
 * field is not known: it refuses nothing and differs from nothing.
 */
export const moduleSchema = z.strictObject({
  generation: generationSchema,
  form: z.string().min(1).max(40),
  buffering: z.enum(BUFFERINGS),
  ecc: z.boolean(),
  capacityMiB: whole,
  rateMTs: whole,
  casLatency: z.number().positive().nullish(),
  ranks: whole.nullish(),
  deviceWidth: whole.nullish(),
  deviceGbit: z.number().positive().nullish(),
  voltagesMv: z.array(whole).min(1),
  heightMm: z.number().positive().nullish(),
  maker: z.string().max(200).nullish(),
  part: z.string().max(200).nullish(),
  profiles: z.array(profileSchema).nullish(),
});
export type MemoryModule = z.infer<typeof moduleSchema>;
