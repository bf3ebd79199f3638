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

/** Where a claim comes from, the weightiest first; `system` is what an operating system says of itself. */
export const SOURCE_KINDS = [
  'technician',
  'evidence',
  'lid-label',
  'board-manual',
  'cpu-page',
  'maker-page',
  'system',
  'reading',
  'tested-list',
  'derived',
  'standard',
] as const;
export type SourceKind = (typeof SOURCE_KINDS)[number];

export interface Source {
  kind: SourceKind;
  /** what it is called: the page, the report's file, the person */
  name: string;
  /** what whoever entered it adds, or why a person decided so */
  note?: string;
  /** the day it was noted or decided, `YYYY-MM-DD` */
  on?: string;
  /** who entered it */
  by?: string | null;
}

/** One source's word on one limit. */
export type Claim = { [Name in LimitName]: { limit: Name; value: LimitValue<Name>; source: Source } }[LimitName];

const isLimit = (name: string): name is LimitName => (LIMIT_NAMES as string[]).includes(name);
const isSource = (kind: string): kind is SourceKind => (SOURCE_KINDS as readonly string[]).includes(kind);

/**
 * Trusts a stored claim only as far as its limit and source are known and its value fits its limit.
 *
 * @returns the claim, or null where it is not one
 */
export function asClaim(limit: string, value: unknown, source: Omit<Source, 'kind'> & { kind: string }): Claim | null {
  if (!isLimit(limit) || !isSource(source.kind)) return null;
  const parsed = LIMIT_SCHEMAS[limit].safeParse(value);
  return parsed.success ? ({ limit, value: parsed.data, source } as Claim) : null;
}
