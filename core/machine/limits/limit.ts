import { z } from 'zod';
import {
  figureSchema,
  machineMiBSchema,
  millivoltSchema,
  moduleMiBSchema,
  rateSchema,
  smallSchema,
} from '../../bounds';
import { generationSchema, kindSchema } from '../../memory/module';
import { FILL_RULES, PAIRINGS, UNEVEN_CHANNELS } from '../../planning/model/case';

/** What can be claimed about a machine, by name: capacities MiB, rates MT/s, voltages mV, heights mm. */
export const LIMIT_SCHEMAS = {
  generations: z.array(generationSchema).min(1).max(32),
  form: z.string().trim().min(1).max(40),
  kinds: z.array(kindSchema).min(1).max(32),
  voltagesMv: z.array(millivoltSchema).min(1).max(32),
  totalMiB: machineMiBSchema,
  moduleMiB: moduleMiBSchema,
  cpuMaxMiB: machineMiBSchema,
  provenTotalMiB: machineMiBSchema,
  provenModuleMiB: moduleMiBSchema,
  ratesMTs: z.array(rateSchema).max(200),
  cpuMaxRateMTs: rateSchema,
  pairing: z.enum(PAIRINGS),
  unevenChannels: z.enum(UNEVEN_CHANNELS),
  fillOrder: z.array(z.string().min(1).max(60)).max(64),
  fillRule: z.enum(FILL_RULES),
  profiles: z.boolean(),
  rateByLoad: z.array(
    z.strictObject({ modulesPerChannel: smallSchema, ranks: smallSchema.nullish(), maxRateMTs: rateSchema }),
  ),
  failedModuleMiB: z.array(moduleMiBSchema).max(200),
  maxRanksPerChannel: smallSchema,
  maxDeviceGbit: smallSchema,
  deviceWidths: z.array(smallSchema).min(1).max(32),
  clearanceMm: figureSchema,
  osVisibleMiB: machineMiBSchema,
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
  /** what the person who entered it adds, or why a person decided so */
  note?: string;
  /** the day it was noted or decided, `YYYY-MM-DD` */
  on?: string;
  /** who entered it */
  by?: string | null;
  /** it is only for information: another shop's word that nobody here vouches for */
  informs?: true;
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
