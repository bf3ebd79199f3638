import { z } from 'zod';
import { generationSchema, kindSchema } from '../memory/module';
import { FILL_RULES, PAIRINGS, UNEVEN_CHANNELS } from '../planning/case';

const whole = z.number().int().positive().max(Number.MAX_SAFE_INTEGER);

/** What can be claimed about a machine, by name: capacities MiB, rates MT/s, voltages mV, heights mm. */
export const LIMIT_SCHEMAS = {
  generations: z.array(generationSchema).min(1),
  form: z.string().trim().min(1).max(40),
  kinds: z.array(kindSchema).min(1),
  voltagesMv: z.array(whole).min(1),
  totalMiB: whole,
  moduleMiB: whole,
  cpuMaxMiB: whole,
  provenTotalMiB: whole,
  provenModuleMiB: whole,
  ratesMTs: z.array(whole),
  cpuMaxRateMTs: whole,
  pairing: z.enum(PAIRINGS),
  unevenChannels: z.enum(UNEVEN_CHANNELS),
  fillOrder: z.array(z.string().min(1)),
  fillRule: z.enum(FILL_RULES),
  profiles: z.boolean(),
  rateByLoad: z.array(z.strictObject({ modulesPerChannel: whole, ranks: whole.nullish(), maxRateMTs: whole })),
  failedModuleMiB: z.array(whole),
  maxRanksPerChannel: whole,
  maxDeviceGbit: whole,
  deviceWidths: z.array(whole).min(1),
  clearanceMm: z.number().positive(),
  osVisibleMiB: whole,
} as const;

export type LimitName = keyof typeof LIMIT_SCHEMAS;
export type LimitValue<Name extends LimitName> = z.infer<(typeof LIMIT_SCHEMAS)[Name]>;
export const LIMIT_NAMES = Object.keys(LIMIT_SCHEMAS) as LimitName[];

/** Where a claim comes from, the weightiest first. */
export const SOURCE_KINDS = [
  'technician',
  'evidence',
  'lid-label',
  'board-manual',
  'cpu-page',
  'maker-page',
  'reading',
  'standard',
] as const;
export type SourceKind = (typeof SOURCE_KINDS)[number];

export interface Source {
  kind: SourceKind;
  /** what it is called: the page, the report's file, the person */
  name: string;
}

/** One source's word on one limit. */
export type Claim = { [Name in LimitName]: { limit: Name; value: LimitValue<Name>; source: Source } }[LimitName];

/**
 * Trusts a stored claim only as far as its value fits its limit.
 *
 * @returns the claim, or null where the value is not one
 */
export function asClaim(limit: LimitName, value: unknown, source: Source): Claim | null {
  const parsed = LIMIT_SCHEMAS[limit].safeParse(value);
  return parsed.success ? ({ limit, value: parsed.data, source } as Claim) : null;
}
